import type { Router } from 'express';
import { JobEntity } from '../database/entities';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { findGuide } from '../guides/service';
import { notFound } from '../http/errors';
import { bind } from '../http/route';
import { startJob } from '../jobs/jobs';
import { bookletKey } from './job';

export function bookletRoutes(router: Router, em: () => Em, files: FileStore): void {
  bind(router, em, 'printGuide', async ({ em: own, caller, params }) => {
    const { id: guideId } = await findGuide(own, caller.stationId, params.id);
    await forgetOld(own, files, caller.stationId);
    return { jobId: await startJob(own, 'printGuide', caller, { guideId }) };
  });
  bind(router, em, 'booklet', async ({ em: own, caller: { stationId }, params: { id }, response }) => {
    const made = await own.count(JobEntity, { stationId, id, kind: 'printGuide', state: 'done' });
    const found = made ? await files.open(bookletKey(stationId, id)) : undefined;
    if (!found) throw notFound('booklet');
    response.attachment('guide.pdf').type('application/pdf').set('content-length', String(found.bytes));
    return found.stream;
  });
}

/** Booklets that lie ready in a station at once, at most: those printed last. */
const KEPT = 5;

async function forgetOld(em: Em, files: FileStore, stationId: string): Promise<void> {
  const done = { stationId, kind: 'printGuide', state: 'done' as const };
  const old = await em.find(JobEntity, done, { fields: ['id'], orderBy: { createdAt: 'desc' }, offset: KEPT - 1 });
  for (const { id } of old) {
    await em.nativeDelete(JobEntity, { stationId, id });
    await files.remove(bookletKey(stationId, id));
  }
}
