import { randomUUID } from 'node:crypto';
import type { AuditList } from '@plesion/contract/audit';
import Papa from 'papaparse';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
let name: string;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor, guideId, name } = await newStation(server));
});

const audit = async (query = '', own = visitor) => (await own.get(`/api/audit${query}`).expect(200)).body as AuditList;
const specimen = async (id = randomUUID(), more: object = {}) => {
  await visitor.put(`/api/specimens/${id}`).send(write(guideId, more)).expect(200);
  return id;
};

it('tells who did what, when, to which record: the newest first, with what changed', async () => {
  const id = await specimen();
  await specimen(id, { version: 1, label: 'another' });
  const verification = randomUUID();
  await visitor
    .post('/api/verifications')
    .send({ id: verification, specimenId: id, kind: 'egg', taxon: 'murica', wrong: 0.01, on: '2026-05-12' })
    .expect(201);
  const ask = randomUUID();
  await visitor.post('/api/opinions').send({ id: ask, specimenId: id }).expect(201);
  await visitor.put(`/api/opinions/${ask}/decision`).send({ why: 'so' }).expect(200);
  await visitor.delete(`/api/verifications/${verification}`).expect(200);
  const { lines, people } = await audit(`?record=${id}`);
  expect(lines.map(({ act, kind, version }) => [act, kind, version])).toEqual([
    ['took back', 'verification', undefined],
    ['decided', 'opinion', undefined],
    ['asked', 'opinion', undefined],
    ['verified', 'verification', undefined],
    ['changed', 'specimen', 2],
    ['made', 'specimen', 1],
  ]);
  expect(lines[4].fields).toContain('label');
  expect(lines.every(({ by }) => by === name)).toBe(true);
  expect(people).toEqual([name]);
  const { visitor: stranger } = await newStation(server);
  expect((await audit(`?record=${id}`, stranger)).lines).toEqual([]);
});

it('is narrowed by person, kind and day, and refuses what is none by its field', async () => {
  await specimen();
  const today = new Date().toISOString().slice(0, 10);
  const all = (await audit()).lines.length;
  expect((await audit(`?kind=specimen&by=${encodeURIComponent(name)}&from=${today}&to=${today}`)).lines).toHaveLength(1);
  expect((await audit('?by=nobody')).lines).toEqual([]);
  expect((await audit('?to=2020-01-01')).lines).toEqual([]);
  expect((await audit('?from=2020-01-01')).lines).toHaveLength(all);
  for (const [query, field] of [
    ['kind=rumour', 'kind'],
    ['from=soon', 'from'],
    ['after=nonsense', 'after'],
  ])
    expect((await visitor.get(`/api/audit?${query}`).expect(400)).body).toMatchObject({ field });
});

it('goes on page by page through lines of one instant, each once', async () => {
  const { rows } = await server.pool.query<{ id: string }>('select station_id as id from account where name = $1', [name]);
  await server.pool.query(
    `insert into change (station_id, seq, kind, record_id, version, account, fields, at)
     select $1, 1000 + i, 'specimen', gen_random_uuid(), 1, 'many', '[]', '2026-01-01T00:00:00.123456Z' from generate_series(1, 250) i`,
    [rows[0].id],
  );
  const seen: string[] = [];
  let next: string | undefined;
  do {
    const page = await audit(`?by=many${next ? `&after=${encodeURIComponent(next)}` : ''}`);
    seen.push(...page.lines.map(({ id }) => id));
    next = page.next;
  } while (next);
  expect(seen).toHaveLength(250);
  expect(new Set(seen).size).toBe(250);
});

it('is taken along as CSV, without a cell that a spreadsheet would run', async () => {
  await specimen();
  await server.pool.query(`update change set account = '=1+1' where account = $1`, [name]);
  const { text } = await visitor
    .get('/api/audit.csv?kind=specimen')
    .expect(200)
    .expect('content-type', /text\/csv/);
  const { data } = Papa.parse<string[]>(text);
  expect(data[0]).toEqual(['at', 'by', 'device', 'act', 'kind', 'record', 'version', 'fields']);
  expect(data[1].slice(1, 5)).toEqual([
    "'=1+1",
    expect.stringMatching(/^A device without a name, signed in \d{4}-/),
    'made',
    'specimen',
  ]);
  expect(data).toHaveLength(2);
});
