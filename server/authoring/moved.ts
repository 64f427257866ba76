import { HttpProblem } from '../http/errors';

/** What was looked at is not what is there any more. */
export const moved = (what: string, field: string, then = '') =>
  new HttpProblem(409, {
    code: 'draft-moved',
    message: `Somebody changed the ${what} meanwhile. Look at it once more${then}.`,
    field,
  });
