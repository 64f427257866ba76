import { z } from 'zod';
import { SetAnswer, SetAnswerWrite, SetList, SetResults, SetSource, SetView, SetWrite, SheetQuery } from '../sets';
import { byId, type Endpoint, MB } from './endpoint';

/** Sets of items that somebody gives to others, for a lesson or as a test. */
export const setEndpoints = {
  practiceSets: {
    method: 'GET',
    path: '/api/practice/sets',
    summary: 'Sets of items: those that are given, and for members all.',
    response: SetList,
  },
  practiceSet: {
    method: 'GET',
    path: '/api/practice/sets/:id',
    summary: 'A set as who takes it sees it: its items once it is begun, and one’s own answers.',
    params: byId,
    response: SetView,
  },
  practiceSetSource: {
    method: 'GET',
    path: '/api/practice/sets/:id/source',
    summary: 'A set as its teacher sees it: what its items are made from.',
    least: 'member',
    params: byId,
    response: SetSource,
  },
  writePracticeSet: {
    method: 'PUT',
    path: '/api/practice/sets/:id',
    summary: 'Make or change a set. Its items stay as they are once somebody has begun it.',
    params: byId,
    body: SetWrite,
    bytes: MB,
    response: SetSource,
  },
  beginPracticeSet: {
    method: 'POST',
    path: '/api/practice/sets/:id/begin',
    summary: 'Begin a set; from then on its time runs. Begun once, it goes on.',
    least: 'learner',
    params: byId,
    response: SetView,
  },
  answerPracticeSet: {
    method: 'POST',
    path: '/api/practice/sets/:id/answers',
    summary: 'Answer an item; the first answer counts. Of a lesson it is told what it was, of a test when its teacher says so.',
    least: 'learner',
    params: byId,
    body: SetAnswerWrite,
    response: SetAnswer,
  },
  practiceSetResults: {
    method: 'GET',
    path: '/api/practice/sets/:id/results',
    summary: 'How a set went: by learner, by item, and what was taken for what.',
    least: 'member',
    params: byId,
    response: SetResults,
  },
  exportPracticeSet: {
    method: 'GET',
    path: '/api/practice/sets/:id/results.csv',
    summary: 'Every answer to a set, a line each.',
    least: 'member',
    params: byId,
    response: z.unknown(),
    media: 'text/csv',
  },
  practiceSetSheet: {
    method: 'GET',
    path: '/api/practice/sets/:id/sheet.pdf',
    summary: 'A set to print: its pictures numbered, answers and reasons on the last page.',
    least: 'member',
    params: byId,
    query: SheetQuery,
    response: z.unknown(),
    media: 'application/pdf',
  },
} as const satisfies Record<string, Endpoint>;
