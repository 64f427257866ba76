import type { AuditFilter, AuditLine, AuditList, AuditQuery } from '@plesion/contract/audit';
import { auditCsv } from '@plesion/core/formats';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';
import type { Caller } from '../http/route';
import { ITS_FIELDS, ITS_RECORD } from './deeds';

const PAGE = 100;

/** Lines of a file at most. */
const FILE = 50_000;

/** Everything that was done in a station; each part is append-only. Eight times its id. */
const LINES = `
  select at, account as by, device, case when version = 1 then 'made' else 'changed' end as act, kind, record_id as id, version, fields,
    kind || ' ' || record_id || ' ' || lpad(version::text, 9, '0') as tie
  from change where station_id = ? and seq > 0
  union all
  select at, made_by, device, 'changed', 'draft', draft_id, n, '[]', 'draft ' || draft_id || ' ' || lpad(n::text, 9, '0') from draft_edit where station_id = ?
  union all
  select at, made_by, device, 'verified', 'verification', ${ITS_RECORD}, null, ${ITS_FIELDS}, 'verification ' || id from verification where station_id = ?
  union all
  select at, asked_by, device, 'asked', 'opinion', specimen_id, null, '[]', 'ask ' || id from opinion_ask where station_id = ?
  union all
  select o.at, o.given_by, o.device, 'answered', 'opinion', a.specimen_id, null, '[]', 'opinion ' || o.id from opinion o
  join opinion_ask a on a.station_id = o.station_id and a.id = o.ask_id where o.station_id = ?
  union all
  select at, made_by, device, 'reviewed', 'review', specimen_id, null, jsonb_build_array(word), 'review ' || id from review where station_id = ?
  union all
  select at, made_by, device, 'said', 'remark', specimen_id, null, '[]', 'remark ' || id from remark where station_id = ?
  union all
  select at, by, device, act, kind, record_id, null, fields, 'deed ' || id from deed where station_id = ?`;

/** Who did any of it. Eight times its id. */
const PEOPLE = `
  select account as by from change where station_id = ? and seq > 0
  union select made_by from verification where station_id = ?
  union select asked_by from opinion_ask where station_id = ?
  union select given_by from opinion where station_id = ?
  union select made_by from review where station_id = ?
  union select made_by from remark where station_id = ?
  union select made_by from draft_edit where station_id = ?
  union select by from deed where station_id = ?`;

/** Parts that each of them has. */
const PARTS = 8;

interface Row extends Omit<AuditLine, 'at' | 'version'> {
  version: number | null;
  /** To the microsecond, by which one goes on. */
  at: string;
  tie: string;
}

const CURSOR = /^(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{6}Z) (.{1,90})$/;

/** What was done, the newest first, a page at a time. */
export async function listAudit(em: Em, { stationId }: Caller, { after, ...filter }: AuditQuery): Promise<AuditList> {
  const from = after === undefined ? undefined : CURSOR.exec(after);
  if (from === null)
    throw badRequest([{ code: 'no-cursor', message: 'Go on with “next” of the answer before.', field: 'after' }]);
  const [rows, people] = await Promise.all([
    rowsOf(em, stationId, filter, PAGE + 1, from),
    em
      .getConnection()
      .execute<{ by: string }[]>(
        `select by from (${PEOPLE}) as people where by is not null order by by limit 200`,
        Array<string>(PARTS).fill(stationId),
      ),
  ]);
  const shown = rows.slice(0, PAGE);
  const last = shown.at(-1);
  return {
    lines: shown.map(lineOf),
    people: people.map(({ by }) => by),
    ...(rows.length > PAGE && last ? { next: `${last.at} ${last.tie}` } : {}),
  };
}

export const auditFile = async (em: Em, { stationId }: Caller, filter: AuditFilter): Promise<string> =>
  auditCsv((await rowsOf(em, stationId, filter, FILE)).map(lineOf));

const lineOf = ({ at, by, device, act, kind, id, version, fields }: Row): AuditLine => ({
  ...{ at, by, act, kind, id, fields },
  ...(device ? { device } : {}),
  ...(version === null ? {} : { version }),
});

function rowsOf(
  em: Em,
  stationId: string,
  { by, kind, record, from, to }: AuditFilter,
  most: number,
  after?: RegExpExecArray,
): Promise<Row[]> {
  const wanted: [sql: string, ...values: string[]][] = [];
  if (by !== undefined) wanted.push(['by = ?', by]);
  if (kind !== undefined) wanted.push(['kind = ?', kind]);
  if (record !== undefined) wanted.push(['id = ?::uuid', record]);
  if (from !== undefined) wanted.push(['at >= ?::timestamptz', `${from}T00:00:00Z`]);
  if (to !== undefined) wanted.push(["at < ?::timestamptz + interval '1 day'", `${to}T00:00:00Z`]);
  if (after) wanted.push(['(at, tie) < (?::timestamptz, ?)', after[1], after[2]]);
  return em.getConnection().execute<Row[]>(
    `select to_char(at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"') as at, by, device, act, kind, id, version, fields, tie
     from (${LINES}) as lines where ${wanted.map(([sql]) => sql).join(' and ') || 'true'}
     order by lines.at desc, tie desc limit ${most}`,
    [...Array<string>(PARTS).fill(stationId), ...wanted.flatMap(([, ...values]) => values)],
  );
}
