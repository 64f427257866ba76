import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { OfficeFile, OfficeView } from '@plesion/contract';
import { openOffice } from '../officeStandIn/office';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';
import { officeAt } from './office';
import { sendFile } from './service';

const TODAY = '2026-11-27';
let folder: string;
let listening: Server | undefined;
let port: number;
let server: TestServer;
let visitor: Visitor;
let visitId: string;

const open = (at = 0) =>
  new Promise<void>((resolve) => {
    listening = openOffice(join(folder, 'books.json'), () => TODAY).listen(at, '127.0.0.1', () => {
      port = (listening!.address() as AddressInfo).port;
      resolve();
    });
  });
const close = () => new Promise<void>((resolve) => (listening!.closeAllConnections(), listening!.close(() => resolve())));

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'plesion-office-'));
  await open();
  server = await openTestServer({ officeUrl: `http://127.0.0.1:${port}` });
});
afterAll(async () => {
  await server.close();
  await close();
  rmSync(folder, { recursive: true });
});
beforeEach(async () => {
  ({ visitor } = await newStation(server));
  const siteId = randomUUID();
  visitId = randomUUID();
  await put('sites', siteId, { name: 'Spit', licences: [], position: { latitude: 12.5, longitude: -40.25 } });
  await put('visits', visitId, { siteId, people: ['Mira'], method: 'watch', overrides: [], startedAt: '2025-06-02T19:00:00Z' });
});

const put = (path: string, id: string, body: object) =>
  visitor
    .put(`/api/${path}/${id}`)
    .send({ version: 0, hidden: false, ...body })
    .expect(200);
const ring = async (mark: string, more: object = {}) => {
  const id = randomUUID();
  const age = { family: 'letters', code: 'AHY' };
  await put('captures', id, {
    visitId,
    at: '2025-06-02T20:00:00Z',
    what: 'ringed',
    mark,
    name: 'spit tern',
    age,
    readings: [],
    overrides: [],
    ...more,
  });
  return id;
};
const report = async (year = 2025): Promise<OfficeFile> =>
  (await visitor.post('/api/office/files').send({ year }).expect(200)).body as OfficeFile;
const view = async (): Promise<OfficeView> => (await visitor.get('/api/office').expect(200)).body as OfficeView;

/** Rings of their own for each test: an office knows them all. */
let next = 10_000;
const rings = (n: number) => Array.from({ length: n }, () => `Q ${next++}`);

it('takes a season’s file: a receipt, and errors by line with the capture that each is of', async () => {
  const [good, ageless, kindless] = rings(3);
  await ring(good);
  const [second, third] = [
    await ring(ageless, { at: '2025-06-02T20:05:00Z', age: undefined }),
    await ring(kindless, { at: '2025-06-02T20:10:00Z', name: undefined }),
  ];
  expect((await view()).years).toEqual([{ year: 2025, rows: 3 }]);
  const file = await report();
  expect(file).toMatchObject({
    state: 'taken',
    rows: 3,
    taken: 1,
    errorCount: 2,
    receipt: expect.stringMatching(/^2026-\d{5}$/),
  });
  expect(file.errors).toEqual([
    { line: 3, code: 'no-age', message: 'A ring that is put on needs an age.', captureId: second, ring: ageless },
    { line: 4, code: 'no-kind', message: 'The kind is missing.', captureId: third, ring: kindless },
  ]);
  // The same again is the same file; what was mended is another.
  expect(await report()).toEqual(file);
  await ring(rings(1)[0]);
  const other = await report();
  expect(other.id).not.toBe(file.id);
  expect((await view()).files.map(({ id }) => id)).toEqual([other.id, file.id]);
});

it('is sent as often as one likes: the office’s books are the same, and other content under one number is refused', async () => {
  const [mark] = rings(1);
  await ring(mark);
  const { id, receipt } = await report();
  const office = officeAt(`http://127.0.0.1:${port}`);
  const [{ content, station }] = await server.orm.em
    .fork()
    .getConnection()
    .execute<{ content: string; station: string }[]>('select content, station_id as station from office_file where id = ?', [id]);
  for (let i = 0; i < 3; i++)
    expect(await office.send(id, station, content)).toMatchObject({ state: 'taken', receipt: { receipt } });
  expect(await office.send(id, station, `${content}\n`)).toMatchObject({
    state: 'refused',
    said: expect.stringMatching(/Another file/),
  });
  expect(await office.send(randomUUID(), station, 'a,b\n1,2')).toMatchObject({
    state: 'refused',
    said: expect.stringMatching(/columns/),
  });
});

it('waits while the office is down, says so, and is taken when it is back; its books outlive it', async () => {
  const [mark] = rings(1);
  await ring(mark);
  const was = port;
  await close();
  const file = await report();
  expect(file).toMatchObject({ state: 'waiting', tries: 1, said: 'The office cannot be reached.' });
  await visitor.post('/api/office/recoveries').expect(503);
  await open(was);
  const { body } = await visitor.post(`/api/office/files/${file.id}/send`).expect(200);
  expect(body).toMatchObject({ state: 'taken', tries: 2, taken: 1 });
  // A ring that was put on before is known to the books that were read anew.
  await ring(mark, { at: '2024-06-02T20:00:00Z' });
  expect((await report(2024)).errors).toMatchObject([{ code: 'ring-known', ring: mark }]);
});

it('two at once send one file, and both hear the same', async () => {
  await ring(rings(1)[0]);
  const both = await Promise.all([report(), report()]);
  expect(new Set(both.map(({ id }) => id)).size).toBe(1);
  const [{ n }] = await server.orm.em
    .fork()
    .getConnection()
    .execute<{ n: number }[]>('select count(*)::int as n from office_file where id = ?', [both[0].id]);
  expect(n).toBe(1);
});

it('sends recoveries: found by one, told by another, beside the last capture here', async () => {
  for (const mark of rings(80)) await ring(mark);
  await report();
  const { recoveries } = (await visitor.post('/api/office/recoveries').expect(200)).body as OfficeView;
  expect(recoveries.length).toBeGreaterThan(0);
  for (const one of recoveries) {
    expect(one.finder).not.toBe(one.identifier);
    expect(one.days).toBeGreaterThan(0);
    expect(one.km).toBeGreaterThan(0);
    expect(one.foundOn <= TODAY).toBe(true);
  }
  const again = (await visitor.post('/api/office/recoveries').expect(200)).body as OfficeView;
  expect(again.recoveries).toEqual(recoveries);
  const { body } = await visitor.get(`/api/marks/${recoveries[0].ring}`).expect(200);
  expect(body.recoveries).toEqual([recoveries[0]]);
  const { visitor: other } = await newStation(server);
  expect(((await other.post('/api/office/recoveries').expect(200)).body as OfficeView).recoveries).toEqual([]);
});

it('a year without rings, a file of another station and a server without an office are said', async () => {
  await visitor.post('/api/office/files').send({ year: 1999 }).expect(400);
  await visitor.post(`/api/office/files/${randomUUID()}/send`).expect(404);
  await ring(rings(1)[0]);
  const { id } = await report();
  const { visitor: other } = await newStation(server);
  await other.post(`/api/office/files/${id}/send`).expect(404);
  await expect(sendFile(server.orm.em.fork(), randomUUID(), undefined, id)).rejects.toMatchObject({ status: 409 });
});
