import type { CaptureWrite, FieldView } from '@plesion/contract';
import { contradictions, type Seen, sexIn, type TurnedOut } from '@plesion/core/fieldwork';
import { VERIFICATION_WORDS, type VerificationKind } from '@plesion/core/verification';
import { CaptureEntity, VisitEntity } from '../database/fieldEntities';
import type { Em } from '../database/orm';
import { surestOfMark } from '../verifications/surest';
import { familiesOf } from './captures';
import { listSheets, listSites, listStrings, withCatch } from './service';

/** Visits shown that have ended, captures of marks met again that are looked through, reminders. */
const RECENT = 12;
const MARKS = 400;
const DUE = 60;

/** What is under way, due, left, and what looks wrong. */
export async function fieldView(em: Em, stationId: string, today: string): Promise<FieldView> {
  const where = { stationId, hidden: false };
  const open = await em.find(VisitEntity, { ...where, endedAt: null }, { orderBy: { startedAt: 'desc' }, limit: 50 });
  const recent = await em.find(
    VisitEntity,
    { ...where, endedAt: { $ne: null } },
    { orderBy: { startedAt: 'desc', id: 'desc' }, limit: RECENT },
  );
  const rows = await withCatch(em, stationId, [...open, ...recent]);
  const due = await em.find(CaptureEntity, { ...where, due: { $ne: null } }, { orderBy: { due: 'asc' }, limit: DUE });
  const year = Number(today.slice(0, 4));
  return {
    sites: await listSites(em, stationId, false),
    open: rows.slice(0, open.length),
    recent: rows.slice(open.length),
    due: due.map(({ id, mark, content }) => {
      const { followUp } = content as CaptureWrite;
      return { captureId: id, ...(mark ? { mark } : {}), due: followUp!.due, text: followUp!.text };
    }),
    strings: await listStrings(em, stationId, false),
    sheets: await listSheets(em, stationId, false),
    ...(await seasonOf(em, stationId, year)),
    wrong: await wrongOf(em, stationId),
  };
}

/** Captures of a year by what became of them, and rings put on at each site. */
async function seasonOf(em: Em, stationId: string, year: number): Promise<Pick<FieldView, 'season' | 'used'>> {
  const rows = await em.getConnection().execute<{ site_id: string; what: string; n: string }[]>(
    `select visit.site_id, capture.what, count(*) as n from capture
     join visit on visit.station_id = capture.station_id and visit.id = capture.visit_id
     where capture.station_id = ? and not capture.hidden and capture.at >= ? and capture.at < ?
     group by visit.site_id, capture.what`,
    [stationId, `${year}-01-01T00:00:00Z`, `${year + 1}-01-01T00:00:00Z`],
  );
  const sum = (what: string) => rows.filter((row) => row.what === what).reduce((all, { n }) => all + Number(n), 0);
  return {
    season: {
      year,
      ringed: sum('ringed'),
      again: sum('again'),
      unringed: sum('unringed'),
      others: sum('other-kind'),
      lost: sum('lost'),
    },
    used: rows.filter(({ what }) => what === 'ringed').map(({ site_id, n }) => ({ siteId: site_id, ringed: Number(n) })),
  };
}

/** What is known of a mark's bearer; nothing in each where nothing is. */
interface Known {
  taxon: string | null;
  sex: string | null;
  kind: VerificationKind | null;
}

/** Marks met again of late whose captures do not go together; all of their captures are fetched as one set. */
async function wrongOf(em: Em, stationId: string): Promise<FieldView['wrong']> {
  const rows = await em
    .getConnection()
    .execute<(Pick<CaptureWrite, 'overrides'> & Omit<Seen, 'overrides' | 'day'> & { mark: string; day: string; truth: Known })[]>(
      `select m.id, m.mark, to_char(m.at at time zone 'UTC', 'YYYY-MM-DD') as day, m.what, content->>'taxon' as taxon, content->>'name' as name,
       content->'age' as age, content->>'sex' as sex, content->'overrides' as overrides,
       jsonb_build_object('taxon', sure.taxon, 'sex', sure.facets->>'sex', 'kind', sure.kind) as truth
     from capture m left join lateral ${surestOfMark('v.*')} as sure on true
     where m.station_id = ? and not m.hidden and m.mark in (
       select mark from capture where station_id = ? and what = 'again' and not hidden order by at desc limit ?
     ) order by m.at, m.id`,
      [stationId, stationId, MARKS],
    );
  const byMark = new Map<string, Seen[]>();
  const truths = new Map<string, TurnedOut>();
  for (const { mark, truth, ...row } of rows) {
    const { kind, taxon, sex } = truth;
    if (kind)
      truths.set(mark, {
        taxon: taxon ?? undefined,
        sex: sexIn(undefined, sex ? { sex } : {}),
        how: `by ${VERIFICATION_WORDS[kind]}`,
      });
    // What is not there is null in the row.
    const told = Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null)) as unknown as Seen;
    byMark.set(mark, [...(byMark.get(mark) ?? []), told]);
  }
  const families = await familiesOf(em, stationId);
  return [...byMark].reverse().flatMap(([mark, seen]) =>
    contradictions(seen, families, truths.get(mark))
      .filter(({ resolved }) => !resolved)
      .map(({ code, message, between }) => ({ mark, code, message, captureId: between[1] })),
  );
}
