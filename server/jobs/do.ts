import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { JobEntity } from '../database/entities';
import { databaseProblem } from '../database/lost';
import type { Em } from '../database/orm';
import { HttpProblem } from '../http/errors';
import { ENDED } from './jobs';
import type { Quotas } from '../station/quota';
import type { JobKind, JobPlace } from './kinds';

/** Milliseconds between two beats: how far it is goes to the database, whether it is still wanted comes back. */
const BEAT = 400;

/**
 * Do one job to its end. What it stores and that it is done are one transaction; a job
 * that was cancelled meanwhile, or done by another, stores nothing.
 *
 * @throws where it is to be begun again: the process is closing, or the database was away.
 */
export async function doJob(
  em: () => Em,
  kind: JobKind<never, object>,
  place: JobPlace,
  closing: AbortSignal,
  log: Logger,
  quotas?: Quotas,
): Promise<void> {
  const running = { ...place, state: 'running' as const };
  const row = await em().findOne(JobEntity, running);
  // Told to stop before it began, or done by another.
  if (!row) return kind.ended?.(place, (await em().count(JobEntity, { ...place, state: 'done' })) > 0);
  const stop = new AbortController();
  const onClosing = () => stop.abort();
  closing.addEventListener('abort', onClosing);
  let share = row.progress;
  let done = false;
  const beat = async () => {
    const told = await em()
      .nativeUpdate(JobEntity, running, { progress: share, beatAt: new Date() })
      .catch(() => undefined);
    if (told === 0) stop.abort();
  };
  await beat();
  const beating = setInterval(beat, BEAT);
  const folder = ownFolder();
  try {
    const writer = { stationId: row.stationId, accountName: row.accountName, quotas };
    const store = await kind.work(em(), writer, row.asked as never, {
      id: place.id,
      signal: stop.signal,
      onProgress(reached) {
        share = Math.max(share, Math.min(1, reached));
      },
      folder: folder.open,
    });
    clearInterval(beating);
    await em().transactional(async (tx) => {
      // The row is held first: who is told to stop now has come too late, and who was told before stores nothing.
      const mine = await tx.nativeUpdate(JobEntity, running, { ...ENDED(), state: 'done', progress: 1 });
      if (mine === 0) return;
      const result = await store(tx);
      await tx.nativeUpdate(JobEntity, place, { result });
      done = true;
    });
    await kind.ended?.(place, done);
  } catch (error) {
    clearInterval(beating);
    if (closing.aborted || databaseProblem(error)) throw error;
    if (!(error instanceof HttpProblem) && !stop.signal.aborted) log.error({ err: error, job: place.id }, 'long work failed');
    await em().nativeUpdate(JobEntity, running, { ...ENDED(), state: 'failed', problem: problemOf(error) });
    await kind.ended?.(place, done);
  } finally {
    clearInterval(beating);
    closing.removeEventListener('abort', onClosing);
    await folder.close();
  }
}

/** A folder that is made when it is first asked for. */
function ownFolder() {
  let made: Promise<string> | undefined;
  return {
    open: () => (made ??= mkdtemp(join(tmpdir(), 'plesion-job-'))),
    close: async () => made && rm(await made, { recursive: true, force: true }),
  };
}

function problemOf(error: unknown) {
  if (error instanceof HttpProblem) return error.body;
  return { code: 'server-failed', message: 'Something failed in the server. Nothing was saved; try again.' };
}
