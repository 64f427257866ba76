import type { ProblemBody } from '@plesion/contract';
import type { Problem } from '@plesion/core';
import { fieldPath } from '@plesion/core/guide';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import type { ZodError } from 'zod';
import { LONGEST_NAME } from './names';

/** Thrown by services; becomes the answer with its status. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly body: ProblemBody & Record<string, unknown>,
  ) {
    super(body.message);
  }
}

export const notFound = (what: string) =>
  new HttpProblem(404, { code: 'not-found', message: `There is no such ${what} in this station.` });

export const signedOut = () => new HttpProblem(401, { code: 'signed-out', message: 'Sign in first.' });

/** Both sides of a write that was not made from what is stored. */
export const staleVersion = (what: string, stored: unknown, sent: unknown) =>
  new HttpProblem(409, {
    code: 'stale-version',
    message: `This ${what} was changed elsewhere since you opened it. Nothing was saved; choose which to keep.`,
    field: 'version',
    stored,
    sent,
  });

/** Several problems as one answer, headed by the first. */
export function badRequest(problems: readonly Problem[]): HttpProblem {
  const [first] = problems;
  return new HttpProblem(400, { ...first, ...(problems.length > 1 ? { problems: [...problems] } : {}) });
}

export function badShape(error: ZodError, root: string): HttpProblem {
  return badRequest(
    error.issues.slice(0, 20).map((issue) => {
      const unknown = issue.code === 'unrecognized_keys' ? [issue.keys[0]] : [];
      const path = [...issue.path, ...unknown].map((part) => (typeof part === 'string' ? part.slice(0, LONGEST_NAME) : part));
      const field = fieldPath(path) || root;
      return { code: 'bad-shape', message: `${field}: ${issue.message}.`, field };
    }),
  );
}

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
  (error, _request, response, next) => {
    if (response.headersSent) return next(error);
    // What a handler said of the answer it meant to give does not hold for this one.
    response.removeHeader('content-disposition');
    response.set('cache-control', 'no-store').type('json');
    if (error instanceof HttpProblem) return void response.status(error.status).json(error.body);
    const refused = refusal(error);
    if (refused) {
      const { status, ...body } = refused;
      return void response.status(status).json(body);
    }
    log.error(error);
    response
      .status(500)
      .json({ code: 'server-failed', message: 'Something failed in the server. Nothing was saved; try again.' });
  };
