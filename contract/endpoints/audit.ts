import { AuditFilter, AuditList, AuditQuery } from '../audit';
import { z } from 'zod';
import type { Endpoint } from './endpoint';

/** Who did what, when, to which record. */
export const auditEndpoints = {
  audit: {
    method: 'GET',
    path: '/api/audit',
    summary: 'Who did what, when, to which record, the newest first; lines are added and never changed.',
    query: AuditQuery,
    response: AuditList,
  },
  auditCsv: {
    method: 'GET',
    path: '/api/audit.csv',
    summary: 'The same as CSV, the newest 50,000 lines.',
    query: AuditFilter,
    response: z.unknown(),
    media: 'text/csv',
  },
} as const satisfies Record<string, Endpoint>;
