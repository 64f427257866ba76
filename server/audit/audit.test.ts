import { randomUUID } from 'node:crypto';
import type { AuditList } from '@plesion/contract/audit';
import Papa from 'papaparse';
import { keepDeedsOfRows } from './deeds';
import { join, newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

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

const acts = (list: AuditList) => list.lines.map(({ act, by, fields }) => [act, by, ...fields]);
const ON = /^A device without a name, signed in \d{4}-/;

it('keeps what is taken back, decided, resolved and reopened, each time, with the device', async () => {
  const id = await specimen();
  const [verification, ask, root] = [randomUUID(), randomUUID(), randomUUID()];
  const egg = { id: verification, specimenId: id, kind: 'egg', taxon: 'murica', wrong: 0.01, on: '2026-05-12' };
  await visitor.post('/api/verifications').send(egg).expect(201);
  await visitor.delete(`/api/verifications/${verification}`).expect(200);
  // Once more it is taken back already.
  await visitor.delete(`/api/verifications/${verification}`).expect(200);
  await visitor.post('/api/opinions').send({ id: ask, specimenId: id }).expect(201);
  await visitor.put(`/api/opinions/${ask}/decision`).send({ why: 'so' }).expect(200);
  for (let time = 0; time < 2; time++) await visitor.delete(`/api/opinions/${ask}`).expect(200);
  await visitor.post('/api/conversations').send({ id: root, specimenId: id, text: 'Which claw?' }).expect(201);
  for (const resolved of [true, true, false, true])
    await visitor.put(`/api/conversations/${root}/resolved`).send({ resolved }).expect(200);
  await visitor.delete(`/api/conversations/${root}`).expect(200);
  const { lines } = await audit(`?record=${id}`);
  expect(lines.map(({ act }) => act)).toEqual([
    ...[
      'took back',
      'resolved',
      'reopened',
      'resolved',
      'said',
      'took back',
      'decided',
      'asked',
      'took back',
      'verified',
      'made',
    ],
  ]);
  expect(lines.every(({ by, device }) => by === name && ON.test(device ?? ''))).toBe(true);
});

it('tells who was invited, came, became what, and went', async () => {
  const { visitor: own, name: theirs } = await join(server, visitor, 'member');
  const { members } = (await visitor.get('/api/members').expect(200)).body as { members: { id: string; name: string }[] };
  const [first, second] = [members.find((one) => one.name !== theirs)!, members.find((one) => one.name === theirs)!];
  await visitor.put(`/api/members/${second.id}`).send({ role: 'keeper' }).expect(200);
  // As they are already: nothing was done.
  await visitor.put(`/api/members/${second.id}`).send({ role: 'keeper' }).expect(200);
  const { id } = (await visitor.post('/api/invitations').send({ role: 'learner' }).expect(201)).body as { id: string };
  await visitor.delete(`/api/invitations/${id}`).expect(200);
  await own.delete(`/api/members/${first.id}`).expect(200);
  const list = await audit('?kind=member', own);
  expect(acts(list)).toEqual([
    ['removed', theirs, name],
    ['took back', name],
    ['invited', name, 'learner'],
    ['changed', name, theirs, 'keeper'],
    ['joined', theirs, 'member'],
    ['invited', name, 'member'],
  ]);
  expect(list.people).toEqual([name, theirs].sort());
});

it('has of an older archive what its rows say was done, once', async () => {
  const id = await specimen();
  const { rows } = await server.pool.query<{ id: string }>('select station_id as id from account where name = $1', [name]);
  const station = rows[0].id;
  await server.pool.query(
    `insert into remark (station_id, id, specimen_id, text, made_by, at, resolved_by, resolved_at)
     values ($1, gen_random_uuid(), $2, 'Which claw?', 'mira', '2026-03-01', 'tolmar', '2026-03-02')`,
    [station, id],
  );
  for (let time = 0; time < 2; time++) await server.orm.em.fork().transactional((tx) => keepDeedsOfRows(tx, station));
  const { lines } = await audit(`?record=${id}&kind=remark`);
  expect(lines).toMatchObject([
    { at: '2026-03-02T00:00:00.000000Z', by: 'tolmar', act: 'resolved' },
    { at: '2026-03-01T00:00:00.000000Z', by: 'mira', act: 'said' },
  ]);
});
