import Papa from 'papaparse';

/** One line of who did what. */
export interface AuditedLine {
  at: string;
  by: string;
  device?: string;
  act: string;
  kind: string;
  id: string;
  version?: number;
  fields: readonly string[];
}

const TERMS = ['at', 'by', 'device', 'act', 'kind', 'record', 'version', 'fields'];

/** Who did what as CSV (RFC 4180); cells that a spreadsheet would run as a formula are made harmless. */
export const auditCsv = (lines: readonly AuditedLine[]): string =>
  Papa.unparse(
    [
      TERMS,
      ...lines.map(({ at, by, device, act, kind, id, version, fields }) =>
        [at, by, device ?? '', act, kind, id, version ?? '', fields.join(' | ')],
      ),
    ],
    { escapeFormulae: true, newline: '\r\n' },
  );
