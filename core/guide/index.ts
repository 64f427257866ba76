export * from './working';
export { CrossValidation, Ratio } from './learnedSchema';
export { Guide, Handling, Judgement, ScoreValue, SourcePolicy } from './schema';
export { FacetName, Facets } from './terms';
export { fieldPath, readGuide } from './read';
