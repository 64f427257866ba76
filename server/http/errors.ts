import type { ProblemBody } from '@plesion/contract';
import type { Role } from '@plesion/contract/roles';
import type { Problem } from '@plesion/core';
import { fieldPath, unfolded } from '@plesion/core/guide';
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

export const notAllowed = () =>
  new HttpProblem(403, { code: 'not-allowed', message: 'This API token does not allow that. Make one that does, or sign in.' });

export const notYourRole = (least: Role) =>
  new HttpProblem(403, {
    code: 'not-your-role',
    message: `That is for ${least === 'keeper' ? 'keepers' : `${least}s and up`} of the station. Ask a keeper to make you one.`,
  });

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
    unfolded(error.issues, 20).map((issue) => {
      const unknown = issue.code === 'unrecognized_keys' ? [issue.keys[0]] : [];
      const path = [...issue.path, ...unknown].map((part) => (typeof part === 'string' ? part.slice(0, LONGEST_NAME) : part));
      const field = fieldPath(path) || root;
      return { code: 'bad-shape', message: `${field}: ${issue.message}.`, field };
    }),
  );
}
