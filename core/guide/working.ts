/**
 * What reasoning and drawing need of a guide that was read already. The parser of
 * the schema is not among it, so that a worker need not carry it.
 */
export type {
  Character,
  FacetName,
  Facets,
  Guide,
  Handling,
  Occurrence,
  Rank,
  Scope,
  Score,
  ScoreValue,
  Settings,
  SourcePolicy,
  Taxon,
} from './schema';
export * from './vocabulary';
export { DEFAULT_WORDS, FREQUENCY_WORDS, type FrequencyWord, frequencyNumber, spreadFrequencies } from './words';
export * from './ranges';
export { curveAt, dayOfYear, withinDates } from './dates';
export { type Form, formId, formsOf, hasFacets, lineage, taxonAtRank, taxonIndex } from './forms';
export { checkGuide, isStates, isValue } from './check';
export { type CompiledGuide, compileGuide, frequenciesOf, holdsIn, type Setting, stateIds } from './compile';
export { PRIOR_PARTS, type PriorPart, priorBits, type PriorSetting } from './prior';
export {
  misreadingMatrix,
  type Resolved,
  type StatesTable,
  statesTable,
  type Table,
  type ValuesTable,
  valuesTable,
} from './tables';
