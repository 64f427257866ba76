import type { Router } from 'express';
import { memoryStorage } from 'multer';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { bind } from '../http/route';
import { oneFile } from '../http/upload';
import { addPhoto, findPhoto } from './service';

const LARGEST = 40 * 1024 * 1024;

export function photoRoutes(router: Router, em: () => Em, files: FileStore): void {
  const read = oneFile({
    field: 'photo',
    storage: memoryStorage(),
    most: LARGEST,
    tooLarge: 'The photo is larger than 40 MB; send a smaller one.',
  });
  bind(router, em, 'addPhoto', ({ em: own, caller, request }) => addPhoto(own, files, caller, request.file?.buffer), read);
  bind(router, em, 'photo', ({ em: own, caller, params, query, response }) => {
    response.set('cache-control', 'private, max-age=31536000, immutable');
    return findPhoto(own, files, caller.stationId, params.hash, query.size ?? 'whole');
  });
}
