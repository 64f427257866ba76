import { endpoints } from '@plesion/contract/endpoints';
import { leastRole, mayAsk } from '@plesion/contract/roles';
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { FileConfigstore, FileStore as PieceStore } from '@tus/file-store';
import { Server } from '@tus/server';
import { LARGEST_PHOTO, UPLOADS } from '@plesion/contract';
import type { Request, RequestHandler, Router } from 'express';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { HttpProblem, notAllowed, notFound, notYourRole, signedOut } from '../http/errors';
import type { Caller } from '../http/route';
import { needRoom } from '../station/quota';
import { addPhoto, tooLarge } from './service';

/** An upload that was left lying is forgotten after a day; a station may have so many under way. */
const LASTS = 24 * 60 * 60 * 1000;
const MOST_UNDER_WAY = 40;

const tooMany = () =>
  new HttpProblem(429, {
    code: 'too-many-uploads',
    message: `${MOST_UNDER_WAY} photos of this station are on their way already. Wait until some have arrived.`,
    field: 'photo',
  });

const badUpload = (status: number) =>
  new HttpProblem(status, {
    code: 'bad-upload',
    message: 'This part of the photo cannot be taken as it was sent. Begin again at the place that the upload itself tells.',
    field: 'photo',
  });

/**
 * Photos sent piece by piece, to be gone on with after a lost connection or a reload:
 * the open protocol tus 1.0.0 (creation, termination, expiration). What arrived whole
 * becomes a photo as if it had been sent at once; what never does is forgotten.
 *
 * @param folder where what has not arrived whole lies.
 */
export function uploadRoutes(router: Router, em: () => Em, files: FileStore, folder: string): void {
  const known = new FileConfigstore(folder);
  const store = new PieceStore({ directory: folder, configstore: known, expirationPeriodInMilliseconds: LASTS });
  const server = new Server({
    path: UPLOADS,
    datastore: store,
    maxSize: LARGEST_PHOTO,
    relativeLocation: true,
    allowedOrigins: () => false,
    // The name says whose it is: nobody else may go on with it.
    namingFunction: (request) => `${callerOf(request).stationId}.${randomUUID()}`,
    async onIncomingRequest(request, id) {
      if (!id.startsWith(`${callerOf(request).stationId}.`)) throw notFound('upload');
    },
    async onUploadCreate(request, { size }) {
      const caller = callerOf(request);
      if (size === undefined) throw badUpload(400);
      await server.cleanUpExpiredUploads();
      const underWay = await known.list();
      if (underWay.filter((id) => id.startsWith(`${caller.stationId}.`)).length >= MOST_UNDER_WAY) throw tooMany();
      await needRoom(em(), caller, 'photos', size);
      return {};
    },
    async onUploadFinish(request, { id, storage }) {
      try {
        const kept = await addPhoto(em(), files, callerOf(request), await readFile(storage!.path));
        return { status_code: 200, headers: { 'content-type': 'application/json' }, body: JSON.stringify(kept) };
      } finally {
        await store.remove(id);
      }
    },
    onResponseError({ method }, error) {
      const { status_code: status = 500 } = error as { status_code?: number };
      if (!(error instanceof HttpProblem) && status >= 500) return undefined;
      // A piece that is too long is more than was announced; only what is announced is held against the limit.
      const large = status === 413 && method === 'POST';
      const problem = error instanceof HttpProblem ? error : large ? tooLarge() : badUpload(status === 413 ? 400 : status);
      return { status_code: problem.status, body: JSON.stringify(problem.body) };
    },
  });
  const gate: RequestHandler = (request, _response, next) => {
    if (!request.caller) throw signedOut();
    if (!mayAsk(request.caller.role, endpoints.addPhoto)) throw notYourRole(leastRole(endpoints.addPhoto));
    if (request.caller.scope === 'read') throw notAllowed();
    next();
  };
  for (const method of ['options', 'head', 'post', 'patch', 'delete'] as const)
    router[method](`${UPLOADS}{/:id}`, gate, (request, response) => server.handle(request, response));
}

/** Who asks: the protocol's parts hand on the request that came in. */
function callerOf({ runtime }: { runtime?: { node?: { req: unknown } } }): Caller {
  const { caller } = runtime?.node?.req as Request;
  if (!caller) throw signedOut();
  return caller;
}
