import type { SpecimenList, SpecimenQuery, SpecimenRow } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { traitsRead } from '@plesion/core/plates';
import type { FilterQuery } from '@mikro-orm/core';
import { GuideVersionEntity, SpecimenEntity, type SpecimenRecord } from '../database/entities';
import type { Em } from '../database/orm';

const PAGE = 60;

/** The daybook: newest day first, what has no date yet on top. */
export async function listSpecimens(em: Em, stationId: string, query: SpecimenQuery): Promise<SpecimenList> {
  const [records, total] = await em.findAndCount(SpecimenEntity, filterOf(stationId, query), {
    orderBy: [{ seenOn: 'desc nulls first' }, { createdAt: 'desc' }],
    limit: query.limit ?? PAGE,
    offset: query.offset ?? 0,
  });
  const versions = await guideVersions(em, records);
  const places = await em
    .getConnection()
    .execute<{ place: string }[]>(
      'select distinct place from specimen where station_id = ? and not hidden and place is not null order by place limit 200',
      [stationId],
    );
  return {
    specimens: records.map((record) => rowOf(record, guideOf(versions, record))),
    total,
    places: places.map((row) => row.place),
  };
}

export function filterOf(stationId: string, query: SpecimenQuery): FilterQuery<SpecimenRecord> {
  const words = (query.search ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  const pattern = (word: string) => `%${word.replace(/[\\%_]/g, '\\$&')}%`;
  return {
    stationId,
    hidden: query.hidden === 'yes',
    ...(query.guideId ? { guideId: query.guideId === 'none' ? null : query.guideId } : {}),
    ...(query.named ? { named: query.named === 'yes' } : {}),
    ...(query.place ? { place: query.place } : {}),
    ...(query.from || query.to
      ? { seenOn: { ...(query.from ? { $gte: query.from } : {}), ...(query.to ? { $lte: query.to } : {}) } }
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
export async function guideVersions(em: Em, records: readonly ReadWith[]): Promise<Map<string, Guide>> {
  const known = new Map<string, { guideId: string; version: number }>();
  for (const one of records) {
    if (one.guideId && one.guideVersion) known.set(versionKey(one), { guideId: one.guideId, version: one.guideVersion });
  }
  const wanted = [...known.values()];
  if (wanted.length === 0) return new Map();
  const stored = await em.find(GuideVersionEntity, { $or: wanted });
  return new Map(stored.map((row) => [versionKey({ guideId: row.guideId, guideVersion: row.version }), row.content]));
}

export const guideOf = (versions: Map<string, Guide>, record: ReadWith): Guide | undefined => versions.get(versionKey(record));

function rowOf(record: SpecimenRecord, guide: Guide | undefined): SpecimenRow {
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
    updatedAt: updatedAt.toISOString(),
  };
}
