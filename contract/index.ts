export * as schemas from './schemas';
export type * from './schemas';
export { type Answer, type Asked, createClient, RequestProblem, urlOf } from './client';
export { conflictOf } from './conflict';
export { type Endpoint, type EndpointName, endpoints, type Endpoints } from './endpoints';
export { lenient } from './lenient';
export { sameContent } from './sameContent';
export { isHeic, LARGEST_PHOTO, NOT_HEIC, UPLOADS } from './uploads';
