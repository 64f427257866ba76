import type { Figure, Tile, TileOf } from '@plesion/core/guide';
import { useRef } from 'react';
import { type View } from 'react-native';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Stack } from '../../ui/Stack';
import { AimedPhoto, PhotoPin } from '../photos/AimedPhoto';
import { usePhotoUri } from '../photos/usePhotoUri';

type Piece = TileOf<'photo'>;

/** How large a piece may be: its side as a share of the shorter side of the photograph. */
const SIZES = [
  { id: 'tiny', label: 'a tenth', share: 0.1 },
  { id: 'small', label: 'a fifth', share: 0.2 },
  { id: 'middle', label: 'two fifths', share: 0.4 },
  { id: 'large', label: 'seven tenths', share: 0.7 },
  { id: 'whole', label: 'all there is', share: 1 },
] as const;

/** A square piece of a photograph round a place of it, moved in where it would go beyond the edge. */
export function pieceOf({ id, width, height }: Figure, share = 0.4, at = { x: 0.5, y: 0.5 }): Piece {
  const side = share * Math.min(width, height);
  const [w, h] = [side / width, side / height];
  const from = (middle: number, size: number) => Math.max(0, Math.min(1 - size, middle - size / 2));
  return { draw: 'photo', figure: id, box: { x: from(at.x, w), y: from(at.y, h), width: w, height: h } };
}

interface Props {
  tile: Piece;
  figures: readonly Figure[];
  onChange: (tile: Tile) => void;
}

/** Which photograph, from where on it, and how large a piece: pressed on it, or with the arrows and Enter. */
export function TilePiece({ tile, figures, onChange }: Props) {
  const figure = figures.find(({ id }) => id === tile.figure) ?? figures[0];
  const uri = usePhotoUri(figure.photo);
  const on = useRef<View>(null);
  const { x, y, width, height } = tile.box;
  const at = { x: x + width / 2, y: y + height / 2 };
  const share = Math.max(width * figure.width, height * figure.height) / Math.min(figure.width, figure.height);
  const nearest = SIZES.reduce((a, b) => (Math.abs(b.share - share) < Math.abs(a.share - share) ? b : a));
  return (
    <Stack most={480}>
      <ChoiceGroup
        label="Photograph"
        options={figures.map(({ id, caption, credit }, i) => ({ id, label: caption?.slice(0, 40) ?? `${i + 1}, by ${credit}` }))}
        chosen={[figure.id]}
        onChange={([id]) =>
          onChange(
            pieceOf(
              figures.find((one) => one.id === id)!,
              nearest.share,
            ),
          )
        }
      />
      <AimedPhoto
        ref={on}
        uri={uri}
        label="Press the middle of what shows it; or move with the arrows, and press Enter"
        aiming
        onPut={(px, py) => onChange(pieceOf(figure, nearest.share, { x: px, y: py }))}
        onCancel={() => on.current?.blur()}
      >
        <PhotoPin {...at} mark="+" label="The middle of the piece" />
      </AimedPhoto>
      <ChoiceGroup
        label="How much of it"
        options={SIZES.map(({ id, label }) => ({ id, label }))}
        chosen={[nearest.id]}
        onChange={([id]) => onChange(pieceOf(figure, SIZES.find((one) => one.id === id)!.share, at))}
      />
    </Stack>
  );
}
