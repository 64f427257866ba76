import { randomUUID } from 'node:crypto';
import type { LearnRequest } from '@plesion/contract';
import pino from 'pino';
import { JobEntity, StationEntity } from '../database/entities';
import { HttpProblem } from '../http/errors';
import { openTestServer, type TestServer } from '../test/testServer';
import { join } from 'node:path';
import { openJobPool } from './pool';
import { cancelJob, findJob, startJob } from './jobs';
import type { JobKinds, JobTools } from './kinds';
import { sweep } from './sweep';
import { type JobWorker, openJobWorker } from './worker';

let server: TestServer;
let a: string;
let b: string;
const workers: JobWorker[] = [];
const em = () => server.orm.em.fork();
const sql = (text: string, values: unknown[] = []) => em().getConnection().execute(text, values);

beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  [a, b] = [randomUUID(), randomUUID()];
  for (const id of [a, b]) await em().insert(StationEntity, { id, name: id, demo: false, createdAt: new Date() });
});
afterEach(async () => {
  await Promise.all(workers.splice(0).map((worker) => worker.close()));
  await sql('delete from job');
  await sql('delete from graphile_worker._private_jobs');
});

/** Work that is done when it is told to be, by its title. */
class Workshop {
  readonly begun: string[] = [];
  readonly stored: string[] = [];
  private readonly ends = new Map<string, (error?: Error) => void>();

  kinds(): JobKinds {
    const learn = {
      work: async (_em: unknown, _writer: unknown, { title }: LearnRequest, { signal, onProgress }: JobTools) => {
        this.begun.push(title);
        onProgress(0.5);
        onProgress(0.25);
        await new Promise<void>((resolve, reject) => {
          this.ends.set(title, (error) => (error ? reject(error) : resolve()));
          if (!title.startsWith('deaf')) signal.addEventListener('abort', () => reject(new Error('stopped')));
        });
        return async () => {
          this.stored.push(title);
          return { title };
        };
      },
    };
    return { learn, makeKey: learn } as unknown as JobKinds;
  }

  end(title: string, error?: Error) {
    this.ends.get(title)!(error);
  }

  async until(begun: number) {
    await until(() => this.begun.length >= begun);
  }
}

/** Looks again and again; a test that never sees it runs out of its time. */
async function until(there: () => boolean | Promise<boolean>) {
  while (!(await there())) await new Promise((resolve) => setTimeout(resolve, 20));
}

const start = (stationId: string, title: string) =>
  startJob(em(), 'learn', { stationId, accountName: 'ann' }, { title, csv: 'x', labels: { taxon: 'x' } });
const ended = (stationId: string, id: string) => until(async () => (await findJob(em(), stationId, id)).state !== 'running');

function work() {
  const workshop = new Workshop();
  const worker = openJobWorker(server.orm, server.pool, workshop.kinds(), pino({ level: 'silent' }));
  workers.push(worker);
  return { workshop, worker };
}

