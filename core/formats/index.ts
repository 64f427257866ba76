export { type OccurrenceRecord, OCCURRENCE_TERMS, occurrencesCsv } from './darwinCore';
export { printGuide } from './plesionJson';
export { stableJson } from './stableJson';
