import type { DrawnTile } from '../../guide/tileSchema';
import type { Character } from '../../guide/working';

/** The tile of one state that a form shows. */
export interface Shown {
  character: Pick<Character, 'id' | 'states'>;
  tile: DrawnTile;
}

/** One drawing, and the characters it shows, each with the fields by which its states differ. */
export interface Piece {
  tile: DrawnTile;
  shows: { character: string; fields: readonly string[] }[];
}

/** What one drawing can show together: a shape with its outline, edge and pattern, not two lengths. */
const TOGETHER: ReadonlySet<DrawnTile['draw']> = new Set(['blade', 'cap', 'fin']);

/** What is shown as well on a shape of another kind: the spots of a cap from above on the cap from the side. */
const ON_ANY: Partial<Record<DrawnTile['draw'], readonly string[]>> = {
  blade: ['pattern', 'second', 'colour', 'surface'],
  cap: ['pattern', 'second', 'colour', 'surface'],
  fin: ['pattern', 'second', 'colour'],
};

/**
 * Tiles of a form put together: where the states of one character differ in their tip and those of another in their margin, both are
 * shown of one blade. What two characters would say of the same field stands apart, and so do lengths and colours; but a colour that
 * paints, paints what stands beside it.
 */
export function piecesOf(shown: readonly Shown[]): Piece[] {
  const pieces: Piece[] = [];
  const paints: Shown[] = [];
  for (const one of shown) {
    const { character, tile } = one;
    if (tile.draw === 'swatch' && tile.paints) {
      paints.push(one);
      continue;
    }
    const fields = differing(character);
    const free = pieces.filter(
      ({ shows }) =>
        fields.length > 0 &&
        shows.every((other) => other.fields.length > 0 && !other.fields.some((field) => fields.includes(field))),
    );
    const beside = TOGETHER.has(tile.draw)
      ? (free.find((piece) => piece.tile.draw === tile.draw) ??
        free.find((piece) => fields.every((field) => ON_ANY[piece.tile.draw]?.includes(field))))
      : undefined;
    if (beside) {
      beside.tile = { ...beside.tile, ...only(tile, fields) };
      beside.shows.push({ character: character.id, fields });
    } else pieces.push({ tile, shows: [{ character: character.id, fields }] });
  }
  for (const { character, tile } of paints) {
    const painted = pieces.find(
      (piece) => TOGETHER.has(piece.tile.draw) && !piece.shows.some(({ fields }) => fields.includes('painted')),
    );
    if (!painted || tile.draw !== 'swatch') {
      pieces.push({ tile, shows: [{ character: character.id, fields: [] }] });
      continue;
    }
    painted.tile = { ...painted.tile, colour: tile.colours[0] } as DrawnTile;
    painted.shows.push({ character: character.id, fields: ['painted'] });
  }
  return pieces;
}

/** By which fields the tiles of a character differ; none where they are of several kinds, or there is but one. */
function differing({ states }: Shown['character']): string[] {
  const tiles = (states ?? []).flatMap(({ tile }) => tile ?? []) as Record<string, unknown>[];
  if (new Set(tiles.map(({ draw }) => draw)).size !== 1) return [];
  const names = new Set(tiles.flatMap((tile) => Object.keys(tile)));
  return [...names].filter((name) => tiles.some((tile) => tile[name] !== tiles[0][name]));
}

const only = (tile: DrawnTile, fields: readonly string[]): Record<string, unknown> =>
  Object.fromEntries(fields.map((field) => [field, (tile as Record<string, unknown>)[field]]));
