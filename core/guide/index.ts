export * from './working';
export { CrossValidation, FacetName, Facets, Guide, Handling, Rank, Ratio, ScoreValue, SourcePolicy } from './schema';
export { fieldPath, readGuide } from './read';
