export * from './working';
export { CrossValidation, Ratio } from './learnedSchema';
export { type HereditySection } from './hereditySchema';
export { Guide, Judgement, ScoreValue, SourcePolicy } from './schema';
export { FacetName, Facets } from './terms';
export { PLAIN_FORMS, plainForm } from './plainForms';
export { fieldPath, readGuide } from './read';
export { unfolded } from '../shape';
