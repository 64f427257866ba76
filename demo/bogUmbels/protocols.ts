import type { Protocol } from '@plesion/core/guide';
import { countOf, edgeOf, formOf, lengthOf, ratioOf } from '../protocols';

/** How each measured character is taken on a photo. */
export const protocols: Record<string, Protocol> = {
  height: lengthOf('habit', ['the ground', 'highest point']),
  'leaflet-ratio': ratioOf(
    'leaf',
    ['left edge of the end leaflet at its widest', 'right edge there'],
    ['foot of the end leaflet', 'its tip'],
  ),
  'fruit-ratio': ratioOf(
    'fruit',
    ['foot of the fruit', 'its upper end, styles left out'],
    ['left edge at its widest', 'right edge there'],
  ),
  rays: countOf('umbel', 'each stalk of the top umbel'),
  'leaflet-shape': formOf(
    'leaf',
    'all around the end leaflet, begun at its foot; teeth and lobes are passed over',
    ['a wedge', 'a lance'],
    [
      { state: 'wedge', to: 0.36 },
      { state: 'oval', from: 0.26, to: 0.76 },
      { state: 'lance', from: 0.7 },
    ],
  ),
  'leaflet-edge': edgeOf('leaf', 'raggedness', 'edge of one leaflet, from its foot to its tip', [
    { state: 'entire', to: 1.05 },
    { state: 'toothed', from: 1.04, to: 1.3 },
    { state: 'lobed', from: 1.2 },
  ]),
};
