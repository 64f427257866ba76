export { type OccurrenceRecord, OCCURRENCE_TERMS, occurrencesCsv } from './darwinCore';
export { printGuide } from './plesionJson';
