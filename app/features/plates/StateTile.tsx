import type { Character, Guide } from '@plesion/core/guide';
import { type ReactNode, Suspense } from 'react';
import { tilePlate } from './plates';
import { PlateView } from './PlateView';
import { lazyPart } from '../../ui/lazyPart';

/** What cuts pieces out of photographs comes with the first of them. */
const Cut = lazyPart(
  () => import('./Cut'),
  (part) => part.Cut,
  'picture',
);

interface Props {
  guide: Guide;
  character: Character;
  state: string | number;
  size: number;
  /** What it shows, for those who cannot see it; without it the tile is decoration. */
  label?: string;
  /** Where nothing shows the state. */
  otherwise?: ReactNode;
}

const figureOf = ({ figures }: Guide, id: string) => figures?.find((figure) => figure.id === id);

/** Is there anything to show of a state? */
export function hasTile(guide: Guide, character: Character, state: string | number): boolean {
  const tile = character.states?.find(({ id }) => id === state)?.tile;
  return (tile?.draw === 'photo' ? figureOf(guide, tile.figure) : tilePlate(guide, character, state)) !== undefined;
}

/** What a state looks like: drawn, or cut out of a photograph of the guide. */
export function StateTile({ guide, character, state, size, label, otherwise }: Props): ReactNode {
  const tile = character.states?.find(({ id }) => id === state)?.tile;
  if (tile?.draw === 'photo') {
    const figure = figureOf(guide, tile.figure);
    if (!figure) return otherwise;
    return (
      <Suspense fallback={null}>
        <Cut photo={figure.photo} box={tile.box} size={size} label={label} />
      </Suspense>
    );
  }
  const plate = tilePlate(guide, character, state);
  return plate ? <PlateView plate={plate} width={size} height={size} label={label} /> : otherwise;
}
