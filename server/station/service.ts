import type { StationView } from '@plesion/contract';
import { JobEntity, StationEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { signedOut } from '../http/errors';
import { type Quotas, usedBy } from './quota';

/** A station as its people see it: how much it holds of what it may, and whether it is still as it was made. */
export async function viewStation(em: Em, stationId: string, quotas: Quotas): Promise<StationView> {
  const station = await em.findOne(StationEntity, { id: stationId });
  if (!station) throw signedOut();
  const used = await usedBy(em, stationId);
  const use = (kind: keyof Quotas) => ({ used: used[kind], most: quotas[kind] });
  return {
    name: station.name,
    since: station.createdAt.toISOString(),
    grid: station.grid,
    use: { specimens: use('specimens'), guides: use('guides'), keys: use('keys'), photos: use('photos') },
    fresh: await isFresh(em, stationId),
    ...(await archiveJobs(em, stationId)),
  };
}

export async function setStation(em: Em, stationId: string, { grid }: { grid: number }): Promise<void> {
  await em.nativeUpdate(StationEntity, { id: stationId }, { grid });
}

/** So that whoever comes back, or comes with another device, sees how far it is. */
async function archiveJobs(em: Em, stationId: string): Promise<Pick<StationView, 'making' | 'reading'>> {
  const newest = async (job: object) => {
    const [found] = await em.find(JobEntity, { stationId, ...job }, { fields: ['id'], orderBy: { createdAt: 'desc' }, limit: 1 });
    return found?.id;
  };
  const [making, reading] = [
    await newest({ kind: 'exportStation', state: { $in: ['running', 'done'] } }),
    await newest({ kind: 'importStation', state: 'running' }),
  ];
  return { ...(making ? { making } : {}), ...(reading ? { reading } : {}) };
}

/** Was nothing written in it since it was made? All that it began with came at one moment. */
export async function isFresh(em: Em, stationId: string): Promise<boolean> {
  const [{ fresh }] = await em.getConnection().execute<{ fresh: boolean }[]>(
    `select not exists (
         select from change, (select min(at) as made from change where station_id = ?) begun where station_id = ? and at <> made
       ) and not exists (select from photo where station_id = ?)
       and not exists (select from attachment where station_id = ?) as fresh`,
    [stationId, stationId, stationId, stationId],
    'all',
    em.getTransactionContext(),
  );
  return fresh;
}
