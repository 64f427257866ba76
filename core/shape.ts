import { z } from 'zod';

type Issue = z.core.$ZodRawIssue;

const TYPES: Record<string, string> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  tuple: 'a list',
  object: 'an object',
  record: 'an object',
  null: 'null',
};

const FORMATS: Record<string, string> = {
  date: 'should be a date such as 2026-05-12',
  datetime: 'should be an instant such as 2026-05-12T10:00:00Z',
  uuid: 'is not an id',
  guid: 'is not an id',
};

/** Choices named in a sentence, and how long one may be. */
const MOST_CHOICES = 12;

/**
 * What is wrong with the shape of something, as the end of a sentence that begins with
 * its field: "readings[0].value should be a number". Nothing of what was sent is repeated.
 */
export function sayIssue(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      if (issue.input === undefined) return 'is missing';
      return `should be ${TYPES[issue.expected] ?? 'something else'}`;
    case 'too_small':
      return tooSmall(Number(issue.minimum), String(issue.origin), issue.inclusive ?? true);
    case 'too_big':
      return tooBig(Number(issue.maximum), String(issue.origin), issue.inclusive ?? true);
    case 'invalid_value':
      return issue.values.length === 1
        ? `should be ${String(issue.values[0])}`
        : `should be one of ${issue.values.slice(0, MOST_CHOICES).map(String).join(', ')}${issue.values.length > MOST_CHOICES ? ' …' : ''}`;
    case 'invalid_format':
      return FORMATS[issue.format] ?? 'is not written as it should be';
    case 'not_multiple_of':
      return `should be a multiple of ${Number(issue.divisor)}`;
    case 'unrecognized_keys':
      return 'is not known here; leave it out';
    case 'invalid_union':
      return 'is none of the things that it may be';
    default:
      return 'is not as it should be';
  }
}

type Told = z.core.$ZodIssue;

/**
 * The first so many things that are wrong. Of something that may be one of several things: what is wrong with the one
 * that it is most like, by its own fields; all that it may be, where it is like none of them.
 *
 * @example points.a of [Infinity, 1], a point or a list of points → points.a[0] should be a number
 */
export const unfolded = (issues: readonly Told[], most: number): Told[] =>
  // Each is one at the least: no more of a body that is wrong throughout has to be looked at.
  issues.slice(0, most).flatMap(asOne).slice(0, most);

function asOne(issue: Told): Told[] {
  if (issue.code !== 'invalid_union' || !issue.errors.length) return [issue];
  const likes = issue.errors
    .map((one) => one.flatMap(asOne))
    .filter((one) => one.length && one.every(({ path }) => path.length > 0))
    .sort((a, b) => a.length - b.length);
  if (likes.length) return likes[0].map((one) => ({ ...one, path: [...issue.path, ...one.path] }));
  const ways = new Set(issue.errors.flat().map(({ message }) => message));
  return [{ ...issue, message: [...ways].join(', or ') || issue.message }];
}

function tooSmall(least: number, of: string, inclusive: boolean): string {
  if (of === 'string') return least === 1 ? 'is empty' : `should have at least ${least} characters`;
  if (of === 'array' || of === 'set') return least === 1 ? 'is empty' : `should have at least ${least}`;
  return inclusive ? `should be ${least} or more` : `should be more than ${least}`;
}

function tooBig(most: number, of: string, inclusive: boolean): string {
  if (of === 'string') return `should have at most ${most} characters`;
  if (of === 'array' || of === 'set') return `should have at most ${most}`;
  return inclusive ? `should be ${most} or less` : `should be less than ${most}`;
}

z.config({ localeError: sayIssue });
