import type { ProblemBody } from '@plesion/contract';
import type { Problem } from '@plesion/core';
import { fieldPath } from '@plesion/core/guide';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import type { ZodError } from 'zod';

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
      const field = fieldPath([...issue.path, ...unknown]) || root;
      return { code: 'bad-shape', message: `${field}: ${issue.message}.`, field };
    }),
  );
}

/** The last stop: known problems as they are, broken JSON and size by name, anything else as 500 and in the log. */
export const errorHandler =
  (log: Logger): ErrorRequestHandler =>
  (error, _request, response, next) => {
    if (response.headersSent) return next(error);
    if (error instanceof HttpProblem) return void response.status(error.status).json(error.body);
    if (error?.type === 'entity.parse.failed') {
      return void response.status(400).json({ code: 'bad-json', message: 'The body is not JSON.', field: 'body' });
    }
    if (error?.type === 'entity.too.large') {
      return void response
        .status(413)
        .json({ code: 'too-large', message: 'That is more than 16 MB; send less at once.', field: 'body' });
    }
    log.error(error);
    response
      .status(500)
      .json({ code: 'server-failed', message: 'Something failed in the server. Nothing was saved; try again.' });
  };
