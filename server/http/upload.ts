import type { RequestHandler } from 'express';
import multer, { MulterError, type StorageEngine } from 'multer';
import { HttpProblem } from './errors';

interface Upload {
  /** Name of the form field. */
  field: string;
  storage: StorageEngine;
  /** Most bytes of the file. */
  most: number;
  /** Text fields that may stand beside it. */
  fields?: number;
  /** What is said of a larger one. */
  tooLarge: string;
}

/** Bytes of a text field. */
const MOST_TEXT = 1024 * 1024;

/** Reads one file sent as a form; how it came in is told by the field. */
export function oneFile({ field, storage, most, fields = 0, tooLarge }: Upload): RequestHandler {
  const take = multer({ storage, limits: { fileSize: most, files: 1, fields, fieldSize: MOST_TEXT } }).single(field);
  return (request, response, next) =>
    take(request, response, (error: unknown) => {
      if (!error) return next();
      // What is not multer's own came from the parts that read the form: it is broken, or was cut short.
      const large = error instanceof MulterError && error.code === 'LIMIT_FILE_SIZE';
      const message = large ? tooLarge : `Send one ${field}, in the field “${field}”.`;
      next(new HttpProblem(large ? 413 : 400, { code: large ? 'too-large' : 'bad-upload', message, field }));
    });
}
