import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import pg from 'pg';
import { ChangeEntity, LotEntity, LotSpecimenEntity, MediaEntity, SpecimenEntity } from './entities';
import { openDatabase } from './orm';

/** A database as an earlier Plesion left it, with its demo in it. */
const DUMPS = ['demo-2026-11-26.sql.gz'];

describe.each(DUMPS)('a database of %s', (dump) => {
  const name = `test_${randomBytes(6).toString('hex')}`;
  const base = process.env.TEST_DATABASE_URL!;
  const url = new URL(base);
  url.pathname = `/${name}`;
  const admin = new pg.Client({ connectionString: base });
  let orm: Awaited<ReturnType<typeof openDatabase>>;
  let before: { lots: Record<string, string[]>; specimens: number; photos: number };

  beforeAll(async () => {
    await admin.connect();
    await admin.query(`create database ${name}`);
    const old = new pg.Client({ connectionString: url.href });
    await old.connect();
    await old.query(gunzipSync(readFileSync(join(__dirname, '../test/dumps', dump))).toString());
    const lots = await old.query<{ id: string; specimens: string[] }>('select id, specimens from public.lot');
    const count = async (what: string) => Number((await old.query(`select count(*) from public.specimen ${what}`)).rows[0].count);
    before = {
      lots: Object.fromEntries(lots.rows.map(({ id, specimens }) => [id, specimens])),
      specimens: await count(''),
      photos: await count('where photo is not null'),
    };
    await old.end();
    orm = await openDatabase(url.href);
  });
  afterAll(async () => {
    await orm.close(true);
    await admin.query(`drop database ${name}`);
    await admin.end();
  });

  it('had something in it', () => {
    expect(before.specimens).toBeGreaterThan(5);
    expect(Object.values(before.lots).flat().length).toBeGreaterThan(3);
    expect(before.photos).toBeGreaterThan(0);
  });

  it('keeps every specimen, and every lot its specimens in their order', async () => {
    const em = orm.em.fork();
    expect(await em.count(SpecimenEntity)).toBe(before.specimens);
    const rows = await em.find(LotSpecimenEntity, {}, { orderBy: { position: 'asc' } });
    const lots = await em.find(LotEntity, {});
    const after = Object.fromEntries(
      lots.map(({ id }) => [id, rows.filter(({ lotId }) => lotId === id).map(({ specimenId }) => specimenId)]),
    );
    expect(after).toEqual(before.lots);
  });

  it('has a row for every photo, and a feed that begins with what stood there', async () => {
    const em = orm.em.fork();
    expect(await em.count(MediaEntity, { kind: 'photo' })).toBe(before.photos);
    const lines = await em.find(ChangeEntity, { kind: 'specimen' });
    expect(lines).toHaveLength(before.specimens);
    const stations = await em
      .getConnection()
      .execute<{ changes: string; most: string }[]>(
        'select changes, (select max(seq) from change where station_id = station.id) as most from station',
      );
    expect(stations.map(({ changes, most }) => changes === most)).toEqual(stations.map(() => true));
  });

  it('can go back and forth', async () => {
    await orm.migrator.down({ to: 'Migration20261127000000' });
    const rows = await orm.em
      .fork()
      .getConnection()
      .execute<{ id: string; specimens: string[] }[]>('select id, specimens from lot');
    expect(Object.fromEntries(rows.map(({ id, specimens }) => [id, specimens]))).toEqual(before.lots);
    await orm.migrator.up();
    expect(await orm.em.fork().count(LotSpecimenEntity)).toBe(Object.values(before.lots).flat().length);
  });
});
