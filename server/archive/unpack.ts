import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { openPromise, type ZipFile } from 'yauzl';
import { fileOf, FORM, FORM_VERSION, Manifest, MANIFEST, PART_NAMES, type PartName, PHOTO_FILES, SINCE } from './parts';
import { README } from './readme';
import { noArchive, Refused } from './refused';

/** Only what an archive may hold is unpacked, whatever else stands in the file. */
const ROWS = new Set([MANIFEST, ...PART_NAMES.map(fileOf)]);
const PHOTO = new RegExp(`^photos/[0-9a-f]{64}/(${Object.values(PHOTO_FILES).join('|').replaceAll('.', '\\.')})$`);

const ATTACHMENT = /^attachments\/[0-9a-f]{64}$/;

/** A manifest is short; it is read as a whole. */
const LONGEST_MANIFEST = 64 * 1024;

const NEW_LINE = 0x0a;
const LONGEST_LINE = 64 * 1024 * 1024;

/**
 * Unpack an archive into a folder, and hold the rows against the digests that it tells.
 *
 * @param most bytes that may come out of it: a small file can hold a very large one.
 * @throws {Refused} where it is none, newer, damaged or too large.
 */
export async function unpack(file: string, folder: string, most: number, onProgress: (share: number) => void): Promise<Manifest> {
  const digests = new Map<string, string>();
  let bytes = 0;
  let zip: ZipFile | undefined;
  try {
    zip = await openPromise(file, { autoClose: false, strictFileNames: true });
    let entries = 0;
    for await (const entry of zip.eachEntry()) {
      onProgress(entries++ / zip.entryCount);
      const name = entry.fileName;
      if (name === README.name) continue;
      if (!ROWS.has(name) && !PHOTO.test(name) && !ATTACHMENT.test(name))
        throw new Refused('no-archive', `“${name.slice(0, 80)}” does not belong into an archive of a station.`);
      if (digests.has(name)) throw new Refused('no-archive', `“${name}” is in the archive twice.`);
      bytes += entry.uncompressedSize;
      if (bytes > most || (name === MANIFEST && entry.uncompressedSize > LONGEST_MANIFEST))
        throw new Refused('too-large', `What is in the archive is larger than a station of this server may be.`);
      const path = join(folder, name);
      await mkdir(dirname(path), { recursive: true });
      const digest = createHash('sha256');
      let line = 0;
      const through = new Transform({
        transform(chunk: Buffer, _encoding, give) {
          digest.update(chunk);
          if (!ROWS.has(name)) return give(null, chunk);
          // Lines are read as a whole later: one that never ends is not begun.
          for (let from = 0; from < chunk.length;) {
            const end = chunk.indexOf(NEW_LINE, from);
            line += (end < 0 ? chunk.length : end) - from;
            if (line > LONGEST_LINE) return give(new Refused('too-large', `${name} has a line that is longer than any record.`));
            if (end < 0) break;
            [line, from] = [0, end + 1];
          }
          give(null, chunk);
        },
      });
      await pipeline(await zip.openReadStreamPromise(entry), through, createWriteStream(path, { mode: 0o600 }));
      digests.set(name, digest.digest('hex'));
    }
  } catch (error) {
    // Every other fault is one of the file: it was opened by us, into a folder of ours.
    throw error instanceof Refused || isOurs(error) ? error : noArchive();
  } finally {
    zip?.close();
  }
  const manifest = await readManifest(folder, digests);
  for (const name of PART_NAMES) {
    if (digests.get(fileOf(name)) !== manifest.parts[name].sha256)
      throw new Refused('archive-damaged', `${fileOf(name)} is not what was written; fetch the archive once more.`);
  }
  return manifest;
}

/** No room on the disk, and the like. */
const isOurs = (error: unknown) => ['ENOSPC', 'EACCES', 'EMFILE', 'EIO'].includes((error as NodeJS.ErrnoException).code ?? '');

async function readManifest(folder: string, digests: Map<string, string>): Promise<Manifest> {
  if (!digests.has(MANIFEST)) throw noArchive();
  let json: unknown;
  try {
    json = JSON.parse(await readFile(join(folder, MANIFEST), 'utf8'));
  } catch {
    throw noArchive();
  }
  const { form, version } = (json ?? {}) as { form?: unknown; version?: unknown };
  if (form === FORM && typeof version === 'number' && version > FORM_VERSION)
    throw new Refused(
      'archive-newer',
      `This archive has the form ${version}, which a newer Plesion made; this one reads up to ${FORM_VERSION}.`,
    );
  const manifest = Manifest.safeParse(
    typeof version === 'number' ? await withLaterParts(folder, digests, json as object, version) : json,
  );
  if (!manifest.success) throw noArchive();
  return manifest.data;
}

/** An archive of an older form, with nothing of what came in later. */
async function withLaterParts(
  folder: string,
  digests: Map<string, string>,
  json: { parts?: object },
  version: number,
): Promise<object> {
  const none = { rows: 0, sha256: createHash('sha256').digest('hex') };
  const later = (Object.keys(SINCE) as PartName[]).filter((name) => SINCE[name]! > version);
  for (const name of later) {
    await writeFile(join(folder, fileOf(name)), '');
    digests.set(fileOf(name), none.sha256);
  }
  return { ...json, parts: { ...Object.fromEntries(later.map((name) => [name, none])), ...json.parts } };
}
