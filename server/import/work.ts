import { join } from 'node:path';
import type { ImportMade } from '@plesion/contract';
import { batchesOf } from '../files/lines';
import { bring, type FileStore } from '../files/store';
import { familiesOf } from '../fieldwork/captures';
import { SiteEntity } from '../database/fieldEntities';
import type { Em } from '../database/orm';
import { guideNamed, listGuides } from '../guides/service';
import { badRequest } from '../http/errors';
import type { ImportAsked, JobKinds, JobTools } from '../jobs/kinds';
import type { Writer } from '../records/write';
import type { ImportPool } from './pool';
import { type ImportRead, type Kind, KINDS, linesOf } from './read';
import { storeRows } from './store';

/** Where a file that is to be read in lies among the station's. */
export const importKey = (stationId: string, id: string) => `${stationId}/imports/${id}`;

/** Share of the work that is not storing. */
const READ = 0.8;

/** Try to read a file; nothing is stored, and the file lies ready for a day. */
export const tryImportKind = (files: FileStore, pool: ImportPool): JobKinds['tryImport'] => ({
  async work(em, writer, asked, tools) {
    const { read } = await readFile(em, files, pool, writer, asked, tools, 1);
    return async () => ({ ...read, id: tools.id, source: asked.id, file: asked.file });
  },
  async ended({ stationId, id }, done) {
    if (!done) await files.remove(importKey(stationId, id));
  },
});

/** Read in what was tried: all of it, or nothing. */
export const importRecordsKind = (files: FileStore, pool: ImportPool): JobKinds['importRecords'] => ({
  async work(em, writer, asked, tools) {
    const { read, folder, at } = await readFile(em, files, pool, writer, asked, tools, READ);
    if (read.wrongLines)
      throw badRequest([
        {
          code: 'lines-wrong',
          message: `${read.wrongLines} lines cannot be read in as they are. Mend them or leave them out, and try once more; nothing was stored.`,
          field: 'tried',
        },
        ...read.problems,
      ]);
    return async (tx): Promise<ImportMade> => {
      const made = { id: tools.id, file: asked.file, by: writer.accountName, at };
      const stored: Record<Kind, number> = { sites: 0, visits: 0, captures: 0 };
      await storeRows(tx, writer, made, async (store) => {
        for (const kind of KINDS)
          for await (const rows of batchesOf(linesOf(folder, kind))) stored[kind] += await store(kind, rows);
        return stored;
      });
      return { ...made, ...stored };
    };
  },
});

async function readFile(
  em: Em,
  files: FileStore,
  pool: ImportPool,
  { stationId, accountName }: Writer,
  { id, file, how }: ImportAsked,
  { signal, onProgress, folder }: JobTools,
  share: number,
): Promise<{ read: ImportRead; folder: string; at: string }> {
  const own = await folder();
  const path = join(own, 'file');
  if (!(await bring(files, importKey(stationId, id), path)))
    throw badRequest([
      { code: 'file-gone', message: 'The file that was sent is not there any more; send it once more.', field: 'from' },
    ]);
  const at = new Date().toISOString();
  const outcome = await pool.run(
    { path, file, folder: own, how, stationId, by: accountName, at, ...(await standing(em, stationId, how.guideId)) },
    signal,
    (reached) => onProgress(reached * share),
  );
  if (!outcome.ok) throw badRequest(outcome.problems);
  return { read: outcome.value, folder: own, at };
}

/** The station as far as what is read in is held against it; each as one set. */
async function standing(em: Em, stationId: string, guideId: string | undefined) {
  const execute = <T>(sql: string) => em.getConnection().execute<T[]>(sql, [stationId]);
  const told = async (sql: string) => (await execute<{ one: string }>(sql)).map(({ one }) => one);
  return {
    guide: (await guideNamed(em, stationId, guideId))?.guide,
    guides: (await listGuides(em, stationId)).map(({ id }) => id),
    photos: await told('select hash as one from photo where station_id = ?'),
    specimens: await told('select id as one from specimen where station_id = ?'),
    families: await familiesOf(em, stationId),
    sites: (await em.find(SiteEntity, { stationId, hidden: false })).map(({ id, content }) => ({ id, content })),
    rings: await told('select distinct mark as one from capture where station_id = ? and mark is not null and not hidden'),
    met: await told(
      `select distinct mark || ' ' || left(content->>'at', 10) as one from capture
       where station_id = ? and mark is not null and not hidden and import_id is null`,
    ),
    known: await told('select id as one from capture where station_id = ? and import_id is not null and not hidden'),
  };
}
