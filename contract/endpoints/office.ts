import { OfficeFile, OfficeFileRequest, OfficeView } from '../office';
import { byId, type Endpoint } from './endpoint';

/** The ringing office that a station reports to. */
export const officeEndpoints = {
  office: {
    method: 'GET',
    path: '/api/office',
    summary: 'What was reported to the ringing office, its receipts and errors, and the recoveries that it sent back.',
    response: OfficeView,
  },
  reportSeason: {
    method: 'POST',
    path: '/api/office/files',
    least: 'keeper',
    summary:
      'Make the file of a year’s rings and report it; the same content again is the same file. It waits where the office is away.',
    body: OfficeFileRequest,
    response: OfficeFile,
  },
  reportAgain: {
    method: 'POST',
    path: '/api/office/files/:id/send',
    least: 'keeper',
    summary: 'Try now to send a file that waits.',
    params: byId,
    response: OfficeFile,
  },
  fetchRecoveries: {
    method: 'POST',
    path: '/api/office/recoveries',
    least: 'keeper',
    summary: 'Ask the office now for recoveries.',
    response: OfficeView,
  },
} as const satisfies Record<string, Endpoint>;
