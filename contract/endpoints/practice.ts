import { z } from 'zod';
import { AnswersRequest, AnswersTaken, ItemList, ItemsRequest, PhotoList, PracticeStanding } from '../practice';
import type { Endpoint } from './endpoint';

/** Practice: novel individuals whose truth is known. */
export const practiceEndpoints = {
  practiceItems: {
    method: 'POST',
    path: '/api/practice/items',
    summary: 'Novel individuals of a guide to be told apart, each with its truth; the same from the same seed.',
    asks: true,
    body: ItemsRequest,
    response: ItemList,
  },
  practiceAnswers: {
    method: 'POST',
    path: '/api/practice/answers',
    summary: 'Keep answers to items; each is scored by the item that its seed makes. The same answer twice is one.',
    least: 'learner',
    body: AnswersRequest,
    response: AnswersTaken,
  },
  practicePhotos: {
    method: 'GET',
    path: '/api/practice/photos',
    summary: 'Photographs of a guide’s specimens whose names are verified, to practise with.',
    query: z.strictObject({ guideId: z.uuid() }),
    response: PhotoList,
  },
  practiceStanding: {
    method: 'GET',
    path: '/api/practice/standing',
    summary: 'How one’s own practice stands: right and wrong, what was taken for what, how far one’s certainty can be relied on.',
    response: PracticeStanding,
  },
} as const satisfies Record<string, Endpoint>;
