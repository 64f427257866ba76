import type { Character, Guide } from './schema';
import type { DrawnTile, Tile } from './tileSchema';

/** Is it drawn, not cut out of a photograph? */
export const isDrawnTile = (tile: Tile | undefined): tile is DrawnTile => tile !== undefined && tile.draw !== 'photo';

/**
 * Which part of which plate shows a character: as the guide says; of a guide without a body plan, its own tile, in the first view
 * it is seen from, or in the one asked about. Undefined for what no plate shows, or not that view's.
 */
export function shownAt(
  { plan }: Pick<Guide, 'plan'>,
  { id, plate, states, views }: Pick<Character, 'id' | 'plate' | 'states' | 'views'>,
  view = plate?.view ?? views[0],
): Character['plate'] {
  const tiled = !plan && views.includes(view) && states?.some(({ tile }) => isDrawnTile(tile));
  const shown = plate ?? (tiled ? { view, part: id } : undefined);
  return shown?.view === view ? shown : undefined;
}
