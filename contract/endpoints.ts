import { everyday } from './endpoints/everyday';
import { fieldworkEndpoints } from './endpoints/fieldwork';
import { importEndpoints } from './endpoints/import';
import { mapEndpoints } from './endpoints/map';
import { officeEndpoints } from './endpoints/office';

export type { Endpoint } from './endpoints/endpoint';

/** The wire: everything the server answers, and with what. */
export const endpoints = { ...everyday, ...fieldworkEndpoints, ...importEndpoints, ...officeEndpoints, ...mapEndpoints };

export type Endpoints = typeof endpoints;
export type EndpointName = keyof Endpoints;
