import { plainText } from '../guide/working';
import type { Draft, DraftCharacter, Edit } from './draftSchema';

type Driven = NonNullable<Draft['plateTraits']>;
/** What a trait of a body plan is drawn from: words, or numbers. */
type Known = readonly string[] | object;

/** Does a trait suit a character: words one that is told by states, numbers one that is measured or counted? */
export const suits = ({ kind }: Pick<DraftCharacter, 'kind'>, known: Known): boolean =>
  Array.isArray(known) === (kind === 'nominal' || kind === 'ordered');

const setTo = (plateTraits: Driven): Edit =>
  Object.keys(plateTraits).length
    ? { do: 'part', set: { plateTraits }, drop: [] }
    : { do: 'part', set: {}, drop: ['plateTraits'] };

const without = (driven: Driven | undefined, character: string): Driven =>
  Object.fromEntries(Object.entries(driven ?? {}).filter(([, one]) => one.character !== character));

/** Is a character said to drive the plates? */
export const isOnPlate = ({ plan, plateTraits }: Pick<Draft, 'plan' | 'plateTraits'>, character: string): boolean =>
  plan !== undefined && Object.values(plateTraits ?? {}).some((one) => one.character === character);

/** A character shows in nothing on the plates. One whose own id is a trait's still shows there. */
export function offPlate({ plateTraits }: Pick<Draft, 'plateTraits'>, character: DraftCharacter): Edit[] {
  const bare = { ...character };
  delete bare.plate;
  return [setTo(without(plateTraits, character.id)), { do: 'character', character: bare }];
}

/** A trait of a body plan: what it is drawn from, and where it shows. */
export interface PlanTrait {
  id: string;
  known: Known;
  place?: DraftCharacter['plate'];
}

/**
 * A character is what a trait of the body plan is drawn by; each state as the word of the plan that its own words have in
 * them, where there is one.
 */
export function onPlate({ plateTraits }: Pick<Draft, 'plateTraits'>, character: DraftCharacter, trait: PlanTrait): Edit[] {
  const { known, place } = trait;
  const words = Object.fromEntries(
    (Array.isArray(known) ? (character.states ?? []) : []).flatMap((state) => {
      const word = likest(state, known as readonly string[]);
      return word ? [[state.id, word]] : [];
    }),
  );
  const driver = { character: character.id, ...(Object.keys(words).length ? { words } : {}) };
  return [
    setTo({ ...without(plateTraits, character.id), [trait.id]: driver }),
    ...(place ? [{ do: 'character' as const, character: shownAt(character, place) }] : []),
  ];
}

/** Where it shows it is seen from, too. */
const shownAt = (character: DraftCharacter, plate: NonNullable<DraftCharacter['plate']>): DraftCharacter => ({
  ...character,
  plate,
  views: [...new Set([...character.views, plate.view])],
});

/** A state of the character that drives a trait is drawn as a word of the plan's. */
export function stateOnPlate(
  { plateTraits }: Pick<Draft, 'plateTraits'>,
  character: string,
  trait: string,
  state: string,
  word: string,
): Edit {
  return setTo({ ...plateTraits, [trait]: { character, words: { ...plateTraits?.[trait]?.words, [state]: word } } });
}

/** The word that is the state's id, its label, or all of it in the label: the longest, so that "white-forehead" goes before "white". */
function likest({ id, label }: { id: string; label: string }, known: readonly string[]): string | undefined {
  if (known.includes(id)) return id;
  const said = new Set(plainText(label).split(/[^\p{L}\p{N}]+/u));
  return [...known]
    .sort((a, b) => b.length - a.length)
    .find((word) =>
      plainText(word)
        .split(/[^\p{L}\p{N}]+/u)
        .every((part) => said.has(part)),
    );
}
