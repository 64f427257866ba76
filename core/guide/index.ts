export * from './working';
export { FacetName, Facets, Guide, Handling, Rank, SourcePolicy } from './schema';
export { fieldPath, readGuide } from './read';
