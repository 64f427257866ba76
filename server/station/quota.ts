import type { RecordName, StationView } from '@plesion/contract';
import { LRUCache } from 'lru-cache';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';

/** The most that one station may have; photos, and what else shows how something turned out, in bytes. */
export type Quotas = Record<keyof StationView['use'], number>;

const GB = 1024 ** 3;

export const USUAL_QUOTAS: Quotas = { specimens: 200_000, guides: 500, keys: 500, photos: 10 * GB };

/** Who writes, and how much there may be; where the server itself writes it is not limited. */
export interface Counted {
  stationId: string;
  quotas?: Quotas;
}

/** What is hidden counts: it is kept. */
const COUNT: Record<keyof Quotas, string> = {
  specimens: 'select specimens from station where id = ?',
  guides: 'select count(*) from guide where station_id = ?',
  keys: 'select count(*) from identification_key where station_id = ?',
  photos:
    'select coalesce(sum(bytes), 0) from (select station_id, bytes from photo union all select station_id, bytes from attachment) file where station_id = ?',
};
const KINDS = Object.keys(COUNT) as (keyof Quotas)[];

/** How much of some kinds a station has. */
export async function usedBy(em: Em, stationId: string, kinds: readonly (keyof Quotas)[] = KINDS): Promise<Quotas> {
  const [row] = await em.getConnection().execute<Record<keyof Quotas, string>[]>(
    `select ${kinds.map((kind) => `(${COUNT[kind]}) as ${kind}`).join(', ')}`,
    kinds.map(() => stationId),
    'all',
    em.getTransactionContext(),
  );
  return Object.fromEntries(kinds.map((kind) => [kind, Number(row[kind])])) as Quotas;
}

/** Is there room for more of a kind? @throws 400 with words where there is none. */
export async function needRoom(em: Em, { stationId, quotas }: Counted, kind: keyof Quotas, more = 1): Promise<void> {
  if (!quotas) return;
  const used = await usedBy(em, stationId, [kind]);
  if (used[kind] + more > quotas[kind]) throw full(kind, quotas);
}

/** A station that has room for so many more is not counted out again for a while, in milliseconds. */
const ROOMY = 20_000;
const A_WHILE = 5_000;
const roomy = new LRUCache<string, true>({ max: 10_000, ttl: A_WHILE });

const OF_RECORD: Partial<Record<RecordName, keyof Quotas>> = { specimen: 'specimens', guide: 'guides', key: 'keys' };

/** Was there room for a record that this transaction has just stored? A specimen is counted as it commits, the others are there already. */
export async function needRoomForRecord(em: Em, counted: Counted, name: RecordName): Promise<void> {
  const kind = OF_RECORD[name];
  const { stationId, quotas } = counted;
  if (!kind || !quotas) return;
  const place = `${stationId} ${kind} ${quotas[kind]}`;
  if (roomy.has(place)) return;
  const used = await usedBy(em, stationId, [kind]);
  if (used[kind] + (kind === 'specimens' ? 1 : 0) > quotas[kind]) throw full(kind, quotas);
  if (used[kind] + ROOMY < quotas[kind]) roomy.set(place, true);
}

const SAY: Record<keyof Quotas, (most: number) => string> = {
  specimens: (most) => `${most} specimens`,
  guides: (most) => `${most} guides`,
  keys: (most) => `${most} keys`,
  photos: (most) => `${Number((most / GB).toFixed(2))} GB of photos`,
};

export const full = (kind: keyof Quotas, quotas: Quotas) =>
  badRequest([
    {
      code: 'station-full',
      message: `This station may have ${SAY[kind](quotas[kind])}, and no more. Ask whoever runs the server for room; what is kept stays.`,
      field: kind,
    },
  ]);
