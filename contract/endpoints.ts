import { everyday } from './endpoints/everyday';
import { fieldworkEndpoints } from './endpoints/fieldwork';

export type { Endpoint } from './endpoints/endpoint';

/** The wire: everything the server answers, and with what. */
export const endpoints = { ...everyday, ...fieldworkEndpoints };

export type Endpoints = typeof endpoints;
export type EndpointName = keyof Endpoints;
