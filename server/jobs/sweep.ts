import type { Em } from '../database/orm';
import type { JobKinds, JobName } from './kinds';

/** Seconds without a beat after which the process that did a job is taken for dead. */
const SILENT = 15;

/** How long what was given is kept to be asked for. */
const KEPT = '1 day';

/** What is told of a job that was begun as often as it may be and never came to its end. */
const GIVEN_UP = JSON.stringify({
  code: 'server-failed',
  message: 'This was begun several times and never came to its end. Nothing was saved; try it with less.',
});

/** Look after what other processes left; any process may do it, and two at once do no harm. */
export async function sweep(em: Em, kinds: JobKinds): Promise<void> {
  const execute = (sql: string, values: unknown[] = []) => em.getConnection().execute(sql, values);
  const gone = await em
    .getConnection()
    .execute<{ station_id: string; id: string; kind: JobName }[]>(
      `delete from job where ended_at < now() - interval '${KEPT}' returning station_id, id, kind`,
    );
  for (const { station_id: stationId, id, kind } of gone) await kinds[kind]?.ended?.({ stationId, id }, false);
  // Taken from who is silent, and begun again by whoever is free; whoever stores what was worked out holds its row, and lives.
  await execute(
    `select graphile_worker.force_unlock_workers(array_agg(held.locked_by))
     from graphile_worker.jobs held
     join job on job.id::text = held.key and job.state = 'running'
     where held.locked_at < now() - make_interval(secs => ?)
       and coalesce(job.beat_at, job.created_at) < now() - make_interval(secs => ?)
       and job.id in (select id from job where state = 'running' for update skip locked)
     having count(*) > 0`,
    [SILENT, SILENT],
  );
  await execute(
    `update job set state = 'failed', ended_at = now(), asked = null, problem = ?::json
     where state = 'running' and not exists (
       select from graphile_worker.jobs left_over
       where left_over.key = job.id::text
         and (left_over.locked_at is not null or left_over.attempts < left_over.max_attempts)
     )`,
    [GIVEN_UP],
  );
  // Who has waited comes nearer to the front, so that the first tasks of many others do not hold up anybody for good.
  await execute(
    `select graphile_worker.reschedule_jobs(array_agg(waiting.id), priority := waiting.priority - 1)
     from graphile_worker.jobs waiting
     where waiting.locked_at is null and waiting.priority > 0 and waiting.updated_at < now() - interval '30 seconds'
     group by waiting.priority`,
  );
}
