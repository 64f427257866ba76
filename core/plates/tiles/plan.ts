import type { DrawnTile } from '../../guide/tileSchema';
import { type Character, type Guide, isDrawnTile } from '../../guide/working';
import type { Ink, Plate } from '../display';
import type { Box } from '../geometry';
import type { Detail } from '../pen';
import type { Plan } from '../plan';
import type { Traits } from '../traits';
import { drawTile } from './draw';
import { type Piece, piecesOf } from './pieces';

/** What is needed of a guide to draw its forms by their tiles. */
export type TiledGuide = Pick<Guide, 'characters' | 'views'>;

const drawnBy = new WeakMap<object, Plan | null>();

/**
 * For a group without a body plan: a form is drawn by the tiles of its states, those of a view together. Undefined where the guide
 * has no tiles. Made once for each guide.
 */
export function tilesPlan(guide: TiledGuide): Plan | undefined {
  const known = drawnBy.get(guide) ?? planOf(guide);
  drawnBy.set(guide, known);
  return known ?? undefined;
}

function planOf({ characters, views }: TiledGuide): Plan | null {
  const tiled = characters.filter(({ states }) => states?.some(({ tile }) => isDrawnTile(tile)));
  if (tiled.length === 0) return null;
  const of = (view: string) => tiled.filter((character) => character.views.includes(view));
  const tileOf = ({ states }: Pick<Character, 'states'>, state: string | number | undefined): DrawnTile | undefined => {
    const tile = states?.find(({ id }) => id === state)?.tile;
    return isDrawnTile(tile) ? tile : undefined;
  };
  const shownIn = (traits: Traits, view: string) =>
    of(view).flatMap((character) => {
      const tile = tileOf(character, traits[character.id]);
      return tile ? [{ character, tile }] : [];
    });
  return {
    places: {},
    vocabulary: Object.fromEntries(
      tiled.map(({ id, states }) => [id, states!.flatMap((state) => (isDrawnTile(state.tile) ? [state.id] : []))]),
    ),
    // The view that shows most comes first: a form is shown by it where there is room for one.
    views: views
      .map(({ id }) => id)
      .filter((view) => of(view).length > 0)
      .sort((a, b) => of(b).length - of(a).length),
    draw: (traits, view, detail) => sideBySide(piecesOf(shownIn(traits, view)).slice(0, MOST[detail])),
    tile: (character, state) => {
      const own = tileOf(character, state);
      return own && drawTile(own);
    },
    measures: () => [],
    shows: (traits, view) => shownIn(traits, view).length > 0,
  };
}

/** So many drawings of a form there is room for. */
const MOST: Record<Detail, number> = { full: 12, thumb: 4, tile: 4, figure: 4 };

/** From one drawing to the next; every tile is smaller than that. Millimetres. */
const PITCH = 58;

/** Which part of a drawing shows a field, where it is drawn by itself. */
const PART_OF: Readonly<Record<string, string>> = { stalk: 'stalk', under: 'under', profile: 'cap', veins: 'veins' };

/** Where on a shape a field is to be looked for, in shares of it: so that lines to several of them part. */
const PLACE_OF: Readonly<Record<string, Box>> = {
  tip: { x: 0.4, y: 0, width: 0.2, height: 0.12 },
  base: { x: 0.4, y: 0.88, width: 0.2, height: 0.12 },
  margin: { x: 0.86, y: 0.3, width: 0.14, height: 0.24 },
  surface: { x: 0.18, y: 0.18, width: 0.24, height: 0.24 },
  pattern: { x: 0.4, y: 0.4, width: 0.2, height: 0.2 },
  painted: { x: 0.56, y: 0.62, width: 0.2, height: 0.2 },
};

/** What of a drawing shows some fields of it. */
function placeOf(fields: readonly string[], { box, parts }: Plate): Box {
  const part = fields.map((field) => PART_OF[field]).find((one) => one && parts[one]);
  if (part) return parts[part];
  const whole = parts.blade ?? parts.cap ?? parts.fin ?? box;
  const share = fields.map((field) => PLACE_OF[field]).find(Boolean);
  if (!share) return whole;
  const { x, y, width, height } = whole;
  return { x: x + share.x * width, y: y + share.y * height, width: share.width * width, height: share.height * height };
}

/** Drawings in rows, as nearly square as they come; what shows a character is a part called by it. Their sizes say nothing: there is no scale. */
function sideBySide(pieces: readonly Piece[]): Plate {
  const across = Math.max(1, Math.ceil(Math.sqrt(pieces.length)));
  const rows = Math.max(1, Math.ceil(pieces.length / across));
  const parts: Plate['parts'] = {};
  const inks = pieces.flatMap(({ tile, shows }, i) => {
    const drawn = drawTile(tile);
    const { box, inks: own } = drawn;
    // A row that is not full stands in the middle.
    const inRow = Math.min(across, pieces.length - Math.floor(i / across) * across);
    const dx = ((i % across) + (across - inRow) / 2) * PITCH + (PITCH - box.width) / 2 - box.x;
    const dy = Math.floor(i / across) * PITCH + (PITCH - box.height) / 2 - box.y;
    for (const { character, fields } of shows) {
      const part = placeOf(fields, drawn);
      parts[character] = { ...part, x: part.x + dx, y: part.y + dy };
    }
    return own.map((ink): Ink => ({ ...ink, d: moved(ink.d, dx, dy) }));
  });
  return { box: { x: 0, y: 0, width: across * PITCH, height: rows * PITCH }, inks, parts, unscaled: true };
}

/** A path elsewhere: of the commands of plates only M says where it is, all others go on from there. */
function moved(d: string, dx: number, dy: number): string {
  const [x, y] = [Math.round(dx * 100), Math.round(dy * 100)];
  return d.replace(/M(-?\d+) ?(-?\d+)/g, (_, px: string, py: string) => {
    const [mx, my] = [Number(px) + x, Number(py) + y];
    return `M${mx}${my < 0 ? '' : ' '}${my}`;
  });
}
