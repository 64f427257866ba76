import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import { keepDeedsOfRows } from '../audit/deeds';
import type { Em } from '../database/orm';
import { batchesOf } from '../files/lines';
import { bring, type FileStore } from '../files/store';
import { badRequest, HttpProblem } from '../http/errors';
import { type JobPool, openJobPool } from '../jobs/pool';
import type { JobKinds } from '../jobs/kinds';
import { keyOf, SIZES } from '../photos/service';
import { attachmentKey } from '../verifications/attachments';
import { full, type Quotas, USUAL_QUOTAS } from '../station/quota';
import { isFresh, setStation } from '../station/service';
import type { Outcome } from '@plesion/core';
import { contentOf } from './write';
import { archiveKey } from './place';
import { columnsOf, fileOf, type Manifest, PART_NAMES, type PartName, PARTS, photoFile, attachmentFile } from './parts';
import type { Unpacked, UnpackRequest } from './unpack.worker';

/** Bytes that an archive, packed or not, may have: what photos may, and as much as the rows of a station never are. */
export const mostBytes = (quotas: Quotas) => quotas.photos + 4 * 1024 ** 3;

/** Bytes that files take, by their hash: what an archive says of them is not believed. */
type Sizes = Record<'photo' | 'attachment', ReadonlyMap<string, number>>;

/** Share of the work that is unpacking and checking. */
const CHECKED = 0.7;

export type UnpackPool = JobPool<UnpackRequest, Outcome<Unpacked>>;
export const openUnpackPool = (workerFile: string): UnpackPool => openJobPool(workerFile);

export const notFresh = () =>
  new HttpProblem(409, {
    code: 'station-not-fresh',
    message: 'Something was written in this station already. Make a new station, and read the archive into that one.',
    field: 'archive',
  });

/** Read an archive into a station in which nothing was written yet: all of it, or nothing. */
export const importKind = (files: FileStore, pool: UnpackPool): JobKinds['importStation'] => ({
  async work(_em, { stationId, quotas }, _asked, { id, signal, onProgress, folder }) {
    const own = await folder();
    const file = join(own, 'archive.zip');
    if (!(await bring(files, archiveKey(stationId, id), file))) throw badRequest([gone]);
    const most = mostBytes(quotas ?? USUAL_QUOTAS);
    const outcome = await pool.run({ file, folder: own, most }, signal, (share) => onProgress(share * CHECKED));
    if (!outcome.ok) throw badRequest(outcome.problems);
    const { manifest, photos, attachments } = outcome.value;
    const sizes = { photo: await sizesOf(own, photos), attachment: new Map<string, number>() };
    for (const hash of attachments) sizes.attachment.set(hash, await bytesOf(own, attachmentFile(hash)));
    if (quotas)
      needRoomForAll(
        manifest,
        [...sizes.photo.values(), ...sizes.attachment.values()].reduce((sum, bytes) => sum + bytes, 0),
        quotas,
      );
    for (const hash of attachments) {
      signal.throwIfAborted();
      await files.putFrom(attachmentKey(stationId, hash), join(own, attachmentFile(hash)));
    }
    for (const [i, { hash, original }] of photos.entries()) {
      signal.throwIfAborted();
      for (const size of SIZES) {
        if (size === 'original' && !original) continue;
        await files.putFrom(keyOf(stationId, hash, size), join(own, photoFile(hash, size)));
      }
      onProgress(CHECKED + (1 - CHECKED) * (i / photos.length));
    }
    return async (tx) => {
      await replaceAll(tx, stationId, own, sizes).catch(refuseUnfit);
      await setStation(tx, stationId, manifest.station);
      return { from: manifest.station.name, at: manifest.at, content: contentOf(manifest.parts) };
    };
  },
  ended: ({ stationId, id }) => files.remove(archiveKey(stationId, id)),
});

const gone = {
  code: 'archive-gone',
  message: 'The archive that was sent is not there any more; send it once more.',
  field: 'archive',
};

const bytesOf = async (folder: string, name: string) => (await stat(join(folder, name))).size;

async function sizesOf(folder: string, photos: Unpacked['photos']): Promise<Map<string, number>> {
  const sizes = new Map<string, number>();
  for (const { hash, original } of photos) {
    let bytes = 0;
    for (const size of SIZES) {
      if (size === 'original' && !original) continue;
      bytes += await bytesOf(folder, photoFile(hash, size));
    }
    sizes.set(hash, bytes);
  }
  return sizes;
}

function needRoomForAll({ parts }: Manifest, photos: number, quotas: Quotas): void {
  const wanted: Quotas = { specimens: parts.specimens.rows, guides: parts.guides.rows, keys: parts.keys.rows, photos };
  for (const kind of Object.keys(wanted) as (keyof Quotas)[]) if (wanted[kind] > quotas[kind]) throw full(kind, quotas);
}

/** Put the rows in the place of what the station began with. */
async function replaceAll(tx: Em, stationId: string, folder: string, sizes: Sizes): Promise<void> {
  const execute = <T>(sql: string, values: unknown[]) =>
    tx.getConnection().execute<T[]>(sql, values, 'all', tx.getTransactionContext());
  // Held to the end: whoever writes now waits, and is refused or comes after.
  const [{ changes }] = await execute<{ changes: string }>('select changes from station where id = ? for update', [stationId]);
  if (!(await isFresh(tx, stationId))) throw notFresh();
  for (const table of ['identification_key', 'guide', 'change'])
    await execute(`delete from ${table} where station_id = ?`, [stationId]);
  for (const name of PART_NAMES) {
    for await (const rows of batchesOf(join(folder, fileOf(name)))) await store(name, rows);
  }
  await keepDeedsOfRows(tx, stationId);
  for (const table of ['photo', 'attachment'] as const)
    await execute(
      `update ${table} set bytes = sent.bytes from json_to_recordset(?::json) sent (hash text, bytes bigint)
       where station_id = ? and ${table}.hash = sent.hash`,
      [JSON.stringify([...sizes[table]].map(([hash, bytes]) => ({ hash, bytes }))), stationId],
    );
  await execute(
    `update station set changes = greatest(changes, (select coalesce(max(seq), 0) from change where station_id = ?)),
       specimens = (select count(*) from specimen where station_id = ?) where id = ?`,
    [stationId, stationId, stationId],
  );

  async function store(name: PartName, rows: readonly string[]): Promise<void> {
    const { table } = PARTS[name];
    const columns = columnsOf(name);
    // Devices that follow the station go on from where they were, and see all of it.
    const values = columns.map((column) => (name === 'changes' && column === 'seq' ? `seq + ${Number(changes)}` : column));
    await execute(
      `insert into ${table} (station_id, ${columns.join(', ')})
       select ?, ${values.join(', ')} from json_populate_recordset(null::${table}, ?::json)`,
      [stationId, `[${rows.join(',')}]`],
    );
  }
}

/** What only the database sees: a record that is there twice, or refers to one that is not. */
function refuseUnfit(error: unknown): never {
  const { code = '' } = error as { code?: string };
  if (!/^2[23]/.test(code)) throw error;
  throw badRequest([
    {
      code: 'archive-unfit',
      message: 'Something in the archive is there twice, or refers to what is not there. Nothing was imported.',
      field: 'archive',
    },
  ]);
}
