import type { DraftCharacter } from '@plesion/core/authoring';
import type { Figure, Tile } from '@plesion/core/guide';
import { drawTile } from '@plesion/core/plates/tiles';
import { useState } from 'react';
import { omit } from '../../lib/omit';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Options } from '../../ui/Options';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { PlateView } from '../plates/PlateView';
import { Cut } from '../plates/Cut';
import { TileForm } from './TileForm';
import { TileOption } from './TileOption';
import { drawnByWords } from './drawnByWords';

interface Props {
  character: DraftCharacter;
  figures: readonly Figure[];
  onChange: (states: NonNullable<DraftCharacter['states']>) => void;
}

const SIZE = 64;

/** How the states of a character are drawn; one is touched to change it. What words say is proposed. */
export function StateLooks({ character, figures, onChange }: Props) {
  const states = character.states ?? [];
  const [open, setOpen] = useState<string>();
  const chosen = states.find(({ id }) => id === open);
  const put = (id: string, tile: Tile | undefined) =>
    onChange(states.map((one) => (one.id === id ? { ...omit(one, 'tile'), ...(tile ? { tile } : {}) } : one)));
  const proposed = drawnByWords(character);
  return (
    <Stack>
      <Options label="How its states are drawn" gap="s" across>
        <Text size="small" strong quiet wide="all">
          How its states are drawn
        </Text>
        {states.map(({ id, label, tile }) => (
          <TileOption
            key={id}
            on={open === id}
            label={`${label}, ${tile ? 'drawn' : 'not drawn'}`}
            shown={label}
            onPress={() => setOpen(open === id ? undefined : id)}
          >
            <Box wide={SIZE} tall={SIZE} {...(!tile && EMPTY)}>
              {tile && <Drawn tile={tile} figures={figures} />}
            </Box>
          </TileOption>
        ))}
      </Options>
      {proposed && (
        <Row>
          <Button
            small
            label="Draw what the words say"
            hint={`Draw what the words say: ${character.label}`}
            onPress={() => onChange(proposed)}
          />
        </Row>
      )}
      {chosen && (
        <TileForm
          key={chosen.id}
          of={chosen.label}
          tile={chosen.tile}
          figures={figures}
          onChange={(tile) => put(chosen.id, tile)}
        />
      )}
    </Stack>
  );
}

function Drawn({ tile, figures }: { tile: Tile; figures: readonly Figure[] }) {
  if (tile.draw !== 'photo') return <PlateView plate={drawTile(tile)} width={SIZE} height={SIZE} />;
  const figure = figures.find(({ id }) => id === tile.figure);
  return figure && <Cut photo={figure.photo} box={tile.box} size={SIZE} />;
}

const EMPTY = { ruled: 'round', ruledIn: 'hairline', thick: true, dashed: true, round: 's' } as const;
