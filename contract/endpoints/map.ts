import { BaseMapView, BaseMapWrite, PlacedList } from '../map';
import { MB, type Endpoint } from './endpoint';

/** Records by place. */
export const mapEndpoints = {
  places: {
    method: 'GET',
    path: '/api/places',
    summary:
      'How many captures and specimens of each kind there are at each place in each month; coordinates are rounded to 0.0001 degrees.',
    response: PlacedList,
  },
  baseMap: {
    method: 'GET',
    path: '/api/base-map',
    summary: 'The ground that records are drawn on, as GeoJSON.',
    response: BaseMapView,
  },
  writeBaseMap: {
    method: 'POST',
    path: '/api/base-map',
    summary: 'Put a ground of the station’s own in its place, or none to have the isles again.',
    least: 'keeper',
    body: BaseMapWrite,
    bytes: 8 * MB,
    response: BaseMapView,
  },
} as const satisfies Record<string, Endpoint>;