describe('long work', () => {
  it('is done, tells how far it is and never less, and keeps what it gave but not what it was asked', async () => {
    const { workshop } = work();
    const id = await start(a, 'crabs');
    await until(async () => (await findJob(em(), a, id)).progress > 0);
    expect(await findJob(em(), a, id)).toEqual({ jobId: id, state: 'running', progress: 0.5 });
    workshop.end('crabs');
    await ended(a, id);
    expect(await findJob(em(), a, id)).toEqual({ jobId: id, state: 'done', progress: 1, result: { title: 'crabs' } });
    expect(await sql('select asked from job')).toEqual([{ asked: null }]);
    expect((await cancelJob(em(), a, id)).state).toBe('done');
  });

  it('takes turns: a station’s first goes before another’s third', async () => {
    const ids = [];
    for (const title of ['a1', 'a2', 'a3', 'a4']) ids.push(await start(a, title));
    const { workshop } = work();
    await workshop.until(2);
    ids.push(await start(b, 'b1'));
    expect(workshop.begun.slice().sort()).toEqual(['a1', 'a2']);
    workshop.end('a1');
    await workshop.until(3);
    expect(workshop.begun[2]).toBe('b1');
    for (const title of ['a2', 'b1']) workshop.end(title);
    await workshop.until(5);
    for (const title of ['a3', 'a4']) workshop.end(title);
    for (const [i, id] of ids.entries()) await ended(i < 4 ? a : b, id);
    expect(workshop.stored.slice().sort()).toEqual(['a1', 'a2', 'a3', 'a4', 'b1']);
  });

  it('is refused to a station that has too much of it, with words, and to no other, also when it asks all at once', async () => {
    const asked = await Promise.allSettled(Array.from({ length: 9 }, (_, i) => start(a, `a${i}`)));
    const taken = asked.flatMap((one) => (one.status === 'fulfilled' ? [one.value] : []));
    const refused = asked.flatMap((one) => (one.status === 'rejected' ? [one.reason as unknown] : []));
    expect(taken).toHaveLength(6);
    expect(refused).toEqual(
      [1, 2, 3].map(() => expect.objectContaining({ status: 429, message: expect.stringMatching(/6 long tasks/) })),
    );
    await start(b, 'b');
    await cancelJob(em(), a, taken[0]);
    await expect(start(a, 'again')).resolves.toBeTruthy();
  });

  it('that is cancelled while it waits is never begun; of another station it is not there', async () => {
    const [first, second] = [await start(a, 'first'), await start(a, 'second')];
    await expect(cancelJob(em(), b, first)).rejects.toThrow(HttpProblem);
    expect((await cancelJob(em(), a, first)).state).toBe('cancelled');
    const { workshop } = work();
    await workshop.until(1);
    workshop.end('second');
    await ended(a, second);
    expect(workshop.begun).toEqual(['second']);
  });

  it('that is cancelled while it runs is told so, and stores nothing even if it does not listen', async () => {
    const { workshop } = work();
    const [quick, deaf] = [await start(a, 'quick'), await start(a, 'deaf')];
    await workshop.until(2);
    for (const id of [quick, deaf]) await cancelJob(em(), a, id);
    workshop.end('deaf');
    const queued = async () => (await sql('select 1 from graphile_worker.jobs')).length;
    await until(async () => (await queued()) === 0);
    expect(workshop.stored).toEqual([]);
    for (const id of [quick, deaf]) expect(await findJob(em(), a, id)).toMatchObject({ state: 'cancelled' });
  });

  it('that fails says why, but nothing of the inside', async () => {
    const { workshop } = work();
    const [told, secret] = [await start(a, 'told'), await start(a, 'secret')];
    await workshop.until(2);
    workshop.end('told', new HttpProblem(400, { code: 'odd', message: 'The table is odd.' }));
    workshop.end('secret', new Error('secret of the house'));
    for (const id of [told, secret]) await ended(a, id);
    expect((await findJob(em(), a, told)).problem).toEqual({ code: 'odd', message: 'The table is odd.' });
    expect(await findJob(em(), a, secret)).toMatchObject({ state: 'failed', problem: { code: 'server-failed' } });
    expect(JSON.stringify(await sql('select * from job'))).not.toContain('secret of');
  });
});

