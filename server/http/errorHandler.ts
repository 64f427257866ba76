import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { databaseProblem } from '../database/lost';
import { HttpProblem } from './errors';

/** What a person can do about it, for what HTTP's own parts refuse. */
const REFUSED: Record<string, { status: number; code: string; message: string; field?: string }> = {
  'entity.parse.failed': { status: 400, code: 'bad-json', message: 'The body is not JSON.', field: 'body' },
  'charset.unsupported': {
    status: 415,
    code: 'bad-charset',
    message: 'The body is in a character set that is not read here; send it as UTF-8.',
    field: 'body',
  },
  'encoding.unsupported': {
    status: 415,
    code: 'bad-encoding',
    message: 'The body is packed in a way that is not read here; send it plain, or packed with gzip.',
    field: 'body',
  },
  'request.aborted': { status: 400, code: 'cut-short', message: 'The request was cut short; send it again.', field: 'body' },
  'request.size.invalid': {
    status: 400,
    code: 'cut-short',
    message: 'The body is not as long as it says; send it again.',
    field: 'body',
  },
};

const NOT_THERE = { status: 404, code: 'not-found', message: 'There is nothing at this address.' };
const NOT_UNDERSTOOD = {
  status: 400,
  code: 'bad-request',
  message: 'This request cannot be understood; check its address and its headers.',
};

/** How HTTP's own parts say that a request is not in order; undefined where the fault is the server's. */
function refusal(error: unknown) {
  const { type = '', status, statusCode } = error as { type?: string; status?: number; statusCode?: number };
  const said = status ?? statusCode ?? 500;
  return REFUSED[type] ?? (said === 404 ? NOT_THERE : said >= 400 && said < 500 ? NOT_UNDERSTOOD : undefined);
}

/** The last stop: known problems as they are, what HTTP's parts refuse by name, anything else as 500 and in the log. */
export const errorHandler =
  (log: Logger): ErrorRequestHandler =>
  (error, request, response, next) => {
    if (response.headersSent) return next(error);
    // What a handler said of the answer it meant to give does not hold for this one.
    response.removeHeader('content-disposition');
    response.set('cache-control', 'no-store').type('json');
    const unreachable = databaseProblem(error);
    if (unreachable) log.warn({ code: unreachable.body.code }, 'the database does not answer');
    const problem = error instanceof HttpProblem ? error : unreachable;
    if (problem) {
      if (problem.status === 429 || problem.status === 503) response.set('retry-after', '2');
      return void response.status(problem.status).json(problem.body);
    }
    const refused = refusal(error);
    if (refused) {
      const { status, ...body } = refused;
      return void response.status(status).json(body);
    }
    const requestId = request.id === undefined ? undefined : String(request.id);
    log.error({ requestId, err: error as Error }, 'a request failed');
    response.status(500).json({
      code: 'server-failed',
      message: 'Something failed in the server. Nothing was saved; try again.',
      ...(requestId ? { requestId } : {}),
    });
  };
