import { createHash, randomUUID } from 'node:crypto';
import type { CaptureWrite, OfficeFile, OfficeReceipt, OfficeView, Recovery, SiteWrite, VisitWrite } from '@plesion/contract';
import { atLiberty } from '@plesion/core/fieldwork';
import { seasonCsv, sensitiveTaxa } from '@plesion/core/formats';
import type { Guide } from '@plesion/core/guide';
import { readTable } from '@plesion/core/import';
import type { Em } from '../database/orm';
import { findGuide, listGuides } from '../guides/service';
import { gridOf } from '../station/grid';
import { badRequest, HttpProblem, notFound } from '../http/errors';
import type { Writer } from '../records/write';
import type { Office } from './office';

/** Errors of a file, files and recoveries that are told. */
const ERRORS = 200;
const FILES = 20;
const RECOVERIES = 500;

interface FileRow {
  id: string;
  station_id: string;
  year: number;
  content: string;
  rows: number;
  account: string;
  at: Date;
  state: OfficeFile['state'];
  tries: number;
  tried_at: Date | null;
  said: string | null;
  receipt: OfficeReceipt | null;
}

const noOffice = () =>
  new HttpProblem(409, {
    code: 'no-office',
    message: 'No ringing office is set. Whoever runs the server sets OFFICE_URL to its address.',
  });

export async function officeView(em: Em, stationId: string, office: Office | undefined): Promise<OfficeView> {
  const execute = <T>(sql: string, values: unknown[]) => em.getConnection().execute<T[]>(sql, values);
  const files = await execute<FileRow>('select * from office_file where station_id = ? order by at desc limit ?', [
    stationId,
    FILES,
  ]);
  const years = await execute<{ year: number; rows: number }>(
    `select extract(year from at at time zone 'UTC')::int as year, count(*)::int as rows from capture
     where station_id = ? and not hidden and mark is not null group by 1 order by 1 desc`,
    [stationId],
  );
  return { known: office !== undefined, years, files: files.map(fileOf), recoveries: await recoveriesOf(em, stationId) };
}

function fileOf({ id, year, content, rows, account, at, state, tries, tried_at, said, receipt }: FileRow): OfficeFile {
  const errors = receipt?.errors ?? [];
  const table = errors.length ? readTable(content, { delimiter: ',' }) : undefined;
  const lines = new Map(table?.ok ? table.value.rows.map(({ line, cells }) => [line, cells]) : []);
  return {
    id,
    year,
    rows,
    by: account,
    at: new Date(at).toISOString(),
    state,
    tries,
    ...(said ? { said } : {}),
    ...(tried_at ? { triedAt: new Date(tried_at).toISOString() } : {}),
    ...(receipt ? { receipt: receipt.receipt, taken: receipt.taken } : {}),
    errors: errors.slice(0, ERRORS).map((error) => {
      const [captureId, ring] = lines.get(error.line) ?? [];
      return { ...error, ...(captureId ? { captureId } : {}), ...(ring ? { ring } : {}) };
    }),
    errorCount: errors.length,
  };
}

/** Recoveries, the newest first, each beside the last capture here before it: one query for all of them. */
export async function recoveriesOf(em: Em, stationId: string, mark?: string): Promise<OfficeView['recoveries']> {
  const rows = await em
    .getConnection()
    .execute<
      { content: Recovery; day: string | null; capture: CaptureWrite['position'] | null; site: SiteWrite['position'] | null }[]
    >(
      `select recovery.content, to_char(before.at at time zone 'UTC', 'YYYY-MM-DD') as day, before.content->'position' as capture,
       site.content->'position' as site
     from recovery
     left join lateral (
       select at, content, visit_id from capture
       where capture.station_id = recovery.station_id and capture.mark = recovery.mark and not hidden
         and capture.at < recovery.found_on + 1
       order by at desc limit 1
     ) before on true
     left join visit on visit.station_id = recovery.station_id and visit.id = before.visit_id
     left join site on site.station_id = recovery.station_id and site.id = visit.site_id
     where recovery.station_id = ? ${mark ? 'and recovery.mark = ?' : ''} order by recovery.found_on desc limit ?`,
      [stationId, ...(mark ? [mark] : []), RECOVERIES],
    );
  return rows.map(({ content, day, capture, site }) => {
    const at = capture ?? site ?? undefined;
    return { ...content, ...(day ? atLiberty({ day, at }, { day: content.foundOn, at: content.position }) : {}) };
  });
}

