import type { RequestHandler, Router } from 'express';
import multer, { memoryStorage, MulterError } from 'multer';
import type { Em } from '../database/orm';
import { HttpProblem } from '../http/errors';
import { bind } from '../http/route';
import { addPhoto, findPhoto } from './service';

const LARGEST = 20 * 1024 * 1024;

export function photoRoutes(router: Router, em: () => Em): void {
  const take = multer({ storage: memoryStorage(), limits: { fileSize: LARGEST, files: 1, fields: 0 } }).single('photo');
  const read: RequestHandler = (request, response, next) => {
    take(request, response, (error: unknown) => {
      if (!error) return next();
      // What is not multer's own came from the parts that read the form: it is broken, or was cut short.
      const large = error instanceof MulterError && error.code === 'LIMIT_FILE_SIZE';
      const message = large ? 'The photo is larger than 20 MB; send a smaller one.' : 'Send one photo, in the field “photo”.';
      next(new HttpProblem(large ? 413 : 400, { code: large ? 'too-large' : 'bad-upload', message, field: 'photo' }));
    });
  };
  bind(router, em, 'addPhoto', ({ em: own, caller, request }) => addPhoto(own, caller.stationId, request.file?.buffer), read);
  bind(router, em, 'photo', ({ em: own, caller, params, query, response }) => {
    response.set('cache-control', 'private, max-age=31536000, immutable');
    return findPhoto(own, caller.stationId, params.hash, query.size ?? 'whole');
  });
}
