import { AnswerList, AnswerQuery, AnswerWrite, StockAnswer } from '../answers';
import { byId, type Endpoint, nothing } from './endpoint';

/** What the station answers where one taxon is taken for another. */
export const answerEndpoints = {
  stockAnswers: {
    method: 'GET',
    path: '/api/answers',
    summary: 'The stock answers of a guide, and common misnamings that have none yet.',
    query: AnswerQuery,
    response: AnswerList,
  },
  writeStockAnswer: {
    method: 'PUT',
    path: '/api/answers/:id',
    summary: 'Write the answer to a misnaming; one that there was before gives way.',
    params: byId,
    body: AnswerWrite,
    response: StockAnswer,
  },
  removeStockAnswer: {
    method: 'DELETE',
    path: '/api/answers/:id',
    summary: 'Remove a stock answer.',
    params: byId,
    response: nothing,
  },
} as const satisfies Record<string, Endpoint>;
