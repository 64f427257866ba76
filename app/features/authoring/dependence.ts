import type { Edit } from '@plesion/core/authoring';
import { omit } from '../../lib/omit';
import { freshId } from './freshId';
import type { PartProps } from './WritingScreen';

/** How far marks of a group hang together, where nobody says otherwise: half way. */
const USUAL_GAMMA = 0.5;

/** Changes that put characters into one dependence group: one that some of them are in, or a new one. */
export function oneGroup({ dependence, characters }: PartProps['draft'], ids: readonly string[]): Edit[] {
  const those = characters.filter(({ id }) => ids.includes(id));
  const known = those.find((one) => one.dependence !== undefined)?.dependence;
  const label = those.map((one) => one.label).join(', ');
  const id = known ?? freshId(label, dependence);
  const fresh: Edit[] = known
    ? []
    : [{ do: 'part', set: { dependence: [...dependence, { id, label, gamma: USUAL_GAMMA }] }, drop: [] }];
  return [...fresh, ...those.map((character): Edit => ({ do: 'character', character: { ...character, dependence: id } }))];
}

/** Changes that take a group away; its characters stand by themselves. */
export const dropGroup = ({ dependence, characters }: PartProps['draft'], id: string): Edit[] => [
  ...characters
    .filter((one) => one.dependence === id)
    .map((one): Edit => ({ do: 'character', character: omit(one, 'dependence') as typeof one })),
  { do: 'part', set: { dependence: dependence.filter((one) => one.id !== id) }, drop: [] },
];
