import type { DraftCharacter } from '@plesion/core/authoring';
import { freshId } from './freshId';

export type Kind = DraftCharacter['kind'];

export const KIND_WORDS: Record<Kind, string> = {
  nominal: 'states',
  ordered: 'states in an order',
  measurement: 'a measurement',
  ratio: 'a proportion',
  angle: 'an angle',
  count: 'a count',
};

type States = NonNullable<DraftCharacter['states']>;

/** States by their labels, parted by commas or lines; those that were there keep their ids, and so their scores. */
export function statesFrom(text: string, known: States): States {
  const made: States = [];
  for (const label of text
    .split(/[,\n]/)
    .map((one) => one.trim())
    .filter(Boolean)) {
    if (made.some((one) => one.label === label)) continue;
    const was = known.find((one) => one.label === label);
    made.push(was ?? { id: freshId(label, [...known, ...made]), label });
  }
  return made;
}
