/**
 * What reasoning and drawing need of a guide that was read already. The parser of
 * the schema is not among it, so that a worker need not carry it.
 */
export type {
  Character,
  Guide,
  Handling,
  Hazard,
  Eye,
  Judgement,
  Occurrence,
  Rank,
  Scope,
  Score,
  ScoreValue,
  Settings,
  Source,
  SourcePolicy,
  Taxon,
  Term,
} from './schema';
export type { Treatment, Union } from './judgementSchema';
export type { CatchCheck, CatchCondition, FieldSection } from './fieldSchema';
export type { Line, Protocol, Quantity, Shape } from './protocolSchema';
export { landmarksIn } from './landmarks';
export type { Block, CrossValidation, Learned, Ratio } from './learnedSchema';
export type { Figure } from './figureSchema';
export type { FacetName, Facets } from './terms';
export type { DrawnTile, Tile, TileOf } from './tileSchema';
export * from './vocabulary';
export * from './names';
export { sayFacets } from './sayFacets';
export { idsFor } from './ids';
export { DEFAULT_WORDS, type FrequencyWord, frequencyNumber, spreadFrequencies } from './words';
export * from './ranges';
export { regionAt } from './regionAt';
export { curveAt, dayOfYear, MONTHS, sayMonthDay, SHORT_MONTHS, withinDates } from './dates';
export {
  facetsAgree,
  type Form,
  formsOf,
  hasFacets,
  isFormOf,
  isUnder,
  lineage,
  placesOf,
  taxonAtRank,
  taxonIndex,
} from './forms';
export { isSensitive } from './sensitive';
export { checkGuide, isStates, isValue } from './check';
export { GREATEST, LEAST } from './checkNumbers';
export { type CompiledGuide, compileGuide, frequenciesOf, keepNewest, tableUnder } from './compile';
export { type CharacterByEye, compiledFor, guideByHash, knownGuide } from './compiled';
export { type CompiledBlock } from './blocks';
export { withCross } from './crosses';
export { type Disagreement, disagreementsOf } from './disagreements';
export { countFrequencies, stateIds } from './resolve';
export { holdsIn, type OutOfScope, outOfScopeBy, type Setting } from './scopes';
export { type TermRun, termsIn } from './glossary';
export { findTaxa, type Found, sayOtherName } from './search';
export { figuresOf, photosOf } from './figures';
export { sayLicence } from './licences';
export { plainText } from './plainText';
export { isDrawnTile, shownAt } from './shownAt';
export { type Naming, namingOf } from './treatments';
export { priorBits, type PriorSetting } from './prior';
export {
  frequencyAt,
  likelihoodAt,
  misreadingMatrix,
  reliabilityOf,
  type Resolved,
  type StatesTable,
  statesTable,
  type Table,
  type ValuesTable,
  valuesTable,
} from './tables';
