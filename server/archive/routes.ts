import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import type { RequestHandler, Router } from 'express';
import { diskStorage } from 'multer';
import { JobEntity } from '../database/entities';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { HttpProblem, notFound } from '../http/errors';
import { bind } from '../http/route';
import { oneFile } from '../http/upload';
import { startJob } from '../jobs/jobs';
import { isFresh } from '../station/service';
import type { Quotas } from '../station/quota';
import { archiveKey } from './place';
import { mostBytes, notFresh } from './read';

export function archiveRoutes(router: Router, em: () => Em, files: FileStore, quotas: Quotas): void {
  const take = oneFile({
    field: 'archive',
    storage: diskStorage({
      destination: tmpdir(),
      filename: (_request, _file, name) => name(null, `plesion-archive-${randomUUID()}`),
    }),
    most: mostBytes(quotas),
    tooLarge: 'The archive is larger than a station of this server may be.',
  });
  /** Whoever may not read one in is told so before it is sent. */
  const read: RequestHandler = async (request, response, next) => {
    if (!(await isFresh(em(), request.caller!.stationId))) {
      // What is on its way is read away first: whoever still sends does not hear an answer.
      request.resume();
      if (!request.readableEnded) await Promise.race([once(request, 'end'), once(request, 'close')]);
      throw notFresh();
    }
    take(request, response, next);
  };

  bind(router, em, 'exportStation', async ({ em: own, caller }) => {
    await forgetEarlier(own, files, caller.stationId);
    return { jobId: await startJob(own, 'exportStation', caller, {}) };
  });
  bind(router, em, 'archive', async ({ em: own, caller: { stationId }, params: { id }, response }) => {
    const made = await own.count(JobEntity, { stationId, id, kind: 'exportStation', state: 'done' });
    const found = made ? await files.open(archiveKey(stationId, id)) : undefined;
    if (!found) throw notFound('archive');
    response.attachment('plesion-station.zip').set('content-length', String(found.bytes));
    return found.stream;
  });
  bind(
    router,
    em,
    'importStation',
    async ({ em: own, caller, request: { file } }) => {
      if (!file) throw new HttpProblem(400, { code: 'archive-missing', message: 'Choose an archive to send.', field: 'archive' });
      const id = randomUUID();
      try {
        await files.putFrom(archiveKey(caller.stationId, id), file.path);
        return { jobId: await startJob(own, 'importStation', caller, {}, id) };
      } catch (error) {
        await files.remove(archiveKey(caller.stationId, id));
        throw error;
      } finally {
        await rm(file.path, { force: true });
      }
    },
    read,
  );
}

/** A station has one archive lying ready: the one that was made last. */
async function forgetEarlier(em: Em, files: FileStore, stationId: string): Promise<void> {
  const earlier = { stationId, kind: 'exportStation', state: { $ne: 'running' as const } };
  const jobs = await em.find(JobEntity, earlier, { fields: ['id'] });
  for (const { id } of jobs) {
    await em.nativeDelete(JobEntity, { stationId, id });
    await files.remove(archiveKey(stationId, id));
  }
}
