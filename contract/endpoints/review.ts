import { Desk, DeskQuery, Review, ReviewList, ReviewQuery, ReviewWrite, WantedViews } from '../review';
import { byId, type Endpoint } from './endpoint';

/** What reviewers say of the names that others gave. */
export const reviewEndpoints = {
  desk: {
    method: 'GET',
    path: '/api/reviews/desk',
    summary: 'Named records that wait for a reviewer, the most worth a look first: thirty at once.',
    least: 'reviewer',
    query: DeskQuery,
    response: Desk,
  },
  viewsWanted: {
    method: 'GET',
    path: '/api/reviews/wanted',
    summary: 'Views that reviewers need of the records of whoever asks this, the newest first.',
    response: WantedViews,
  },
  reviews: {
    method: 'GET',
    path: '/api/reviews',
    summary: 'What reviewers said of a specimen’s names, the newest first.',
    query: ReviewQuery,
    response: ReviewList,
  },
  review: {
    method: 'POST',
    path: '/api/reviews',
    summary:
      'Say what one makes of the newest name of a specimen; another name is added to its history. The same one twice is one.',
    least: 'reviewer',
    body: ReviewWrite,
    response: Review,
    status: 201,
  },
  withdrawReview: {
    method: 'DELETE',
    path: '/api/reviews/:id',
    summary: 'Take back what one said: the record waits again, and has the name again that it had.',
    least: 'reviewer',
    params: byId,
    response: Review,
  },
} as const satisfies Record<string, Endpoint>;
