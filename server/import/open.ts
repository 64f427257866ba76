import { readFile } from 'node:fs/promises';
import { done, failed, type Outcome } from '@plesion/core';
import { type Checklist, readArchive, readChecklist, readTable, type ReadArchive, textOf } from '@plesion/core/import';
import { filesOf } from '../files/zip';

const MOST = {
  bytes: 512 * 1024 * 1024,
  files: 200,
  said: 'What is in the archive is larger than is read in at once. Split it by years.',
};

/** A checklist of a file. */
export async function openChecklist(path: string): Promise<Outcome<Checklist>> {
  const bytes = await readFile(path);
  return readChecklist(isZip(bytes) ? await unpacked(path) : bytes);
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** A file as one table and what Plesion wrote into it, with the encoding it was read by. */
export async function openFile(path: string): Promise<Outcome<ReadArchive & { encoding: string }>> {
  const bytes = await readFile(path);
  if (isZip(bytes)) {
    const archive = readArchive(await unpacked(path));
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
async function unpacked(path: string): Promise<Map<string, Uint8Array>> {
  const files = await filesOf(path, MOST);
  const meta = [...files.keys()].find((name) => name.endsWith('/meta.xml'));
  const folder = files.has('meta.xml') || !meta ? '' : meta.slice(0, -'meta.xml'.length);
  return new Map([...files].map(([name, content]) => [name.startsWith(folder) ? name.slice(folder.length) : name, content]));
}
