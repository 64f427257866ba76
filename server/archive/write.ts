import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { open, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { IsolationLevel } from '@mikro-orm/core';
import type { ArchiveContent } from '@plesion/contract';
import yazl from 'yazl';
import { StationEntity } from '../database/entities';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { HttpProblem } from '../http/errors';
import type { JobKinds } from '../jobs/kinds';
import { findPhoto, SIZES } from '../photos/service';
import { findAttachment } from '../verifications/attachments';
import { archiveKey } from './place';
import {
  columnsOf,
  fileOf,
  FORM,
  FORM_VERSION,
  MANIFEST,
  type Manifest,
  PART_NAMES,
  type PartName,
  PARTS,
  photoFile,
  attachmentFile,
} from './parts';
import { README } from './readme';

/** Rows fetched at once. */
const SOME = 500;

/** Shares of the work that the rows take; the rest is the photos. */
const ROWS = 0.2;

/**
 * Everything that a station has, as it is at one moment, in one file that says itself
 * what it holds: rows first, into files of this machine, then all of it into the archive.
 */
export const exportKind = (files: FileStore, plesion: string): JobKinds['exportStation'] => ({
  async work(em, { stationId }, _asked, { id, signal, onProgress, folder }) {
    const own = await folder();
    const { name, grid } = await em.findOneOrFail(StationEntity, { id: stationId });
    const parts = {} as Manifest['parts'];
    const [photos, attachments]: string[][] = [[], []];
    const hashes: Partial<Record<PartName, string[]>> = { photos, attachments };
    await em.transactional(
      async (tx) => {
        for (const [i, part] of PART_NAMES.entries()) {
          parts[part] = await writePart(tx, stationId, part, join(own, fileOf(part)), (row) => {
            signal.throwIfAborted();
            hashes[part]?.push((JSON.parse(row) as { hash: string }).hash);
          });
          onProgress((ROWS * (i + 1)) / PART_NAMES.length);
        }
      },
      { isolationLevel: IsolationLevel.REPEATABLE_READ, readOnly: true },
    );
    const manifest: Manifest = {
      form: FORM,
      version: FORM_VERSION,
      plesion,
      at: new Date().toISOString(),
      station: { name, grid: grid as Manifest['station']['grid'] },
      parts,
    };
    await writeFile(join(own, MANIFEST), JSON.stringify(manifest, undefined, 2));
    await writeFile(join(own, README.name), README.text);
    const zip = new yazl.ZipFile();
    for (const file of [README.name, MANIFEST, ...PART_NAMES.map(fileOf)]) zip.addFile(join(own, file), file);
    // Asked for when its turn comes: not all of them are at hand at once.
    const add = (name: string, compress: boolean, read: () => Promise<Buffer>) =>
      zip.addReadStreamLazy(name, { compress }, (give) => {
        read().then(
          (bytes) => void give(null, Readable.from([bytes])),
          (error: Error) => void give(error, Readable.from([])),
        );
      });
    for (const hash of attachments) add(attachmentFile(hash), true, () => orNothing(findAttachment(files, stationId, hash)));
    photos.forEach((hash, i) => {
      for (const size of SIZES)
        add(photoFile(hash, size), false, () => {
          onProgress(ROWS + (1 - ROWS) * (i / photos.length));
          return orNothing(findPhoto(em, files, stationId, hash, size));
        });
    });
    zip.end();
    const made = join(own, 'archive.zip');
    const failed = new Promise<never>((_, reject) => zip.on('error', reject));
    await Promise.race([pipeline(zip.outputStream, createWriteStream(made), { signal }), failed]);
    await files.putFrom(archiveKey(stationId, id), made);
    const { size } = await stat(made);
    return async () => ({ archive: id, bytes: size, content: contentOf(parts) });
  },
  ended: async ({ stationId, id }, done) => {
    if (!done) await files.remove(archiveKey(stationId, id));
  },
});

/** One whose file is lost is empty: the rest is not lost with it. */
async function orNothing(file: Promise<Buffer>): Promise<Buffer> {
  try {
    return await file;
  } catch (error) {
    if (error instanceof HttpProblem) return Buffer.alloc(0);
    throw error;
  }
}

/** Rows of one table, a line each; a cursor of the database, so that no more than some are held at once. */
async function writePart(tx: Em, stationId: string, name: PartName, path: string, onRow: (row: string) => void) {
  const { table, order } = PARTS[name];
  const execute = <T>(sql: string, values: unknown[] = []) =>
    tx.getConnection().execute<T[]>(sql, values, 'all', tx.getTransactionContext());
  // The texts of JSON columns stay as they are: their hash, and their author's order, is of that.
  await execute(
    `declare part no scroll cursor for select row_to_json(one)::text as row from (
       select ${columnsOf(name).join(', ')} from ${table} where station_id = ? order by ${order}
     ) one`,
    [stationId],
  );
  const digest = createHash('sha256');
  const file = await open(path, 'w', 0o600);
  let rows = 0;
  try {
    for (;;) {
      const some = await execute<{ row: string }>(`fetch ${SOME} from part`);
      if (some.length === 0) break;
      rows += some.length;
      const lines = some.map(({ row }) => `${row}\n`).join('');
      some.forEach(({ row }) => onRow(row));
      digest.update(lines);
      await file.write(lines);
    }
  } finally {
    await file.close();
  }
  await execute('close part');
  return { rows, sha256: digest.digest('hex') };
}

export const contentOf = (parts: Manifest['parts']): ArchiveContent => ({
  specimens: parts.specimens.rows,
  individuals: parts.individuals.rows,
  lots: parts.lots.rows,
  guides: parts.guides.rows,
  keys: parts.keys.rows,
  photos: parts.photos.rows,
  measurements: parts.measurements.rows,
  visits: parts.visits.rows,
  captures: parts.captures.rows,
  counts: parts.counts.rows,
  changes: parts.changes.rows,
});
