import { randomUUID } from 'node:crypto';
import type { AnswerList } from '@plesion/contract/answers';
import { formsOf } from '@plesion/core/guide';
import { ledgeCrabs } from '@plesion/demo';
import { join, newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
let name: string;
beforeAll(async () => {
  server = await openTestServer({ works: true });
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor, guideId, name } = await newStation(server));
});

const answer = (more: object = {}) => ({ guideId, called: 'velloma', truth: 'murica', text: 'Look at the edge.', ...more });
const put = (id: string, more: object = {}, by = visitor) => by.put(`/api/answers/${id}`).send(answer(more));
const list = async () => (await visitor.get(`/api/answers?guideId=${guideId}`).expect(200)).body as AnswerList;

/** A specimen called one, and known to be another. */
async function misnamed(called: string, truth: string) {
  const specimenId = randomUUID();
  const call = {
    ...{ id: randomUUID(), qualifier: 'none', taxon: called, facets: {}, by: '', at: new Date().toISOString(), p: 0.9 },
    ...{ recommended: '', overruled: false, guideVersion: 1 },
  };
  await visitor
    .put(`/api/specimens/${specimenId}`)
    .send(write(guideId, { determinations: [call] }))
    .expect(200);
  const outcome = { id: randomUUID(), specimenId, kind: 'dissection', taxon: truth, wrong: 0.01, on: '2026-05-12' };
  await visitor.post('/api/verifications').send(outcome).expect(201);
}

it('is kept for each misnaming, changed, and removed', async () => {
  const [one, two] = [randomUUID(), randomUUID()];
  expect((await put(one).expect(200)).body).toMatchObject({ ...answer(), id: one, by: name });
  await put(one, { text: 'Look at the edge from above.' }).expect(200);
  // The same misnaming under another id is the same answer.
  await put(two, { text: 'Look again.' }).expect(200);
  expect((await list()).answers).toEqual([expect.objectContaining({ id: two, text: 'Look again.' })]);
  await visitor.delete(`/api/answers/${two}`).expect(200);
  await visitor.delete(`/api/answers/${two}`).expect(404);
  expect((await list()).answers).toEqual([]);
});

it('is asked for where a misnaming happened twice and has none', async () => {
  await misnamed('velloma', 'murica');
  expect((await list()).common).toEqual([]);
  await misnamed('velloma', 'murica');
  await misnamed('murica', 'murica');
  expect((await list()).common).toEqual([{ called: 'velloma', truth: 'murica', n: 2 }]);
  await put(randomUUID()).expect(200);
  expect((await list()).common).toEqual([]);
});

it.each([
  ['of nothing', { text: ' ' }, 'text', /to be answered/],
  ['of one taxon taken for itself', { called: 'murica' }, 'truth', /two different/],
  ['of a taxon that is none', { called: 'nobody' }, 'called', /no “nobody”/],
])('%s is refused by its field', async (_, more, field, message) => {
  const { body } = await put(randomUUID(), more).expect(400);
  expect(body).toMatchObject({ field, message: expect.stringMatching(message) });
  expect((await list()).answers).toEqual([]);
});

it('is no learner’s to write, nor another station’s', async () => {
  const id = randomUUID();
  await put(id).expect(200);
  const learner = await join(server, visitor, 'learner');
  await put(id, { text: 'x' }, learner.visitor).expect(403);
  const { visitor: stranger } = await newStation(server);
  await stranger.get(`/api/answers?guideId=${guideId}`).expect(404);
  await put(id, {}, stranger).expect(404);
  await stranger.delete(`/api/answers/${id}`).expect(404);
  expect((await list()).answers).toHaveLength(1);
});

it('stands on the page to send', async () => {
  const id = randomUUID();
  await put(id).expect(200);
  const forms = ['velloma-velloma', 'murica'].map((taxon) => formsOf(ledgeCrabs).find((form) => form.taxon === taxon)!.id);
  const page = (more: string) => visitor.get(`/api/guides/${guideId}/compare/page?forms=${forms.join(',')}&as=png${more}`);
  const [without, withIt] = [await page('').expect(200), await page(`&answer=${id}`).expect(200)];
  expect(withIt.type).toBe('image/png');
  expect(Buffer.compare(without.body as Buffer, withIt.body as Buffer)).not.toBe(0);
  await page(`&answer=${randomUUID()}`).expect(404);
});
