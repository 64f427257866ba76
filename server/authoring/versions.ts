import type { StoredGuide } from '@plesion/contract';
import type { GuideVersions, NamesTried } from '@plesion/contract/guideVersions';
import type { NamedBy } from '@plesion/core/analysis';
import type { Guide } from '@plesion/core/guide';
import type { KeptWalk } from '@plesion/core/keys';
import type { Reading, Situation } from '@plesion/core/observation';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { notFound } from '../http/errors';
import { findGuide } from '../guides/service';
import { keysAt } from '../keys/walk';

const NAMED_WITH = `(s.determinations->-1->>'guideVersion')::int`;
const NAMED = `s.station_id = ? and s.guide_id = ?::uuid and not s.hidden and s.named and ${NAMED_WITH} is not null`;

interface VersionRow extends Omit<GuideVersions['versions'][number], 'reviewed'> {
  reviewed: GuideVersions['versions'][number]['reviewed'] | null;
}

/** The versions of a guide, the newest first, with how many records were last named with each. */
export async function listVersions(em: Em, stationId: string, guideId: string): Promise<GuideVersions['versions']> {
  const rows = await em.getConnection().execute<VersionRow[]>(
    `select v.version, v.created_at as at, coalesce(named.n, 0)::int as records, v.reviewed
     from guide_version v left join (
       select ${NAMED_WITH} as version, count(*) as n from specimen s where ${NAMED} group by 1
     ) as named on named.version = v.version
     where v.station_id = ? and v.guide_id = ?::uuid order by v.version desc`,
    [stationId, guideId, stationId, guideId],
  );
  if (rows.length === 0) throw notFound('guide');
  return rows.map(({ at, reviewed, ...row }) => ({ ...row, at: new Date(at).toISOString(), ...(reviewed ? { reviewed } : {}) }));
}

/** Tried at once: whoever asks goes on, and may stop. */
const AT_ONCE = 50;

interface Named {
  id: string;
  label: string;
  version: number;
  situation: Situation;
  readings: Reading[];
  /** Through a key, where it was named at its end. */
  walk: KeptWalk | null;
}

/**
 * What another version of a guide calls the records that were named with an earlier one, on what each name was given on.
 * Nothing of it is kept: a record stays on the version it was named with.
 *
 * @param other the guide to be tried: a draft, or the newest version.
 * @param but the version it is itself; records named with it are passed over.
 */
export async function tryNames(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  other: { guide: Guide; hash: string },
  after: string | undefined,
  but: number | null = null,
): Promise<NamesTried> {
  const those = `${NAMED} and (?::int is null or ${NAMED_WITH} <> ?::int)`;
  const values = [stationId, guideId, but, but];
  const connection = em.getConnection();
  const [[{ total }], records] = await Promise.all([
    connection.execute<[{ total: number }]>(`select count(*)::int as total from specimen s where ${those}`, values),
    connection.execute<Named[]>(
      `select s.id, s.label, ${NAMED_WITH} as version,
         coalesce(s.determinations->-1->'pinned'->'situation', s.situation) as situation,
         coalesce(s.determinations->-1->'pinned'->'readings', s.readings) as readings,
         s.determinations->-1->'pinned'->'walk' as walk
       from specimen s where ${those} and (?::uuid is null or s.id > ?::uuid) order by s.id limit ${AT_ONCE}`,
      [...values, after ?? null, after ?? null],
    ),
  ]);
  const named = await withKeys(em, stationId, records);
  const now = await pool.ask(stationId, 'names', { records: named }, other);
  const then = new Map<string, NamedBy>();
  // What the other has no more is called as it was.
  const labels = new Map<string, string>();
  for (const [version, some] of byVersion(named)) {
    const book = await findGuide(em, stationId, guideId, version);
    const names = await pool.ask(stationId, 'names', { records: some }, book);
    some.forEach(({ id }, i) => then.set(id, names[i]));
    for (const { id, label } of book.guide.characters) labels.set(id, label);
  }
  const changed = records.flatMap(({ id, label, version }, i) => {
    const was = then.get(id)!;
    if (was.name === now[i].name) return [];
    const left = now[i].left.filter((character) => !was.left.includes(character)).map((one) => labels.get(one) ?? one);
    return [{ id, label, version, then: calledBy(was), now: calledBy(now[i]), left }];
  });
  const next = records.length < AT_ONCE ? null : records[AT_ONCE - 1].id;
  return { total, tried: records.length, changed, next };
}

const calledBy = ({ name, p }: NamedBy) => ({ name, ...(p === undefined ? {} : { p }) });

/** Each walk with the key that it goes through; where that is gone, it says nothing. */
async function withKeys(em: Em, stationId: string, records: readonly Named[]) {
  const keyAt = await keysAt(
    em,
    stationId,
    records.flatMap(({ walk }) => walk ?? []),
  );
  return records.map(({ walk, ...record }) => {
    const key = walk && keyAt(walk);
    return { ...record, ...(key ? { walk: { key, answers: walk.answers, start: walk.start } } : {}) };
  });
}

function byVersion<T extends { version: number }>(records: readonly T[]): Map<number, T[]> {
  const books = new Map<number, T[]>();
  for (const one of records) books.set(one.version, [...(books.get(one.version) ?? []), one]);
  return books;
}

/** Records named with earlier versions, tried on the newest. */
export async function tryOnNewest(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  after: string | undefined,
): Promise<NamesTried> {
  const newest: StoredGuide = await findGuide(em, stationId, guideId);
  return tryNames(em, pool, stationId, guideId, newest, after, newest.version);
}
