import { HttpProblem } from '../http/errors';

/** Codes by which the network, the driver and PostgreSQL (its manual, appendix A) say that there is no connection now. */
const LOST = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOTFOUND',
  'EAI_AGAIN',
  '08000',
  '08001',
  '08003',
  '08004',
  '08006',
  '53300',
  '57P01',
  '57P02',
  '57P03',
]);

/** A statement that was stopped because it took too long. */
const STOPPED = '57014';

/** The same, where the driver says it in words only. */
const SAID =
  /connection terminated|timeout exceeded when trying to connect|timeout acquiring a connection|client has encountered a connection error/i;

/** Two were in each other’s way, and one of them was ended. */
const CROSSED = new Set(['40P01', '40001']);

const lost = () =>
  new HttpProblem(503, {
    code: 'database-lost',
    message: 'The station’s database cannot be reached just now. Nothing was saved; try again in a moment.',
  });

const tooSlow = () =>
  new HttpProblem(503, {
    code: 'too-slow',
    message: 'The database took too long over this and was stopped. Nothing was saved; ask for less, or try again.',
  });

const crossed = () =>
  new HttpProblem(503, {
    code: 'in-the-way',
    message: 'Somebody was changing the same at this moment. Nothing was saved; try again.',
  });

/** What an error of the database is to whoever asked: it will be there again; undefined where it is a fault. */
export function databaseProblem(error: unknown, depth = 0): HttpProblem | undefined {
  if (typeof error !== 'object' || error === null || depth > 5) return undefined;
  const {
    code,
    message = '',
    cause,
    errors = [],
  } = error as { code?: string; message?: string; cause?: unknown; errors?: unknown[] };
  if (code === STOPPED) return tooSlow();
  if (code !== undefined && CROSSED.has(code)) return crossed();
  if ((code !== undefined && LOST.has(code)) || SAID.test(message)) return lost();
  return [cause, ...errors].map((inner) => databaseProblem(inner, depth + 1)).find(Boolean);
}
