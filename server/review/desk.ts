import type { Desk, DeskQuery, DeskRecord } from '@plesion/contract/review';
import { TELLS } from '@plesion/core/evidence';
import type { Reading, Situation } from '@plesion/core/observation';
import { type Look, worthOf } from '@plesion/core/review';
import type { Determination, GivenName, Media } from '@plesion/core/specimen';
import { turnedOut } from '@plesion/core/verification';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';
import { withTopPhoto } from '../photos/withTop';
import { guideOf, guideVersions } from '../specimens/list';
import { judgeWaiting } from '../verifications/judging';
import { lookAnew } from './looks';
import { WAITS, waitsFor } from './waits';

/** Shown at once. */
const PAGE = 30;

/** Weighed against each other, at most. */
const RANKED = 2000;

type Named = Pick<Determination, 'by' | 'p' | 'facets'> & { taxon: string; other?: string };

interface Waiting {
  id: string;
  guideId: string;
  guideVersion: number;
  name: Named;
  look: Look;
}

const OF_THEM = `
  from specimen s
  join guide g on g.station_id = s.station_id and g.id = s.guide_id
  join review_look l on l.station_id = s.station_id and l.specimen_id = s.id
    and l.specimen_version = s.version and l.guide_version = g.version and l.look is not null
  cross join lateral (select s.determinations->-1 as call) c
  where s.station_id = ? and ${WAITS}`;

/** Those that may be the most worth a look, by what stands in their rows. */
const WAITING = `
  select s.id, s.guide_id as "guideId", g.version as "guideVersion", l.look,
    jsonb_strip_nulls(jsonb_build_object('by', c.call->'by', 'p', c.call->'p', 'facets', c.call->'facets',
      'taxon', c.call->'taxon', 'other', c.call->'other')) as name
  ${OF_THEM} and (?::uuid is null or s.guide_id = ?::uuid)
  order by 1 - (c.call->>'p')::float + (l.look->>'missed')::float desc, s.id limit ${RANKED}`;

const GUIDES = `select s.guide_id as id, g.title, count(*)::int as n ${OF_THEM} group by 1, 2 order by 2`;

/** What waits for a reviewer, the most worth a look first. */
export async function desk(
  em: Em,
  pool: AnalysisPool,
  { stationId, accountName }: Caller,
  { guideId }: DeskQuery,
): Promise<Desk> {
  await judgeWaiting(em, pool, stationId);
  await lookAnew(em, pool, stationId, accountName);
  const values = [stationId, ...waitsFor(accountName)];
  const ask = <Row>(sql: string, more: (string | null)[] = []) => em.getConnection().execute<Row[]>(sql, [...values, ...more]);
  const [waiting, guides, today] = await Promise.all([
    ask<Waiting>(WAITING, [guideId ?? null, guideId ?? null]),
    ask<Desk['guides'][number]>(GUIDES),
    saidToday(em, stationId, accountName),
  ]);
  const ranked = await rank(em, stationId, waiting);
  const total = guides.reduce((sum, { id, n }) => sum + (guideId === undefined || guideId === id ? n : 0), 0);
  return { records: await detailsOf(em, stationId, ranked.slice(0, PAGE)), total, today, guides };
}

type Ranked = Waiting & Pick<DeskRecord, 'worth' | 'reasons'>;

async function rank(em: Em, stationId: string, waiting: readonly Waiting[]): Promise<Ranked[]> {
  if (waiting.length === 0) return [];
  const [records, opinions, names] = await Promise.all([
    recordsByMark(em, stationId),
    opinionsOn(em, stationId),
    namesByTaxon(em, stationId),
  ]);
  const guides = await guideVersions(em, stationId, waiting);
  return waiting
    .map((one): Ranked => {
      const { id, guideId, name, look } = one;
      const guide = guideOf(guides, one)!;
      const given = opinions.get(id) ?? [];
      const differing = given.filter((opinion) => turnedOut(guide, { ...opinion, taxon: opinion.taxon! }, name) === false).length;
      const count = names.get(guideId);
      const { lead } = look;
      const mark = lead && guide.characters.find((character) => character.id === lead.character);
      const record = mark && records.get(`${name.by} ${guideId} ${mark.id}`);
      const { worth, reasons } = worthOf(look, {
        ...{ p: name.p, by: name.by },
        names: { n: count?.n ?? 1, alike: count?.alike.get(name.taxon) ?? 1 },
        ...(record ? { record: { mark: mark.label.toLowerCase(), ...record } } : {}),
        ...(given.length ? { opinions: { n: given.length, differing } } : {}),
      });
      return { ...one, worth, reasons };
    })
    .sort((a, b) => b.worth - a.worth || (a.id < b.id ? -1 : 1));
}

