import { EarlierPath, EarlierState, PutBack, PutBackAnswer } from '../earlier';
import type { Endpoint } from './endpoint';

/** What records held before they were changed. */
export const earlierEndpoints = {
  earlier: {
    method: 'GET',
    path: '/api/earlier/:kind/:id/:version',
    summary: 'What a record held at a version, beside what it holds now; 404 where that was not kept.',
    params: EarlierPath,
    response: EarlierState,
  },
  putBack: {
    method: 'PUT',
    path: '/api/earlier/:kind/:id/:version',
    summary:
      'Write a record again as it was at a version: a new version, which passes the checks of any other. The names of a specimen stay, for they only grow; 409 with both sides when it has changed since the version seen.',
    params: EarlierPath,
    body: PutBack,
    response: PutBackAnswer,
  },
} as const satisfies Record<string, Endpoint>;
