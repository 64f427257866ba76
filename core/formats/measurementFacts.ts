import Papa from 'papaparse';
import type { Measured } from '../measure';

/** What one line is made from. */
export interface MeasurementFact {
  id: string;
  /** The specimen it was measured on. */
  occurrence: string;
  /** The character, as its guide calls it. */
  type: string;
  value: Omit<Measured, 'quantity'>;
  /** How it was taken, in words. */
  method: string;
  by: string;
  /** ISO instant. */
  at: string;
  remarks?: string;
}

/** Columns, all of them terms of Darwin Core’s MeasurementOrFact (TDWG, 2023 quick reference). */
export const MEASUREMENT_TERMS = [
  'measurementID',
  'occurrenceID',
  'measurementType',
  'measurementValue',
  'measurementAccuracy',
  'measurementUnit',
  'measurementMethod',
  'measurementDeterminedBy',
  'measurementDeterminedDate',
  'measurementRemarks',
] as const;

/**
 * Measurements as Darwin Core’s measurement-or-fact. The accuracy is the standard error, in the
 * value's unit. Cells that a spreadsheet would run as a formula are made harmless.
 */
export function measurementsCsv(facts: readonly MeasurementFact[], { header = true } = {}): string {
  const lines = facts.map(({ id, occurrence, type, value, method, by, at, remarks }) => [
    `urn:uuid:${id}`,
    `urn:uuid:${occurrence}`,
    type,
    value.value,
    value.sd,
    value.unit,
    `${method}; measured ${value.n === 1 ? 'once' : `${value.n} times`}`,
    by,
    at,
    remarks ?? '',
  ]);
  return Papa.unparse(header ? [[...MEASUREMENT_TERMS], ...lines] : lines, { escapeFormulae: true, newline: '\r\n' });
}
