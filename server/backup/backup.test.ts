import { spawnSync } from 'node:child_process';
import { randomBytes, randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import pg from 'pg';
import sharp from 'sharp';
import { newStation, openTestServer, type TestServer, write } from '../test/testServer';

let server: TestServer;
let folder: string;
let file: string;
const databases: string[] = [];
const admin = new pg.Client({ connectionString: process.env.TEST_DATABASE_URL });

const urlOf = (name: string) => Object.assign(new URL(process.env.TEST_DATABASE_URL!), { pathname: `/${name}` }).href;
async function emptyDatabase() {
  const name = `restored_${randomBytes(6).toString('hex')}`;
  await admin.query(`create database ${name}`);
  databases.push(name);
  return name;
}
const run = (script: 'backup' | 'restore', path: string, database: string, files = server.place.files) =>
  spawnSync(process.execPath, [`scripts/${script}.mjs`, path], {
    encoding: 'utf8',
    env: { ...process.env, DATABASE_URL: urlOf(database), FILES_FOLDER: files },
  });

/** Every row of every table, as text. */
async function everything(name: string): Promise<Record<string, string[]>> {
  const client = new pg.Client({ connectionString: urlOf(name) });
  await client.connect();
  const { rows: tables } = await client.query<{ name: string }>(
    "select tablename as name from pg_tables where schemaname = 'public'",
  );
  const all: Record<string, string[]> = {};
  for (const { name: table } of tables) {
    const { rows } = await client.query<{ row: string }>(`select row_to_json(t)::text as row from "${table}" t`);
    all[table] = rows.map(({ row }) => row).sort();
  }
  await client.end();
  return all;
}

/** Every file under a folder, by its path. */
const filesIn = (place: string): Record<string, string> =>
  Object.fromEntries(
    readdirSync(place, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map(({ parentPath, name }) => [relative(place, join(parentPath, name)), readFileSync(join(parentPath, name), 'base64')]),
  );

let own: string;
beforeAll(async () => {
  await admin.connect();
  server = await openTestServer();
  own = (await server.pool.query<{ name: string }>('select current_database() as name')).rows[0].name;
  const { visitor, guideId } = await newStation(server);
  const photo = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#385' } })
    .jpeg()
    .toBuffer();
  const { hash } = (await visitor.post('/api/photos').attach('photo', photo, 'x.jpg').expect(201)).body as { hash: string };
  for (let i = 0; i < 5; i++) {
    const more = { label: `L${i} “İ̇” 🦀`, ...(i === 0 ? { photo: hash } : {}) };
    await visitor.put(`/api/specimens/${randomUUID()}`).send(write(guideId, more)).expect(200);
  }
  folder = mkdtempSync(join(tmpdir(), 'plesion-test-'));
  file = join(folder, 'plesion.backup');
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await server.close();
  for (const name of databases) await admin.query(`drop database ${name}`);
  await admin.end();
});

describe('a backup', () => {
  it('is made while the server runs, and read back', () => {
    const { status, stdout, stderr } = run('backup', file, own);
    expect([status, stderr.replace(/npm warn.*\n/g, '')]).toEqual([0, '']);
    expect(stdout).toMatch(/plesion\.backup: 1 stations, \d{2,} rows, 3 files, read back and whole\./);
    // What is in it opens every account.
    expect(statSync(file).mode & 0o077).toBe(0);
  });

  it('restored is the original, row by row and byte by byte', async () => {
    const name = await emptyDatabase();
    const files = join(folder, 'files');
    const { status, stdout } = run('restore', file, name, files);
    expect([status, stdout]).toEqual([0, expect.stringMatching(/^Restored as it was at .*: 1 stations\./)]);
    const [before, after] = [await everything(own), await everything(name)];
    expect(Object.keys(after).sort()).toEqual(Object.keys(before).sort());
    expect(before.specimen).toHaveLength(5);
    expect(before.photo).toHaveLength(1);
    expect(after).toEqual(before);
    const [there, here] = [filesIn(server.place.files), filesIn(files)];
    expect(Object.keys(there)).toHaveLength(3);
    expect(here).toEqual(there);
  });

  it('says how many photos it could not find', async () => {
    const other = join(folder, 'without');
    const { status, stdout } = run('backup', join(folder, 'poor.backup'), own, other);
    expect(status).toBe(0);
    expect(stdout).toMatch(/0 files, read back and whole\.\n1 photos have rows, but no file/);
  });

  it('whose photo was changed is refused, and nothing is restored', async () => {
    const unpacked = mkdtempSync(join(folder, 'changed-'));
    spawnSync('tar', ['-C', unpacked, '-xf', file]);
    const [photo] = Object.keys(filesIn(join(unpacked, 'files')));
    writeFileSync(join(unpacked, 'files', photo), 'another');
    const path = join(folder, 'changed.backup');
    spawnSync('tar', ['-C', unpacked, '-cf', path, 'manifest.json', 'database.dump', 'files']);
    const name = await emptyDatabase();
    const { status, stderr } = run('restore', path, name, join(folder, 'nothing'));
    expect([status, stderr]).toEqual([1, expect.stringMatching(/is damaged: .* is not what was written\./)]);
    expect(await everything(name)).toEqual({});
  });

  it('is not restored over stations that are there', async () => {
    const { status, stderr } = run('restore', file, own);
    expect(status).toBe(1);
    expect(stderr).toMatch(/There are 1 stations in this database already\./);
  });

  it('of a newer Plesion is refused, and nothing is restored', async () => {
    const unpacked = mkdtempSync(join(folder, 'newer-'));
    spawnSync('tar', ['-C', unpacked, '-xf', file]);
    const manifest = JSON.parse(readFileSync(join(unpacked, 'manifest.json'), 'utf8')) as {
      format: number;
      migrations: string[];
    };
    const pack = (changed: object) => {
      writeFileSync(join(unpacked, 'manifest.json'), JSON.stringify({ ...manifest, ...changed }));
      const path = join(folder, `newer-${randomUUID()}`);
      spawnSync('tar', ['-C', unpacked, '-cf', path, 'manifest.json', 'database.dump', 'files']);
      return path;
    };
    const name = await emptyDatabase();
    for (const [path, words] of [
      [pack({ format: 3 }), /a newer Plesion made; this one reads up to 2\./],
      [
        pack({ migrations: [...manifest.migrations, 'Migration29991231000000'] }),
        /made by a newer Plesion.*Migration29991231000000/,
      ],
    ] as const) {
      const { status, stderr } = run('restore', path, name);
      expect([status, stderr]).toEqual([1, expect.stringMatching(words)]);
    }
    expect(await everything(name)).toEqual({});
  });

  it('that is damaged, or none, is refused with a sentence', async () => {
    const name = await emptyDatabase();
    const damaged = join(folder, 'damaged');
    const whole = readFileSync(file);
    writeFileSync(damaged, whole.subarray(0, whole.length / 2));
    writeFileSync(join(folder, 'none'), 'no backup');
    for (const path of [damaged, join(folder, 'none'), join(folder, 'not there')]) {
      const { status, stderr } = run('restore', path, name);
      expect(status).toBe(1);
      expect(stderr).not.toMatch(/at .*:\d+:\d+/);
    }
    expect(await everything(name)).toEqual({});
    expect(run('backup', '', own).stderr).toMatch(/Say where to: npm run backup/);
  });
});
