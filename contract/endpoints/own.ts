import { CorrectionProposed, CorrectionWrite, OwnQuery, OwnView, OwnWrite } from '../own';
import { byId, type Endpoint } from './endpoint';

/** The station's own records as a source of a guide. */
export const ownEndpoints = {
  ownRecords: {
    method: 'GET',
    path: '/api/guides/:id/own',
    summary: 'What the station’s verified records say of a guide’s scores, beside the books and together with them.',
    params: byId,
    query: OwnQuery,
    response: OwnView,
  },
  followOwnRecords: {
    method: 'POST',
    path: '/api/guides/:id/own',
    summary: 'Make them, as they are now, a source of the guide, or take them away: a new version of it.',
    params: byId,
    body: OwnWrite,
    response: OwnView,
  },
  proposeCorrection: {
    method: 'POST',
    path: '/api/guides/:id/own/corrections',
    summary: 'Write what both come to on one mark into the next version of the guide, which nobody has published yet.',
    params: byId,
    body: CorrectionWrite,
    response: CorrectionProposed,
  },
} as const satisfies Record<string, Endpoint>;