/** How often each mark told each observer right, where it said something. */
async function recordsByMark(em: Em, stationId: string): Promise<Map<string, { n: number; hits: number }>> {
  const rows = await em.getConnection().execute<{ by: string; guideId: string; character: string; n: number; hits: number }[]>(
    `select by, guide_id as "guideId", mark->'reading'->>'character' as character, count(*)::int as n,
       count(*) filter (where (mark->>'bits')::float > 0)::int as hits
     from (select by, guide_id, jsonb_array_elements(judged->'marks') as mark from judged_call
       where station_id = ? and is_right is not null) as marks
     where abs((mark->>'bits')::float) >= ${TELLS} group by 1, 2, 3`,
    [stationId],
  );
  return new Map(rows.map(({ by, guideId, character, n, hits }) => [`${by} ${guideId} ${character}`, { n, hits }]));
}

/** What others called each specimen that they were asked about. */
async function opinionsOn(em: Em, stationId: string): Promise<Map<string, GivenName[]>> {
  const rows = await em.getConnection().execute<{ id: string; names: GivenName[] }[]>(
    `select a.specimen_id as id, jsonb_agg(o.opinion->'name') as names
     from opinion_ask a join opinion o on o.station_id = a.station_id and o.ask_id = a.id
     where a.station_id = ? and o.opinion->'name'->>'taxon' is not null group by 1`,
    [stationId],
  );
  return new Map(rows.map(({ id, names }) => [id, names]));
}

/** How often each name was given by each guide. */
async function namesByTaxon(em: Em, stationId: string): Promise<Map<string, { n: number; alike: Map<string, number> }>> {
  const rows = await em.getConnection().execute<{ guideId: string; taxon: string; n: number }[]>(
    `select guide_id as "guideId", determinations->-1->>'taxon' as taxon, count(*)::int as n from specimen
     where station_id = ? and not hidden and named and guide_id is not null and determinations->-1->>'taxon' is not null
     group by 1, 2`,
    [stationId],
  );
  const found = new Map<string, { n: number; alike: Map<string, number> }>();
  for (const { guideId, taxon, n } of rows) {
    const known = found.get(guideId) ?? { n: 0, alike: new Map<string, number>() };
    known.n += n;
    known.alike.set(taxon, n);
    found.set(guideId, known);
  }
  return found;
}

type Details = Pick<DeskRecord, 'id' | 'label' | 'recordedBy'> & {
  situation: Situation;
  readings: Reading[];
  name: Determination;
  photo: string | null;
  media: Media[];
};

async function detailsOf(em: Em, stationId: string, page: readonly Ranked[]): Promise<DeskRecord[]> {
  if (page.length === 0) return [];
  const rows = await em.getConnection().execute<Details[]>(
    `select s.id, s.label, s.recorded_by as "recordedBy", s.situation, s.readings, (s.determinations->-1) - 'pinned' as name, s.photo,
       coalesce((select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('id', m.id, 'kind', m.kind, 'hash', m.hash, 'view', m.view,
           'note', m.note, 'credit', m.credit)) order by m.position)
         from media m where m.station_id = s.station_id and m.specimen_id = s.id and m.kind <> 'sound'), '[]') as media
     from specimen s where s.station_id = ? and s.id in (${page.map(() => '?').join(', ')})`,
    [stationId, ...page.map(({ id }) => id)],
  );
  const found = new Map(rows.map((row) => [row.id, row]));
  return page.flatMap(({ id, guideId, look, worth, reasons }): DeskRecord[] => {
    const row = found.get(id);
    if (!row) return [];
    const { label, recordedBy, situation, readings, photo, name } = row;
    return [
      {
        id,
        label,
        guideId,
        recordedBy,
        situation,
        readings,
        media: withTopPhoto(id, photo, row.media),
        name,
        look,
        worth,
        reasons,
      },
    ];
  });
}

async function saidToday(em: Em, stationId: string, reviewer: string): Promise<number> {
  const [{ n }] = await em.getConnection().execute<{ n: number }[]>(
    `select count(distinct specimen_id)::int as n from review where station_id = ? and made_by = ? and withdrawn_at is null
       and at >= date_trunc('day', now() at time zone 'utc') at time zone 'utc'`,
    [stationId, reviewer],
  );
  return n;
}