describe('a process that goes', () => {
  it('leaves its work to the next when it is closed', async () => {
    const first = work();
    const id = await start(a, 'long');
    await first.workshop.until(1);
    await first.worker.close();
    expect((await findJob(em(), a, id)).state).toBe('running');
    // It would be begun again a few seconds later.
    await sql('select graphile_worker.reschedule_jobs(array_agg(id), run_at := now()) from graphile_worker.jobs');
    const second = work();
    await second.workshop.until(1);
    second.workshop.end('long');
    await ended(a, id);
    expect((await findJob(em(), a, id)).state).toBe('done');
  });

  it('is missed when it was killed: its work is begun again by another', async () => {
    const id = await start(a, 'orphan');
    await sql(`select graphile_worker.get_job('gone', array['learn'])`).catch(() => undefined);
    await sql(`update graphile_worker._private_jobs set locked_by = 'gone', locked_at = now() - interval '1 hour', attempts = 1`);
    await sql(`update job set beat_at = now() - interval '1 minute'`);
    const { workshop } = work();
    await workshop.until(1);
    workshop.end('orphan');
    await ended(a, id);
    expect((await findJob(em(), a, id)).state).toBe('done');
  });

  it('is not missed while it beats', async () => {
    await start(a, 'alive');
    await sql(`update graphile_worker._private_jobs set locked_by = 'busy', locked_at = now() - interval '1 hour', attempts = 1`);
    await sql('update job set beat_at = now()');
    await sweep(em(), {} as JobKinds);
    expect(await sql('select locked_by from graphile_worker.jobs')).toEqual([{ locked_by: 'busy' }]);
  });

  it('is not missed while it stores what it worked out, which may take longer than it may be silent', async () => {
    const id = await start(a, 'storing');
    await sql(`update graphile_worker._private_jobs set locked_by = 'busy', locked_at = now() - interval '1 hour', attempts = 1`);
    await sql(`update job set beat_at = now() - interval '1 minute'`);
    await em().transactional(async (tx) => {
      await tx.nativeUpdate(JobEntity, { id }, { progress: 0.9 });
      await sweep(em(), {} as JobKinds);
    });
    expect(await sql('select locked_by from graphile_worker.jobs')).toEqual([{ locked_by: 'busy' }]);
  });

  it('over and over with the same work brings that work to an end, in words', async () => {
    const id = await start(a, 'deadly');
    await sql('update graphile_worker._private_jobs set attempts = max_attempts');
    await sweep(em(), {} as JobKinds);
    const job = await findJob(em(), a, id);
    expect(job).toMatchObject({ state: 'failed', problem: { message: expect.stringMatching(/never came to its end/) } });
  });
});

describe('what is kept of it', () => {
  it('is what ended within a day', async () => {
    const [old, fresh] = [await start(a, 'old'), await start(a, 'fresh')];
    for (const id of [old, fresh]) await cancelJob(em(), a, id);
    await sql(`update job set ended_at = now() - interval '25 hours' where id = ?`, [old]);
    await sweep(em(), {} as JobKinds);
    await expect(findJob(em(), a, old)).rejects.toThrow(HttpProblem);
    await expect(findJob(em(), a, fresh)).resolves.toBeTruthy();
  });

  it('whoever waits long comes nearer to the front', async () => {
    for (const title of ['1', '2', '3']) await start(a, title);
    const order = async () =>
      (await sql('select priority from graphile_worker.jobs order by id')).map(({ priority }) => priority as number);
    expect(await order()).toEqual([0, 1, 2]);
    await sql(`update graphile_worker._private_jobs set updated_at = now() - interval '1 minute'`);
    await sweep(em(), {} as JobKinds);
    expect(await order()).toEqual([0, 0, 1]);
  });
});

describe('threads of long work', () => {
  it('go on with the next when one is told to stop', async () => {
    const pool = openJobPool<{ hash: string }, unknown>(join(__dirname, '../test/endless.worker.ts'));
    const [first, second] = [new AbortController(), new AbortController()];
    let stuck!: Promise<unknown>;
    await new Promise<void>((resolve) => {
      stuck = pool.run({ hash: 'forever' }, first.signal, () => resolve());
    });
    const next = pool.run({ hash: 'once' }, second.signal, () => undefined);
    first.abort();
    await expect(stuck).rejects.toThrow(/abort/i);
    expect(await next).toMatchObject({ answer: 'weighed' });
    await pool.close();
  });
});
