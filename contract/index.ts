export * as schemas from './schemas';
export type * from './schemas';
export { type Answer, type Asked, addressOf, createClient, RequestProblem, urlOf } from './client';
export { conflictOf } from './conflict';
export type { Endpoint, EndpointName, Endpoints } from './endpoints';
export type * from './fieldwork';
export { lenient } from './lenient';
export { sameContent } from './sameContent';
export { isHeic, LARGEST_PHOTO, NOT_HEIC, UPLOADS } from './uploads';
