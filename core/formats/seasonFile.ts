import Papa from 'papaparse';
import type { CaptureContent } from '../fieldwork';
import { localityOf } from './locality';

/** Columns of the file that a ringing office takes, one line for each time that a ring was put on, met or lost. */
const SEASON_COLUMNS = [
  'record',
  'ring',
  'what',
  'at',
  'site',
  'latitude',
  'longitude',
  'kind',
  'age',
  'sex',
  'mass',
  'people',
  'generalised',
] as const;

export interface SeasonRow {
  id: string;
  capture: Pick<CaptureContent, 'mark' | 'what' | 'at' | 'age' | 'sex' | 'mass' | 'position'>;
  site: { name: string; position?: { latitude: number; longitude: number } };
  kind: string;
  people: readonly string[];
  /** Degrees to which its place is rounded, where it is not told precisely. */
  grid?: number;
}

/** Lines of a season's file; degrees are WGS 84, mass is in g. Cells that a spreadsheet would run are made harmless. */
export function seasonCsv(rows: readonly SeasonRow[]): string {
  const lines = rows.map(({ id, capture, site, kind, people, grid }) => {
    const at = capture.position ?? site.position;
    const place = localityOf({ place: site.name, latitude: at?.latitude, longitude: at?.longitude }, grid);
    return [
      id,
      capture.mark ?? '',
      capture.what,
      capture.at,
      place.locality ?? '',
      place.decimalLatitude ?? '',
      place.decimalLongitude ?? '',
      kind,
      capture.age?.code ?? '',
      capture.sex ?? '',
      capture.mass ?? '',
      people.join(' | '),
      place.dataGeneralizations ?? '',
    ];
  });
  return `${Papa.unparse([[...SEASON_COLUMNS], ...lines], { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}
