import type { SpecimenList, SpecimenQuery, SpecimenRow } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { traitsRead } from '@plesion/core/plates';
import { type FilterQuery, raw } from '@mikro-orm/core';
import { stableJson } from '@plesion/core';
import { LRUCache } from 'lru-cache';
import { GuideVersionEntity, SpecimenEntity, type SpecimenRecord } from '../database/entities';
import type { Em } from '../database/orm';
import { contentOf } from '../guides/contents';
import { initialsIn } from '../people/initials';

const PAGE = 60;

/** The daybook: newest day first, what has no date yet on top. */
export async function listSpecimens(em: Em, stationId: string, query: SpecimenQuery): Promise<SpecimenList> {
  const limit = query.limit ?? PAGE;
  // As plain rows: to make entities of them, which nobody changes, takes longer than all the rest.
  const found = await em
    .createQueryBuilder(SpecimenEntity)
    .select([...SHOWN])
    .where(pageFilter(stationId, query))
    .orderBy(daybookOrder())
    .limit(limit + 1)
    .execute<Shown[]>('all');
  const records = found.slice(0, limit);
  const [versions, initials] = [await guideVersions(em, stationId, records), await initialsIn(em, stationId)];
  return {
    specimens: records.map((record) => rowOf(record, guideOf(versions, record), initials(record.recordedBy))),
    ...(found.length > limit ? { next: records.at(-1)!.id } : {}),
    ...(await sumsOf(em, stationId, query)),
  };
}

/** Newest day first, what has no date before all days (`day` in the migrations); of one day what was written last. No two specimens are level. */
export const daybookOrder = () => [{ [raw('day')]: 'desc' as const }, { createdAt: 'desc' as const }, { id: 'desc' as const }];

/** Under some filters, from the specimen on that the page before ended with. */
export function pageFilter(stationId: string, query: SpecimenQuery): FilterQuery<SpecimenRecord> {
  const filter = filterOf(stationId, query);
  if (query.after === undefined) return filter;
  const of = (column: string) => `(select ${column} from specimen where station_id = ? and id = ?)`;
  const beyond = raw(`(day, created_at, id) < (${of('day')}, ${of('created_at')}, ?)`, [
    ...[stationId, query.after, stationId, query.after],
    query.after,
  ]);
  return { $and: [filter, { [beyond]: [] }] };
}

type Sums = Pick<SpecimenList, 'total' | 'places'>;

/** How many there are and where, of stations as they were at a number of their feed: every write has the next one. */
const sums = new LRUCache<string, Sums>({ max: 5000 });

/** Counted anew only where something was written since: whoever leafs through a daybook counts it once. */
async function sumsOf(em: Em, stationId: string, query: SpecimenQuery): Promise<Sums> {
  const filter = { ...query, limit: undefined, after: undefined };
  const [station] = await em
    .getConnection()
    .execute<{ changes: string }[]>('select changes from station where id = ?', [stationId]);
  const key = stableJson({ stationId, changes: station?.changes, filter });
  const known = sums.get(key);
  if (known) return known;
  const total = await em.count(SpecimenEntity, filterOf(stationId, filter));
  const counted = { total, places: await placesOf(em, stationId) };
  sums.set(key, counted);
  return counted;
}

/** What a row of the daybook shows: neither names given earlier nor what is searched in is read for it. */
const SHOWN = [
  'id',
  'version',
  'guideId',
  'guideVersion',
  'label',
  'place',
  'seenOn',
  'named',
  'hidden',
  'photo',
  'summary',
  'readings',
  'recordedBy',
  'updatedAt',
] as const satisfies (keyof SpecimenRecord)[];

/** A row as the database gives it. */
type Shown = Omit<Pick<SpecimenRecord, (typeof SHOWN)[number]>, 'updatedAt'> & { updatedAt: string };

/** Places to choose from: more than these are typed. */
const MOST_PLACES = 200;

/** The places of a station's daybook: from one to the next along the index, however many specimens each has. */
export const PLACES = `
  with recursive next (place) as (
    (select place from specimen where station_id = ? and not hidden and place is not null order by place limit 1)
    union all
    select (select place from specimen where station_id = ? and not hidden and place > next.place order by place limit 1)
    from next where next.place is not null
  )
  select place from next where place is not null limit ${MOST_PLACES}`;

async function placesOf(em: Em, stationId: string): Promise<string[]> {
  const rows = await em.getConnection().execute<{ place: string }[]>(PLACES, [stationId, stationId]);
  return rows.map(({ place }) => place);
}

function filterOf(stationId: string, query: SpecimenQuery): FilterQuery<SpecimenRecord> {
  const words = (query.search ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  const pattern = (word: string) => `%${word.replace(/[\\%_]/g, '\\$&')}%`;
  return {
    stationId,
    hidden: query.hidden === 'yes',
    ...(query.guideId ? { guideId: query.guideId === 'none' ? null : query.guideId } : {}),
    ...(query.individualId ? { individualId: query.individualId } : {}),
    ...(query.named ? { named: query.named === 'yes' } : {}),
    ...(query.place ? { place: query.place } : {}),
    ...(query.from || query.to
      ? {
          [raw('day')]: { ...(query.from ? { $gte: query.from } : {}), ...(query.to ? { $lte: query.to } : { $lt: 'infinity' }) },
        }
      : {}),
    ...(words.length ? { $and: words.map((word) => ({ search: { $like: pattern(word) } })) } : {}),
  };
}

/** Which guide a specimen was read with; the columns are null for one without a guide. */
interface ReadWith {
  guideId?: string | null;
  guideVersion?: number | null;
}

const versionKey = ({ guideId, guideVersion }: ReadWith) => `${guideId} ${guideVersion}`;

/** The guides that some specimens were read with, fetched as a set. */
export async function guideVersions(em: Em, stationId: string, records: readonly ReadWith[]): Promise<Map<string, Guide>> {
  const known = new Map<string, { guideId: string; version: number }>();
  for (const one of records) {
    if (one.guideId && one.guideVersion) known.set(versionKey(one), { guideId: one.guideId, version: one.guideVersion });
  }
  const wanted = [...known.values()];
  if (wanted.length === 0) return new Map();
  const stored = await em.find(GuideVersionEntity, { stationId, $or: wanted }, { fields: ['guideId', 'version', 'hash'] });
  const pairs = await Promise.all(
    stored.map(
      async ({ guideId, version, hash }) =>
        [versionKey({ guideId, guideVersion: version }), await contentOf(em, { stationId, guideId, version, hash })] as const,
    ),
  );
  return new Map(pairs);
}

export const guideOf = (versions: Map<string, Guide>, record: ReadWith): Guide | undefined => versions.get(versionKey(record));

function rowOf(record: Shown, guide: Guide | undefined, initials: string): SpecimenRow {
  const { id, version, guideId, label, place, seenOn, named, hidden, photo, summary, readings, updatedAt } = record;
  return {
    id,
    version,
    guideId: guideId ?? undefined,
    label,
    place: place ?? undefined,
    date: seenOn ?? undefined,
    named,
    hidden,
    photo: photo ?? undefined,
    summary,
    readings: readings.length,
    traits: guide ? traitsRead(guide, readings) : {},
    initials,
    updatedAt: new Date(updatedAt).toISOString(),
  };
}
