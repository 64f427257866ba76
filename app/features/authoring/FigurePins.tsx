import type { DraftCharacter } from '@plesion/core/authoring';
import type { Figure } from '@plesion/core/guide';
import { Box } from '../../ui/Box';
import { PointOn } from '../photos/PointOn';
import { usePhotoUri } from '../photos/usePhotoUri';

interface Props {
  figure: Figure;
  characters: readonly DraftCharacter[];
  onChange: (pins: NonNullable<Figure['pins']>) => void;
}

const MOST = 12;

/** A photograph with the characters pointed at that it shows; what is seen from there is offered first. */
export function FigurePins({ figure: { photo, view, pins = [] }, characters, onChange }: Props) {
  const uri = usePhotoUri(photo);
  const placeOf = (id: string) => pins.findIndex(({ character }) => character === id);
  const offered = characters
    // Where no more go on it, one can be taken off.
    .filter(({ id }) => pins.length < MOST || placeOf(id) >= 0)
    .sort((a, b) => Number(b.views.includes(view)) - Number(a.views.includes(view)));
  return (
    <Box most={560}>
      <PointOn
        uri={uri}
        label="The photograph"
        aim={({ choice }) => `Press where ${choice} shows; or move with the arrows, and press Enter`}
        choose="Point at what it shows; press one that is pointed at to take it off"
        items={offered.map(({ id, label }) => {
          const mark = placeOf(id) + 1;
          return { id, mark, at: pins[mark - 1], choice: mark ? `${mark} ${label}` : label, pinned: `${mark}: ${label}` };
        })}
        onPoint={(id, at) => {
          const others = pins.filter(({ character }) => character !== id);
          onChange(at ? [...others, { character: id, ...at }] : others);
        }}
      />
    </Box>
  );
}
