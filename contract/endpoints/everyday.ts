import { guidesEndpoints } from './guides';
import { keysEndpoints } from './keys';
import { measureEndpoints } from './measure';
import { specimensEndpoints } from './specimens';
import { stationEndpoints } from './station';

/** What every page may ask: the shapes of fieldwork are loaded with its own pages only. */
export const everyday = {
  ...stationEndpoints,
  ...guidesEndpoints,
  ...keysEndpoints,
  ...specimensEndpoints,
  ...measureEndpoints,
};
export type EverydayName = keyof typeof everyday;