/** Make a year's file and try to send it; the same content again is the file that there is. */
export async function reportSeason(em: Em, writer: Writer, office: Office | undefined, year: number): Promise<OfficeFile> {
  if (!office) throw noOffice();
  const { stationId, accountName } = writer;
  const { content, rows } = await seasonOf(em, stationId, year);
  if (!rows) throw badRequest([{ code: 'no-rings', message: `No ring was put on or met in ${year}.`, field: 'year' }]);
  const sha256 = createHash('sha256').update(content).digest('hex');
  const [made] = await em.getConnection().execute<{ id: string }[]>(
    `insert into office_file (station_id, id, year, sha256, content, rows, account, at, state)
     values (?, ?, ?, ?, ?, ?, ?, now(), 'waiting')
     on conflict (station_id, sha256) do update set sha256 = excluded.sha256 returning id`,
    [stationId, randomUUID(), year, sha256, content, rows, accountName],
  );
  return sendFile(em, stationId, office, made.id);
}

/** Try to send a file; one that was answered stays as it was. */
export async function sendFile(em: Em, stationId: string, office: Office | undefined, id: string): Promise<OfficeFile> {
  if (!office) throw noOffice();
  const find = async () =>
    (
      await em.getConnection().execute<FileRow[]>('select * from office_file where station_id = ? and id = ?', [stationId, id])
    )[0] as FileRow | undefined;
  const file = await find();
  if (!file) throw notFound('office file');
  if (file.state !== 'waiting') return fileOf(file);
  const sent = await office.send(id, stationId, file.content);
  // Two at once send the same file twice, which does no harm; an answer is not written over.
  await em.getConnection().execute(
    `update office_file set state = ?, said = ?, receipt = ?::jsonb, tries = tries + 1, tried_at = now()
     where station_id = ? and id = ? and state = 'waiting'`,
    [
      sent.state,
      sent.state === 'taken' ? null : sent.said,
      sent.state === 'taken' ? JSON.stringify(sent.receipt) : null,
      stationId,
      id,
    ],
  );
  return fileOf((await find())!);
}

/** Ask the office for recoveries, and keep those that are new. */
export async function fetchRecoveries(em: Em, stationId: string, office: Office | undefined): Promise<void> {
  if (!office) throw noOffice();
  const found = await office.recoveries(stationId).catch(() => {
    throw new HttpProblem(503, {
      code: 'office-away',
      message: 'The ringing office cannot be reached just now. Try again later.',
    });
  });
  await em.getConnection().execute(
    `insert into recovery (station_id, id, mark, found_on, content, received_at)
     select ?, (one->>'id')::uuid, one->>'ring', (one->>'foundOn')::date, one, now() from jsonb_array_elements(?::jsonb) as one
     on conflict (station_id, id) do nothing`,
    [stationId, JSON.stringify(found)],
  );
}

/** The file of a year: every capture with a ring, in order of time. */
async function seasonOf(em: Em, stationId: string, year: number): Promise<{ content: string; rows: number }> {
  const rows = await em.getConnection().execute<{ id: string; capture: CaptureWrite; visit: VisitWrite; site: SiteWrite }[]>(
    `select capture.id, capture.content as capture, visit.content as visit, site.content as site from capture
     join visit on visit.station_id = capture.station_id and visit.id = capture.visit_id
     join site on site.station_id = visit.station_id and site.id = visit.site_id
     where capture.station_id = ? and not capture.hidden and capture.mark is not null and capture.at >= ? and capture.at < ?
     order by capture.at, capture.id`,
    [stationId, `${year}-01-01T00:00:00Z`, `${year + 1}-01-01T00:00:00Z`],
  );
  const guides = new Map<string, { guide: Guide; sensitive: Set<string> }>();
  const known = new Set((await listGuides(em, stationId)).map(({ id }) => id));
  for (const id of new Set(rows.flatMap(({ capture }) => capture.guideId ?? [])))
    if (known.has(id)) {
      const { guide } = await findGuide(em, stationId, id);
      guides.set(id, { guide, sensitive: new Set(sensitiveTaxa(guide)) });
    }
  const grid = await gridOf(em, stationId);
  const lines = rows.map(({ id, capture, visit, site }) => {
    const by = guides.get(capture.guideId ?? '');
    const taxon = by?.guide.taxa.find((one) => one.id === capture.taxon);
    return {
      id,
      capture,
      site,
      kind: taxon?.name ?? capture.name ?? '',
      people: visit.people,
      ...(by?.sensitive.has(capture.taxon ?? '') ? { grid } : {}),
    };
  });
  return { content: seasonCsv(lines), rows: rows.length };
}
