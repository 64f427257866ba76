import { createHash } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { connected } from './connected.mjs';
import { carry } from './files.mjs';
import { run } from './run.mjs';
import { Stop } from './say.mjs';

/**
 * The form of the file: a tar of `manifest.json`, `database.dump` (PostgreSQL's custom
 * form) and, since the second, `files`, a folder of what lies beside the database. A newer one is refused.
 */
const FORMAT = 2;

/** A folder that is gone when the work is done, whatever comes of it. */
async function inFolder(where, work) {
  const folder = mkdtempSync(join(where, 'plesion-backup-'));
  try {
    return await work(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** How PostgreSQL's own programs come in: the password is not among their arguments, which anybody on the machine can read. */
function accessTo(url) {
  const plain = new URL(url);
  const { password } = plain;
  plain.password = '';
  return { dbname: `--dbname=${plain}`, env: password ? { PGPASSWORD: decodeURIComponent(password) } : {} };
}

const tablesOf = async (client) =>
  (await client.query("select tablename from pg_tables where schemaname = 'public' order by tablename")).rows.map(
    ({ tablename }) => tablename,
  );

/** Texts of rows are the same wherever they are read. */
const PLAINLY = "set timezone = 'UTC'; set bytea_output = 'hex'; set extra_float_digits = 1; set datestyle = 'ISO'";

/** How many rows each table has, and a digest of them all, whatever their order. */
async function contentsOf(client) {
  await client.query(PLAINLY);
  const contents = {};
  for (const table of await tablesOf(client)) {
    const { rows } = await client.query(
      `select count(*)::int as rows, coalesce(md5(string_agg(digest, '' order by digest)), '') as digest from (select md5(t::text) as digest from ${client.escapeIdentifier(table)} t) each`,
    );
    contents[table] = rows[0];
  }
  return contents;
}

const migrationsOf = async (client) =>
  (await tablesOf(client)).includes('mikro_orm_migrations')
    ? (await client.query('select name from mikro_orm_migrations order by name')).rows.map(({ name }) => name)
    : [];

/** The files of the photos that no longer lie in their rows; files never change, so they may be fetched after the moment. */
async function filesOf(client) {
  if (!(await tablesOf(client)).includes('photo')) return [];
  const { rows } = await client.query('select station_id as station, hash from photo where whole is null order by 1, 2');
  return rows.flatMap(({ station, hash }) =>
    ['original', 'whole', 'thumb'].map((size) => ({ key: `${station}/photos/${hash.slice(0, 2)}/${hash}.${size}` })),
  );
}

const digestOf = (path) => createHash('sha256').update(readFileSync(path)).digest('hex');

/**
 * Write everything that is in the database to a file, photos and sessions too, as it
 * is at one moment, while the server goes on; the file stands under its name only when
 * it has been read back.
 */
export const backUp = (bin, url, file, version) =>
  inFolder(dirname(resolve(file)), async (folder) => {
    const wanted = [];
    const manifest = await connected(url, async (client) => {
      await client.query('begin isolation level repeatable read read only');
      const { rows } = await client.query('select pg_export_snapshot() as snapshot');
      const { dbname, env } = accessTo(url);
      run(
        `${bin}/pg_dump`,
        [
          ...['--format=custom', '--no-owner', '--no-privileges', `--snapshot=${rows[0].snapshot}`],
          ...[`--file=${join(folder, 'database.dump')}`, dbname],
        ],
        { env },
      );
      wanted.push(...(await filesOf(client)));
      const made = {
        format: FORMAT,
        plesion: version,
        at: new Date().toISOString(),
        migrations: await migrationsOf(client),
        tables: await contentsOf(client),
      };
      await client.query('commit');
      return made;
    });
    run(`${bin}/pg_restore`, ['--list', join(folder, 'database.dump')]);
    mkdirSync(join(folder, 'files'));
    manifest.files = carry('out', join(folder, 'files'), wanted);
    writeFileSync(join(folder, 'manifest.json'), JSON.stringify(manifest, undefined, 2));
    const whole = resolve(file);
    const half = `${whole}.half`;
    run('tar', ['-C', folder, '-cf', half, 'manifest.json', 'database.dump', 'files']);
    // What is in it opens every account.
    chmodSync(half, 0o600);
    readManifest(half, folder);
    renameSync(half, whole);
    const there = new Set(manifest.files.map(({ key }) => key));
    return { ...manifest, lost: wanted.filter(({ key }) => key.endsWith('.whole') && !there.has(key)).length };
  });

/** Unpack a backup, and hold its files against what was written. */
function readManifest(file, folder) {
  run('tar', ['-C', folder, '-xf', resolve(file)], { hint: `“${file}” is not a backup of Plesion, or is damaged.` });
  const manifest = JSON.parse(readFileSync(join(folder, 'manifest.json'), 'utf8'));
  if (!(manifest.format <= FORMAT))
    throw new Stop(`“${file}” has the form ${manifest.format}, which a newer Plesion made; this one reads up to ${FORMAT}.`);
  const damaged = (manifest.files ?? []).find(({ key, digest }) => {
    const path = join(folder, 'files', key);
    return !existsSync(path) || digestOf(path) !== digest;
  });
  if (damaged) throw new Stop(`“${file}” is damaged: ${damaged.key} is not what was written.`);
  return manifest;
}

/**
 * Read a backup into a database that holds no station yet: all of it, or nothing; what
 * was restored is held against what was written, table by table.
 *
 * @param known migrations that this Plesion knows.
 */
export const restore = (bin, url, file, known) =>
  inFolder(tmpdir(), async (folder) => {
    const manifest = readManifest(file, folder);
    const foreign = manifest.migrations.filter((name) => !known.includes(name));
    if (foreign.length)
      throw new Stop(
        `“${file}” was made by a newer Plesion (${manifest.plesion}, with ${foreign.join(', ')}). Bring this one up to date first.`,
      );
    await connected(url, async (client) => {
      const tables = await tablesOf(client);
      const { rows } = tables.includes('station')
        ? await client.query('select count(*)::int as stations from station')
        : { rows: [{ stations: 0 }] };
      if (rows[0].stations > 0)
        throw new Stop(
          `There are ${rows[0].stations} stations in this database already. Restore into one of its own: PLESION_DATA=<another folder> npm run restore -- ${file}`,
        );
      if (tables.length)
        await client.query(`drop table ${tables.map((name) => client.escapeIdentifier(name)).join(', ')} cascade`);
    });
    // Files first: what the rows name is there, and files that nothing names do no harm.
    carry('in', join(folder, 'files'), manifest.files ?? []);
    const { dbname, env } = accessTo(url);
    run(
      `${bin}/pg_restore`,
      [
        ...['--single-transaction', '--exit-on-error', '--no-owner', '--no-privileges'],
        ...[dbname, join(folder, 'database.dump')],
      ],
      { env, hint: 'Nothing was restored.' },
    );
    const differing = await connected(url, async (client) => {
      const contents = await contentsOf(client);
      return Object.entries(manifest.tables).flatMap(([table, { rows, digest }]) =>
        contents[table]?.rows === rows && contents[table].digest === digest ? [] : [table],
      );
    });
    if (differing.length) throw new Stop(`What was restored is not what was written, in: ${differing.join(', ')}.`);
    return manifest;
  });
