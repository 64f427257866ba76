import { randomBytes } from 'node:crypto';
import { cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';

/** Where a server of the tests keeps things: a database and a folder of files, made from nothing. */
export interface Place {
  /** The address of the database. */
  database: URL;
  /** The folder of its files. */
  files: string;
  /** Both are gone afterwards. */
  close(): Promise<void>;
}

/** Leaves a place to the processes of a run, under a name. */
export function leavePlace(name: string, { database, files }: Place): void {
  process.env[`${name}_DATABASE`] = database.href;
  process.env[`${name}_FILES`] = files;
}

/** The place that was left under a name, where one was. */
export function placeLeft(name: string): Pick<Place, 'database' | 'files'> | undefined {
  const { [`${name}_DATABASE`]: database, [`${name}_FILES`]: files } = process.env;
  return database && files ? { database: new URL(database), files } : undefined;
}

/**
 * @param like a place that nobody uses any more, whose database and files it begins with.
 */
export async function openPlace(what: string, like?: Pick<Place, 'database' | 'files'>): Promise<Place> {
  const base = process.env.TEST_DATABASE_URL;
  if (!base) throw new Error('TEST_DATABASE_URL is not set. Run the tests with “npm test”, which starts a PostgreSQL for them.');
  const name = `${what}_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: base });
  await admin.connect();
  await admin.query(`create database ${name}${like ? ` template ${like.database.pathname.slice(1)}` : ''}`);
  const files = await mkdtemp(join(tmpdir(), 'plesion-test-'));
  if (like) await cp(like.files, files, { recursive: true });
  return {
    database: Object.assign(new URL(base), { pathname: `/${name}` }),
    files,
    async close() {
      await rm(files, { recursive: true, force: true });
      await admin.query(`drop database ${name}`);
      await admin.end();
    },
  };
}
