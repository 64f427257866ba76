import type { ImportMade, ImportTakenBack } from '@plesion/contract';
import type { Em } from '../database/orm';
import { badRequest, notFound } from '../http/errors';
import { logSets, type WrittenSet } from '../records/changes';
import type { Writer } from '../records/write';

const MOST = 200;

interface ImportRow {
  id: string;
  file: string;
  account: string;
  at: Date;
  sites: number;
  visits: number;
  captures: number;
  taken_back_at: Date | null;
}

export async function listImports(em: Em, stationId: string): Promise<ImportMade[]> {
  const rows = await em
    .getConnection()
    .execute<ImportRow[]>('select * from field_import where station_id = ? order by at desc limit ?', [stationId, MOST]);
  return rows.map(({ id, file, account, at, sites, visits, captures, taken_back_at: back }) => ({
    id,
    file,
    by: account,
    at: new Date(at).toISOString(),
    sites,
    visits,
    captures,
    ...(back ? { takenBackAt: new Date(back).toISOString() } : {}),
  }));
}

/**
 * Hide what came in together, but for what was changed since; a visit or a site stays as long as something is at it.
 * Read in again, it comes back.
 */
export async function takeBack(em: Em, writer: Writer, id: string): Promise<ImportTakenBack> {
  const { stationId } = writer;
  return em.transactional(async (tx) => {
    const execute = <T>(sql: string, values: unknown[]) =>
      tx.getConnection().execute<T[]>(sql, values, 'all', tx.getTransactionContext());
    const [made] = await execute<ImportRow>('select * from field_import where station_id = ? and id = ? for update', [
      stationId,
      id,
    ]);
    if (!made) throw notFound('import');
    if (made.taken_back_at)
      throw badRequest([
        { code: 'taken-back', message: 'This was taken back already. Read the file in again to have it.', field: 'id' },
      ]);
    const hide = async (kind: 'capture' | 'visit' | 'site', free: string): Promise<WrittenSet> => ({
      kind,
      records: await execute<{ id: string; version: number }>(
        `with hid as (
           update ${kind} here set hidden = true, version = version + 1, updated_at = now()
           where station_id = ? and import_id = ? and not hidden and updated_at = ? ${free} returning station_id, id, version, content
         ), kept as (
           insert into earlier_state (station_id, kind, record_id, version, content)
           select station_id, '${kind}', id, version - 1, content || '{"hidden": false}' from hid
         )
         select id, version from hid`,
        [stationId, id, made.at],
      ),
      fields: ['hidden'],
    });
    const empty = (part: string, column: string) =>
      `and not exists (select from ${part} where ${part}.station_id = here.station_id and ${part}.${column} = here.id and not ${part}.hidden)`;
    const hidden = [await hide('capture', '')];
    hidden.push(await hide('visit', empty('capture', 'visit_id')));
    hidden.push(await hide('site', `${empty('visit', 'site_id')} ${empty('field_count', 'site_id')}`));
    await execute('update field_import set taken_back_at = now() where station_id = ? and id = ?', [stationId, id]);
    await logSets(tx, writer, hidden);
    const captures = hidden[0].records.length;
    return { captures, kept: made.captures - captures };
  });
}
