import { join } from 'node:path';
import type { Checklist, KnownName } from '@plesion/contract';
import { bound } from '../database/bound';
import type { Em } from '../database/orm';
import { bring, type FileStore } from '../files/store';
import { badRequest, notFound } from '../http/errors';
import type { JobKinds } from '../jobs/kinds';
import type { ChecklistPool } from './pool';
import { importKey } from './work';

/** Rows stored with one statement, checklists and names that are told. */
const SOME = 5000;
const LISTS = 100;
const NAMES = 12;

/** Read in a checklist: all of its names, or nothing. */
export const readChecklistKind = (files: FileStore, pool: ChecklistPool): JobKinds['readChecklist'] => ({
  async work(_em, { stationId, accountName }, { id, file }, { signal, onProgress, folder }) {
    const path = join(await folder(), 'file');
    if (!(await bring(files, importKey(stationId, id), path)))
      throw badRequest([
        { code: 'file-gone', message: 'The file that was sent is not there any more; send it once more.', field: 'file' },
      ]);
    const read = await pool.run({ path }, signal, onProgress);
    if (!read.ok) throw badRequest(read.problems);
    const { names, notUnderstood } = read.value;
    return async (tx): Promise<Checklist> => {
      const at = new Date().toISOString();
      const synonyms = names.filter(({ name, accepted }) => name !== accepted).length;
      await bound(
        tx,
        `insert into checklist (station_id, id, file, account, at, names, synonyms, not_understood)
         values (?, ?, ?, ?, ?, ?, ?, ?::jsonb)`,
        [stationId, id, file, accountName, at, names.length, synonyms, JSON.stringify(notUnderstood)],
      );
      for (let i = 0; i < names.length; i += SOME)
        await bound(
          tx,
          `insert into checklist_name (station_id, checklist_id, name, accepted, rank, vernacular)
           select ?, ?, name, accepted, rank, vernacular
           from json_to_recordset(?::json) as one (name text, accepted text, rank text, vernacular text)`,
          [stationId, id, JSON.stringify(names.slice(i, i + SOME))],
        );
      return { id, file, by: accountName, at, names: names.length, synonyms, notUnderstood };
    };
  },
  ended: ({ stationId, id }) => files.remove(importKey(stationId, id)),
});

export async function listChecklists(em: Em, stationId: string): Promise<Checklist[]> {
  const rows = await em
    .getConnection()
    .execute<(Omit<Checklist, 'by' | 'notUnderstood'> & { account: string; not_understood: string[] })[]>(
      'select * from checklist where station_id = ? order by at desc limit ?',
      [stationId, LISTS],
    );
  return rows.map(({ id, file, account, at, names, synonyms, not_understood }) => ({
    id,
    file,
    by: account,
    at: new Date(at).toISOString(),
    names,
    synonyms,
    notUnderstood: not_understood,
  }));
}

export async function removeChecklist(em: Em, stationId: string, id: string): Promise<void> {
  const gone = await em
    .getConnection()
    .execute<object[]>('delete from checklist where station_id = ? and id = ? returning id', [stationId, id]);
  if (!gone.length) throw notFound('checklist');
}

/** Names that hold all words asked, those that begin so first; each once. */
export async function namesWith(em: Em, stationId: string, text: string): Promise<KnownName[]> {
  const words = text.split(/\s+/).filter(Boolean);
  const holding = (word: string) => `%${word.replace(/[%_\\]/g, '\\$&')}%`;
  const rows = await em
    .getConnection()
    .execute<{ name: string; accepted: string; rank: string | null; vernacular: string | null }[]>(
      `select name, accepted, rank, vernacular from (
         select distinct on (lower(name)) name, accepted, rank, vernacular from checklist_name
         where station_id = ? ${words.map(() => `and (name || ' ' || coalesce(vernacular, '')) ilike ?`).join(' ')}
         order by lower(name), checklist_id
       ) known order by (name ilike ?) desc, name limit ?`,
      [stationId, ...words.map(holding), holding(text).slice(1), NAMES],
    );
  return rows.map(({ name, accepted, rank, vernacular }) => ({
    name,
    accepted,
    ...(rank ? { rank } : {}),
    ...(vernacular ? { vernacular } : {}),
  }));
}
