export { type OccurrenceRecord, OCCURRENCE_TERMS, occurrencesCsv } from './darwinCore';
export { printGuide } from './plesionJson';
export { landmarksCsv, landmarksJson, type LandmarkRecord, landmarkTable, readTps, tpsTable, writeTps } from './landmarks';
export { type MeasurementFact, measurementsCsv } from './measurementFacts';
export { type MarkedPhoto, markedPhotoSvg } from './markedPhoto';
export {
  againRow,
  ARCHIVE_FILES,
  type ArchiveFile,
  archiveEml,
  archiveLines,
  archiveMeta,
  captureRows,
  eventRow,
  sensitiveTaxa,
} from './fieldArchive';
export { localityOf } from './locality';
export { seasonCsv, type SeasonRow } from './seasonFile';
export { auditCsv } from './auditLines';
export { setAnswersCsv } from './setAnswers';
