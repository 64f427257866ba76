import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import type { Router } from 'express';
import { diskStorage } from 'multer';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { bind } from '../http/route';
import { oneFile } from '../http/upload';
import { BUNDLE_TOO_LARGE, LARGEST_BUNDLE, readBundle, writeBundle } from './bundle';
import { listOffers, listSharing, offerGuide, takeOffer, withdrawGuide } from './service';

export function sharingRoutes(router: Router, em: () => Em, files: FileStore): void {
  bind(router, em, 'sharing', async ({ em: own, caller }) => ({ guides: await listSharing(own, caller.stationId) }));
  bind(router, em, 'offers', async ({ em: own, caller }) => ({ offers: await listOffers(own, caller.stationId) }));
  bind(router, em, 'offerGuide', ({ em: own, caller, params, body }) => offerGuide(own, caller, params.id, body));
  bind(router, em, 'withdrawGuide', ({ em: own, caller, params, body }) => withdrawGuide(own, caller, params.id, body));
  bind(router, em, 'carryGuide', async ({ em: own, caller, params, response }) => {
    const { slug, stream } = await writeBundle(own, files, caller.stationId, params.id);
    response.attachment(`${slug}.zip`).type('application/zip');
    return stream;
  });
  const take = oneFile({
    field: 'file',
    storage: diskStorage({
      destination: tmpdir(),
      filename: (_request, _file, name) => name(null, `plesion-guide-${randomUUID()}`),
    }),
    most: LARGEST_BUNDLE,
    tooLarge: BUNDLE_TOO_LARGE,
  });
  bind(
    router,
    em,
    'bringGuide',
    async ({ em: own, caller, request: { file } }) => {
      try {
        return await readBundle(own, files, caller, file?.path);
      } finally {
        if (file) await rm(file.path, { force: true });
      }
    },
    take,
  );
  bind(router, em, 'takeOffer', ({ em: own, caller, params, body }) => takeOffer(own, files, caller, params.id, body));
}
