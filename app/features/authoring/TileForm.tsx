import type { DrawnTile, Figure, Tile } from '@plesion/core/guide';
import { drawTile, TILE_COLOURS } from '@plesion/core/plates/tiles';
import { useState } from 'react';
import { Box } from '../../ui/Box';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Option, Options } from '../../ui/Options';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { PlateView } from '../plates/PlateView';
import { CommitField } from './CommitField';
import { kindOf, lengthsFrom, TILE_KINDS, type TileField, withField } from './tileFields';
import { TileOption } from './TileOption';
import { pieceOf, TilePiece } from './TilePiece';

interface Props {
  /** Whose tile it is. */
  of: string;
  tile?: Tile;
  /** Photographs of the guide, to cut one out of. */
  figures: readonly Figure[];
  onChange: (tile: Tile | undefined) => void;
}

const NONE = '-';
const PHOTO = 'photo';
const SIZE = 46;

/** How a state is drawn: a general shape with what can be chosen of it, lengths, or colours. */
export function TileForm({ of, tile: given, figures, onChange }: Props) {
  const kind = given && kindOf(given);
  const tile = given?.draw === 'photo' ? undefined : given;
  return (
    <Stack>
      <ChoiceGroup
        label={`${of} is drawn as`}
        options={[
          { id: NONE, label: 'words only' },
          ...TILE_KINDS.map(({ draw, label }) => ({ id: draw, label })),
          ...(figures.length > 0 ? [{ id: PHOTO, label: 'a piece of a photograph' }] : []),
        ]}
        chosen={[given?.draw ?? NONE]}
        onChange={([draw]) =>
          onChange(draw === PHOTO ? pieceOf(figures[0]) : TILE_KINDS.find((one) => one.draw === draw)?.begins)
        }
      />
      {given?.draw === 'photo' && <TilePiece tile={given} figures={figures} onChange={onChange} />}
      {tile &&
        kind?.fields.map((field, i) => (
          <Disclosure key={field.field} title={`${field.label}: ${valueOf(tile, field) ?? 'as it comes'}`} open={i === 0}>
            <Words field={field} tile={tile} onChange={onChange} />
          </Disclosure>
        ))}
      {tile?.draw === 'bars' && <Lengths lengths={tile.lengths} onChange={(lengths) => onChange({ ...tile, lengths })} />}
      {tile?.draw === 'swatch' && (
        <Colours
          label="Colours"
          chosen={tile.colours}
          most={4}
          onChange={(colours) => colours.length > 0 && onChange({ ...tile, colours })}
        />
      )}
      {tile?.draw === 'swatch' && (
        <ChoiceGroup
          label="It is the colour"
          options={[
            { id: 'part', label: 'of a part: shown by itself' },
            { id: 'whole', label: 'of the whole: what is drawn beside it takes it' },
          ]}
          chosen={[tile.paints ? 'whole' : 'part']}
          onChange={([which]) =>
            onChange({ draw: 'swatch', colours: tile.colours, ...(which === 'whole' ? { paints: true } : {}) })
          }
        />
      )}
      {tile && tile.draw !== 'bars' && tile.draw !== 'swatch' && <Painted tile={tile} onChange={onChange} />}
    </Stack>
  );
}

type PaintedTile = Extract<DrawnTile, { colour?: unknown }>;

/** What is chosen of a field: as it is said, or where the shape has none of itself, the first of its words. */
const valueOf = (tile: DrawnTile, { field, own, words }: TileField): string | undefined =>
  (tile as Partial<Record<string, string>>)[field] ?? (own ? undefined : words[0]);

/** The words of a field, each drawn as the tile would be with it. */
function Words({ field, tile, onChange }: { field: TileField; tile: DrawnTile; onChange: Props['onChange'] }) {
  const value = valueOf(tile, field);
  const options = [...(field.own ? [undefined] : []), ...field.words];
  return (
    <Options label={field.label} gap="xs" across>
      {options.map((word) => {
        const told = word ?? 'as it comes';
        const on = word === value;
        const as = withField(tile, field.field, word);
        return (
          <TileOption key={told} on={on} label={told} shown={told} onPress={() => onChange(as)}>
            <PlateView plate={drawTile(as)} width={SIZE} height={SIZE} />
          </TileOption>
        );
      })}
    </Options>
  );
}

function Painted({ tile, onChange }: { tile: PaintedTile; onChange: Props['onChange'] }) {
  const one = (field: 'colour' | 'second') => (chosen: string[]) => onChange(withField(tile, field, chosen.at(-1)));
  return (
    <>
      <Colours label="Its colour" chosen={tile.colour ? [tile.colour] : []} onChange={one('colour')} />
      {tile.pattern && tile.pattern !== 'plain' && (
        <Colours label="Colour of the pattern" chosen={tile.second ? [tile.second] : []} onChange={one('second')} />
      )}
    </>
  );
}

const HEX = /^#[0-9a-f]{6}$/i;

/** Colours by their words; any other as hexadecimal digits. */
function Colours({
  label,
  chosen,
  most = 1,
  onChange,
}: {
  label: string;
  chosen: readonly string[];
  most?: number;
  onChange: (chosen: string[]) => void;
}) {
  const [problem, setProblem] = useState<string>();
  const press = (hex: string) =>
    onChange(chosen.includes(hex) ? chosen.filter((one) => one !== hex) : [...chosen, hex].slice(-most));
  const named = Object.entries(TILE_COLOURS).filter(([, hex], i, all) => all.findIndex(([, other]) => other === hex) === i);
  const other = chosen.filter((hex) => !named.some(([, known]) => known === hex));
  return (
    <Stack>
      <Options label={label} many gap="xs" across>
        <Text size="small" strong quiet wide="all">
          {label}
        </Text>
        {[...named, ...other.map((hex) => [hex, hex] as const)].map(([name, hex]) => {
          const on = chosen.includes(hex);
          return (
            <Option
              key={name}
              on={on}
              label={name}
              onPress={() => press(hex)}
              framed
              across
              oneLine
              align="center"
              gap="xs"
              touch
              padX="s"
              round="s"
            >
              <Box wide={26} tall={26} ruled="round" ruledIn="hairline" round="m" style={{ backgroundColor: hex }} />
              <Text size="small" strong={on}>
                {name}
              </Text>
            </Option>
          );
        })}
      </Options>
      <CommitField
        label={`${label}: another`}
        hint="As # and six hexadecimal digits, such as #7a5a3a."
        value=""
        maxLength={7}
        problem={problem}
        onCommit={(text) => {
          const hex = text.trim().toLowerCase();
          if (hex && !HEX.test(hex)) return setProblem('Write # and six digits from 0 to f, such as #7a5a3a.');
          setProblem(undefined);
          if (hex && !chosen.includes(hex)) press(hex);
        }}
      />
    </Stack>
  );
}

function Lengths({ lengths, onChange }: { lengths: readonly number[]; onChange: (lengths: number[]) => void }) {
  const [problem, setProblem] = useState<string>();
  return (
    <CommitField
      label="Lengths, one behind the other"
      hint="Two to four, in any one unit: 2 : 1 is twice as long as the other."
      value={lengths.join(' : ')}
      problem={problem}
      onCommit={(text) => {
        const read = lengthsFrom(text);
        setProblem(read ? undefined : 'Write two to four numbers from 0.01 to 1000, such as 2 : 1.');
        if (read) onChange(read);
      }}
    />
  );
}
