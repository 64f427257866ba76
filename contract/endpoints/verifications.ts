import { CalibrationQuery, CalibrationView, HitRatesView } from '../calibration';
import {
  OverturnedList,
  OverturnedQuery,
  Attachment,
  AttachmentHash,
  AttachmentQuery,
  Verification,
  VerificationList,
  VerificationQuery,
  VerificationWrite,
} from '../verifications';
import { z } from 'zod';
import { byId, type Endpoint } from './endpoint';

/** How it turned out what specimens were. */
export const verificationEndpoints = {
  verifications: {
    method: 'GET',
    path: '/api/verifications',
    summary:
      'What a specimen, the bearer of a mark or an individual turned out to be, the newest first; what was taken back stays among them.',
    query: VerificationQuery,
    response: VerificationList,
  },
  verify: {
    method: 'POST',
    path: '/api/verifications',
    summary:
      'Say what a specimen, the bearer of a mark or an individual turned out to be, and by what it is known. The same one twice is one.',
    body: VerificationWrite,
    response: Verification,
    status: 201,
  },
  addAttachment: {
    method: 'POST',
    path: '/api/attachments',
    summary: 'Keep a file of any kind that shows how something turned out, once for its content; a verification names it.',
    upload: 'file',
    response: Attachment,
    status: 201,
  },
  attachment: {
    method: 'GET',
    path: '/api/attachments/:hash',
    summary: 'Such a file as it was sent, to be kept and not shown, under the name it is asked for by.',
    params: z.strictObject({ hash: AttachmentHash }),
    query: AttachmentQuery,
    response: z.unknown(),
    media: 'application/octet-stream',
  },
  withdrawVerification: {
    method: 'DELETE',
    path: '/api/verifications/:id',
    summary: 'Take a verification back: it stays to be read, and counts no more.',
    params: byId,
    response: Verification,
  },
  calibration: {
    method: 'GET',
    path: '/api/calibration',
    summary: 'How far the names of the station can be relied on, by those of which it is known what they were.',
    query: CalibrationQuery,
    response: CalibrationView,
  },
  hitRates: {
    method: 'GET',
    path: '/api/hit-rates',
    summary: 'How often each mark, person and guide turned out right, the ones that mislead most first.',
    query: CalibrationQuery,
    response: HitRatesView,
  },
  overturned: {
    method: 'GET',
    path: '/api/overturned',
    summary: 'Calls of a guide that were overturned, the newest first: to be warned by when their pattern returns.',
    query: OverturnedQuery,
    response: OverturnedList,
  },
} as const satisfies Record<string, Endpoint>;
