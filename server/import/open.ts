import { readFile } from 'node:fs/promises';
import { done, failed, type Outcome } from '@plesion/core';
import { type Checklist, readArchive, readChecklist, readTable, type ReadArchive, textOf } from '@plesion/core/import';
import { openPromise, type ZipFile } from 'yauzl';
import { Refused } from '../archive/refused';

/** Bytes that may come out of an archive, and files in it: a small one can hold very much. */
const MOST_BYTES = 512 * 1024 * 1024;
const MOST_FILES = 200;

/** A checklist of a file. */
export async function openChecklist(path: string): Promise<Outcome<Checklist>> {
  const bytes = await readFile(path);
  return readChecklist(isZip(bytes) ? await filesOf(path) : bytes);
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** A file as one table and what Plesion wrote into it, with the encoding it was read by. */
export async function openFile(path: string): Promise<Outcome<ReadArchive & { encoding: string }>> {
  const bytes = await readFile(path);
  if (isZip(bytes)) {
    const archive = readArchive(await filesOf(path));
    return archive.ok ? done({ ...archive.value, encoding: 'archive' }) : archive;
  }
  const { text, encoding } = textOf(bytes);
  if (text.includes('\0'))
    return failed({
      code: 'no-table',
      message: 'This is neither a CSV nor a zip archive. Save the table as CSV in your spreadsheet program, and send that.',
      field: 'file',
    });
  const table = readTable(text);
  return table.ok ? done({ table: table.value, sites: [], visits: [], captures: [], notUnderstood: [], encoding }) : table;
}

/** What an archive holds at its top, or in the one folder that it is packed in. */
async function filesOf(path: string): Promise<Map<string, Uint8Array>> {
  const files = new Map<string, Uint8Array>();
  let zip: ZipFile | undefined;
  let bytes = 0;
  try {
    zip = await openPromise(path, { autoClose: false, strictFileNames: true });
    if (zip.entryCount > MOST_FILES) throw tooMuch();
    for await (const entry of zip.eachEntry()) {
      if (entry.fileName.endsWith('/') || entry.fileName.startsWith('__MACOSX/')) continue;
      bytes += entry.uncompressedSize;
      if (bytes > MOST_BYTES) throw tooMuch();
      const chunks: Buffer[] = [];
      for await (const chunk of await zip.openReadStreamPromise(entry)) chunks.push(chunk as Buffer);
      files.set(entry.fileName, Buffer.concat(chunks));
    }
  } catch (error) {
    throw error instanceof Refused ? error : damaged();
  } finally {
    zip?.close();
  }
  const meta = [...files.keys()].find((name) => name.endsWith('/meta.xml'));
  const folder = files.has('meta.xml') || !meta ? '' : meta.slice(0, -'meta.xml'.length);
  return new Map([...files].map(([name, content]) => [name.startsWith(folder) ? name.slice(folder.length) : name, content]));
}

const tooMuch = () =>
  new Refused('too-large', 'What is in the archive is larger than is read in at once. Split it by years.', 'file');
const damaged = () =>
  new Refused('bad-zip', 'The archive is damaged, or was cut short. Fetch it once more, and send it as it is.', 'file');
