import { randomUUID } from 'node:crypto';
import type { Checklist, Job, ListedRecord } from '@plesion/contract';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
beforeAll(async () => {
  server = await openTestServer({ works: true });
  ({ visitor } = await newStation(server));
});
afterAll(() => server.close());

async function readIn(csv: string, by = visitor): Promise<Job> {
  const { body } = await by.post('/api/checklists').attach('file', Buffer.from(csv), 'isles.csv').expect(202);
  for (;;) {
    const job = (await by.get(`/api/jobs/${(body as { jobId: string }).jobId}`).expect(200)).body as Job;
    if (job.state !== 'running') return job;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
const names = async (text: string, by = visitor) =>
  ((await by.get('/api/names').query({ text }).expect(200)).body.names as { name: string; accepted: string }[]).map(
    ({ name, accepted }) => `${name} > ${accepted}`,
  );

const CSV = [
  'taxonID,scientificName,acceptedNameUsageID,vernacularName',
  '1,Spindela alpina,,spindle dunlin',
  '2,Tringa fusa,1,',
  '3,Alpinella 100%,,',
].join('\n');

it('a checklist gives names to write down, found by their letters or in a people’s language, and is taken away again', async () => {
  const job = await readIn(CSV);
  expect(job).toMatchObject({ state: 'done', result: { file: 'isles.csv', names: 3, synonyms: 1, notUnderstood: [] } });
  expect(await names('alp')).toEqual(['Alpinella 100% > Alpinella 100%', 'Spindela alpina > Spindela alpina']);
  expect(await names('dunlin SPINDLE')).toEqual(['Spindela alpina > Spindela alpina']);
  expect(await names('fusa')).toEqual(['Tringa fusa > Spindela alpina']);
  expect(await names('100%')).toEqual(['Alpinella 100% > Alpinella 100%']);
  expect(await names('%')).toEqual(['Alpinella 100% > Alpinella 100%']);
  const { visitor: other } = await newStation(server);
  expect(await names('alp', other)).toEqual([]);
  const { id } = job.result as Checklist;
  await other.delete(`/api/checklists/${id}`).expect(404);
  expect((await visitor.get('/api/checklists').expect(200)).body.checklists).toMatchObject([{ id, names: 3 }]);
  await visitor.delete(`/api/checklists/${id}`).expect(200);
  expect(await names('alp')).toEqual([]);
});

it('what is met counts in the lists by the name that is accepted, guide or no guide', async () => {
  await readIn(CSV);
  const [siteId, visitId] = [randomUUID(), randomUUID()];
  const put = (path: string, id: string, body: object) =>
    visitor
      .put(`/api/${path}/${id}`)
      .send({ version: 0, hidden: false, ...body })
      .expect(200);
  await put('sites', siteId, { name: 'Spit', licences: [] });
  await put('visits', visitId, { siteId, people: ['Mira'], method: 'watch', overrides: [], startedAt: '2026-06-02T19:00:00Z' });
  const capture = { visitId, what: 'other-kind', readings: [], overrides: [] };
  await put('captures', randomUUID(), { ...capture, at: '2026-06-02T20:00:00Z', name: 'tringa fusa' });
  await put('captures', randomUUID(), { ...capture, at: '2026-06-02T21:00:00Z', name: 'Spindela alpina' });
  await put('captures', randomUUID(), { ...capture, at: '2026-06-02T21:30:00Z', name: 'some moth' });
  const { records } = (await visitor.get('/api/lists').expect(200)).body as { records: ListedRecord[] };
  expect(records.map(({ name, site }) => [name, site]).sort()).toEqual([
    ['Spindela alpina', siteId],
    ['some moth', siteId],
  ]);
});

it.each([
  ['a,b\n1,2', 'no-names'],
  ['', 'no-columns'],
])('%# that is none is refused, and nothing is stored', async (csv, code) => {
  const { visitor: own } = await newStation(server);
  expect(await readIn(csv, own)).toMatchObject({ state: 'failed', problem: { code } });
  expect((await own.get('/api/checklists').expect(200)).body.checklists).toEqual([]);
  await own.post('/api/checklists').expect(400);
});
