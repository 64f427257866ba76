import { guidesEndpoints } from './endpoints/guides';
import { keysEndpoints } from './endpoints/keys';
import { measureEndpoints } from './endpoints/measure';
import { specimensEndpoints } from './endpoints/specimens';
import { stationEndpoints } from './endpoints/station';

export type { Endpoint } from './endpoints/endpoint';

/** The wire: everything the server answers, and with what. */
export const endpoints = {
  ...stationEndpoints,
  ...guidesEndpoints,
  ...keysEndpoints,
  ...specimensEndpoints,
  ...measureEndpoints,
};

export type Endpoints = typeof endpoints;
export type EndpointName = keyof Endpoints;
