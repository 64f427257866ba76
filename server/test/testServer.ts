import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import pg from 'pg';
import pino from 'pino';
import request from 'supertest';
import { createApp } from '../app';
import { openDatabase, openPool } from '../database/orm';
import { Jobs } from '../jobs/jobs';
import { openKeyPool } from '../keys/pool';
import { openLearnPool } from '../learn/pool';
import { openPagePool } from '../page/pool';
import { openAnalysisPool } from '../analysis/pool';

/** Where its pages would be. */
export const ORIGIN = 'http://plesion.test';

/**
 * A server on a database of its own, made from nothing and dropped at the end.
 *
 * @param through the way to it, where it is not the straight one.
 */
export async function openTestServer(through: (databaseUrl: URL) => Promise<URL> = async (url) => url) {
  const base = process.env.TEST_DATABASE_URL;
  if (!base) throw new Error('TEST_DATABASE_URL is not set. Run the tests with “npm test”, which starts a PostgreSQL for them.');
  const name = `test_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: base });
  await admin.connect();
  await admin.query(`create database ${name}`);
  const own = new URL(base);
  own.pathname = `/${name}`;
  const url = await through(own);
  const orm = await openDatabase(url.href);
  const pool = openPool(url.href, () => undefined);
  const weighing = openAnalysisPool(join(__dirname, '../analysis/analysis.worker.ts'), 1);
  const learning = openLearnPool(join(__dirname, '../learn/learn.worker.ts'));
  const keying = openKeyPool(join(__dirname, '../keys/make.worker.ts'));
  const paging = openPagePool(join(__dirname, '../page/page.worker.ts'));
  const app = createApp({
    orm,
    pool,
    weighing,
    learning,
    keying,
    paging,
    jobs: new Jobs(),
    sessionSecret: 'for tests only',
    version: 'test',
    log: pino({ level: 'silent' }),
    publicUrl: ORIGIN,
    trustProxy: 1,
  });
  return {
    orm,
    pool,
    weighing,
    app,
    /** A visitor with cookies of its own. */
    visitor: () => request.agent(app).set('origin', ORIGIN),
    async close() {
      await weighing.close();
      await learning.close();
      await keying.close();
      await paging.close();
      await pool.end();
      await orm.close(true);
      await admin.query(`drop database ${name} with (force)`);
      await admin.end();
    },
  };
}

export type TestServer = Awaited<ReturnType<typeof openTestServer>>;
export type Visitor = ReturnType<TestServer['visitor']>;

let made = 0;

/** A visitor signed in to a new station, and the id of its ledge crab guide. */
export async function newStation(server: TestServer): Promise<{ visitor: Visitor; guideId: string; name: string }> {
  const visitor = server.visitor();
  const name = `ann ${++made}`;
  await visitor
    .post('/api/stations')
    .send({ station: `station ${made}`, name, password: 'long enough' })
    .expect(201);
  const { body } = await visitor.get('/api/guides').expect(200);
  const crabs = (body as { guides: { id: string; slug: string }[] }).guides.find(({ slug }) => slug === 'ledge-crabs')!;
  return { visitor, guideId: crabs.id, name };
}

/** A specimen to write, as a client would. */
export const write = (guideId: string, more: object = {}) => ({
  version: 0,
  guideId,
  label: 'L4-01',
  situation: {},
  readings: [],
  determinations: [],
  hidden: false,
  ...more,
});
