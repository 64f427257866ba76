import type { Judgement } from '@plesion/core/guide';
import type { Reading, Situation } from '@plesion/core/observation';
import type { Look, Named } from '@plesion/core/review';
import type { Determination } from '@plesion/core/specimen';
import type { AnalysisPool } from '../analysis/pool';
import { bound } from '../database/bound';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { WAITS, waitsFor } from './waits';

/** Looked at at once, at most: a desk asks again for the rest. */
const AT_ONCE = 500;

interface Unlooked {
  id: string;
  version: number;
  guideId: string;
  situation: Situation;
  readings: Reading[];
  judgement: Judgement | null;
  name: Determination & { taxon: string };
  shown: string[];
}

const UNLOOKED = `
  select s.id, s.version, s.guide_id as "guideId", s.situation, s.readings, s.judgement, s.determinations->-1 as name,
    coalesce((select jsonb_agg(distinct m.view) from media m
      where m.station_id = s.station_id and m.specimen_id = s.id and m.view is not null), '[]') as shown
  from specimen s join guide g on g.station_id = s.station_id and g.id = s.guide_id
  where s.station_id = ? and ${WAITS} and not exists (
    select 1 from review_look l where l.station_id = s.station_id and l.specimen_id = s.id
      and l.specimen_version = s.version and l.guide_version = g.version
  )
  order by s.updated_at desc limit ${AT_ONCE}`;

/** Kept only where the record was not written meanwhile. */
const KEPT = `
  insert into review_look (station_id, specimen_id, specimen_version, guide_version, look)
  select s.station_id, s.id, one.version, one.guide_version, one.look
  from jsonb_to_recordset(?::jsonb) as one (id uuid, version int, guide_version int, look jsonb)
  join specimen s on s.station_id = ?::uuid and s.id = one.id and s.version = one.version
  on conflict (station_id, specimen_id) do update
    set specimen_version = excluded.specimen_version, guide_version = excluded.guide_version, look = excluded.look`;

/** Work out what a reviewer has before them of each record that waits and has changed, or its guide has. */
export async function lookAnew(em: Em, pool: AnalysisPool, stationId: string, reviewer: string): Promise<void> {
  const unlooked = await em.getConnection().execute<Unlooked[]>(UNLOOKED, [stationId, ...waitsFor(reviewer)]);
  const books = new Map<string, Unlooked[]>();
  for (const one of unlooked) books.set(one.guideId, [...(books.get(one.guideId) ?? []), one]);
  for (const [guideId, some] of books) {
    const book = await findGuide(em, stationId, guideId);
    // A name may be of a taxon that a newer guide has no more: such a record has no look, and is not looked at again.
    const known = new Set(book.guide.taxa.map(({ id }) => id));
    const named = some.filter(({ name: { taxon, other } }) => known.has(taxon) && (!other || known.has(other)));
    const looks = await pool.ask(stationId, 'look', { records: named.map(askedOf) }, book);
    const found = new Map(named.map(({ id }, i): [string, Look] => [id, looks[i]]));
    const rows = some.map(({ id, version }) => ({ id, version, guide_version: book.version, look: found.get(id) ?? null }));
    await em.transactional((tx) => bound(tx, KEPT, [JSON.stringify(rows), stationId]));
  }
}

function askedOf({ situation, readings, judgement, name, shown }: Unlooked): Named & { judgement?: Judgement } {
  const { qualifier, taxon, other, facets, union } = name;
  return {
    ...{ situation, readings, shown: [...shown, ...(situation.views ?? [])] },
    name: { qualifier, taxon, ...(other ? { other } : {}), facets, ...(union ? { union } : {}) },
    ...(judgement ? { judgement } : {}),
  };
}
