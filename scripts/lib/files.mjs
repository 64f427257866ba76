import { join } from 'node:path';
import { dataFolder } from './postgres.mjs';
import { run } from './run.mjs';

/** Where photos and archives lie, unless a bucket is named: FILES_FOLDER, or beside the rest of the data. */
export const filesFolder = () => process.env.FILES_FOLDER ?? join(dataFolder(), 'files');

/**
 * Carry files out of the server's store to a folder, or from there into it.
 *
 * @param wanted `{ key }` of each, with its `digest` on the way in.
 * @returns `{ key, digest }` of those that the store had, on the way out.
 */
export function carry(direction, folder, wanted) {
  if (wanted.length === 0) return [];
  const told = run(process.execPath, ['--no-warnings', '--import', 'tsx', 'server/files/carry.ts', direction, folder], {
    env: { FILES_FOLDER: filesFolder() },
    input: wanted.map((file) => `${JSON.stringify(file)}\n`).join(''),
    hint: 'The photos could not be carried; see FILES_FOLDER and S3_… in docs/deploy.md.',
  });
  return told
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line));
}
