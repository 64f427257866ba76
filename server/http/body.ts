import express, { type RequestHandler } from 'express';
import { fieldPath } from '@plesion/core/guide';
import { badRequest, HttpProblem } from './errors';
import { LONGEST_NAME } from './names';

/** Bytes of a body where the endpoint allows no more. */
const USUAL = 64 * 1024;
/** How far lists and objects may stand in one another, and how many values there may be in all. */
const DEEPEST = 40;
const MOST_VALUES = 2_000_000;

const sayBytes = (bytes: number) => (bytes < 1024 * 1024 ? `${bytes / 1024} kB` : `${bytes / 1024 / 1024} MB`);

const tooLarge = (limit: number) =>
  new HttpProblem(413, { code: 'too-large', message: `That is more than ${sayBytes(limit)}; send less at once.`, field: 'body' });

/** Reads a body of JSON, no larger than the endpoint allows; whoever may not come in has been sent away before. */
export function jsonBody(limit = USUAL): RequestHandler {
  const read = express.json({ limit });
  return (request, response, next) =>
    read(request, response, (error?: { type?: string }) => next(error?.type === 'entity.too.large' ? tooLarge(limit) : error));
}

/**
 * Hold what was sent against what can be kept at all, before its shape is looked at:
 * neither deeper nor larger than any record is, and no character that a database
 * refuses (NUL, and halves of characters).
 *
 * @param root what it is called where the whole of it is meant.
 * @throws 400 with the field.
 */
export function checkSent(sent: unknown, root: string): void {
  const stack: { value: unknown; path: (string | number)[] }[] = [{ value: sent, path: [] }];
  let values = 0;
  for (let top = stack.pop(); top; top = stack.pop()) {
    const { value, path } = top;
    if (++values > MOST_VALUES)
      throw refused('too-many-values', root, `holds more than ${MOST_VALUES} values; send less at once`);
    if (typeof value === 'string') {
      if (!isKeepable(value)) throw unkeepable(fieldPath(path) || root);
    } else if (typeof value === 'object' && value !== null) {
      if (path.length >= DEEPEST) throw refused('too-deep', root, `goes down more than ${DEEPEST} steps`);
      for (const [name, inner] of Object.entries(value)) {
        if (!isKeepable(name)) throw unkeepable(fieldPath(path) || root);
        stack.push({ value: inner, path: [...path, Array.isArray(value) ? Number(name) : name.slice(0, LONGEST_NAME)] });
      }
    }
  }
}

const isKeepable = (text: string): boolean => !text.includes('\0') && text.isWellFormed();

const refused = (code: string, field: string, why: string) => badRequest([{ code, message: `${field}: ${why}.`, field }]);

const unkeepable = (field: string) =>
  refused('bad-text', field, 'holds a character that cannot be kept (a NUL, or half of a character); take it out');
