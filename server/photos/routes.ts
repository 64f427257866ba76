import { LARGEST_PHOTO } from '@plesion/contract';
import type { Router } from 'express';
import { memoryStorage } from 'multer';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { bind } from '../http/route';
import { oneFile } from '../http/upload';
import { markedPhoto } from './marked';
import { addPhoto, findPhoto, isPhotoKnown, smallPhoto, TOO_LARGE } from './service';
import { uploadRoutes } from './uploads';

export function photoRoutes(router: Router, em: () => Em, files: FileStore, uploads: string): void {
  const read = oneFile({
    field: 'photo',
    storage: memoryStorage(),
    most: LARGEST_PHOTO,
    tooLarge: TOO_LARGE,
  });
  bind(router, em, 'addPhoto', ({ em: own, caller, request }) => addPhoto(own, files, caller, request.file?.buffer), read);
  uploadRoutes(router, em, files, uploads);
  bind(router, em, 'photoKnown', async ({ em: own, caller: { stationId }, params: { hash } }) => ({
    known: await isPhotoKnown(own, stationId, hash),
  }));
  bind(router, em, 'markedPhoto', async ({ em: own, caller, params: { id, hash }, response }) => {
    const svg = await markedPhoto(own, files, caller.stationId, id, hash);
    response.attachment('photo.svg').type('image/svg+xml');
    return svg;
  });
  bind(router, em, 'photo', ({ em: own, caller, params, query, response }) => {
    response.set('cache-control', 'private, max-age=31536000, immutable');
    const { size = 'whole' } = query;
    if (size === 'small') return smallPhoto(own, files, caller.stationId, params.hash);
    return findPhoto(own, files, caller.stationId, params.hash, size);
  });
}
