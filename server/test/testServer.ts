import type { Role } from '@plesion/contract/roles';
import request from 'supertest';
import { createApp } from '../app';
import { loadDemo } from '../demo';
import { openLog } from '../observe/log';
import { openParts } from '../parts';
import type { Quotas } from '../station/quota';
import { openPlace, placeLeft } from './place';

/** Where its pages would be. */
export const ORIGIN = 'http://plesion.test';

interface TestSettings {
  /** The way to the database, where it is not the straight one. */
  through?: (databaseUrl: URL) => Promise<URL>;
  /** Does it do long work? */
  works?: boolean;
  quotas?: Quotas;
  officeUrl?: string;
  /** Does the demo stand in it? A copy of one that was made for the whole run, where one was. */
  demo?: true;
}

/** A server on a database of its own, dropped at the end; it begins as what `emptyPlace.ts` has made for all tests of a run. */
export async function openTestServer({
  through = async (url) => url,
  works = false,
  quotas,
  officeUrl,
  demo,
}: TestSettings = {}) {
  const place = await openPlace('test', (demo && placeLeft('DEMO')) || placeLeft('EMPTY'));
  const url = await through(place.database);
  const log = openLog('silent');
  const parts = await openParts({
    databaseUrl: url.href,
    files: { folder: place.files },
    log,
    version: 'test',
    quotas,
    officeUrl,
    threads: 1,
    works,
  });
  const { orm, pool, weighing, files } = parts;
  if (demo) await loadDemo(orm.em.fork(), parts);
  const app = createApp(parts, {
    sessionSecret: 'for tests only',
    version: 'test',
    log,
    publicUrl: ORIGIN,
    trustProxy: 1,
    quotas,
  });
  return {
    orm,
    pool,
    weighing,
    files,
    place,
    app,
    /** A visitor with cookies of its own. */
    visitor: () => request.agent(app).set('origin', ORIGIN),
    async close() {
      await parts.close();
      await place.close();
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

/** Somebody who has come into a keeper's station by a link. */
export async function join(server: TestServer, keeper: Visitor, role: Role): Promise<{ visitor: Visitor; name: string }> {
  const { body } = await keeper.post('/api/invitations').send({ role }).expect(201);
  const visitor = server.visitor();
  const name = `${role} ${++made}`;
  await visitor
    .post(`/api/invitations/links/${(body as { token: string }).token}`)
    .send({ name, password: 'long enough' })
    .expect(201);
  return { visitor, name };
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
