import { randomUUID } from 'node:crypto';
import type { DraftReviews } from '@plesion/contract/authoring';
import type { GuideVersions } from '@plesion/contract/guideVersions';
import { join, newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let keeper: Visitor;
let name: string;
let guideId: string;
let id: string;
beforeAll(async () => {
  server = await openTestServer({ works: true });
});
afterAll(() => server.close());
beforeEach(async () => {
  await server.pool.query('delete from tries');
  ({ visitor: keeper, guideId, name } = await newStation(server));
  id = randomUUID();
  await keeper.put(`/api/drafts/${id}`).send({ guideId }).expect(200);
});

const edit = (own: Visitor, after: number) =>
  own
    .post(`/api/drafts/${id}/edits`)
    .send({ batch: randomUUID(), after, edits: [{ do: 'head', set: { summary: `Seen ${after} times.` } }] })
    .expect(200);
const say = (own: Visitor, body: object) => own.post(`/api/drafts/${id}/reviews`).send(body);
const publish = (version: number) => keeper.post(`/api/drafts/${id}/publish`).send({ version }).expect(201);
const versions = async () => ((await keeper.get(`/api/guides/${guideId}/versions`).expect(200)).body as GuideVersions).versions;

it('a draft that somebody else found fit is published with their name; one that was changed since is not', async () => {
  await edit(keeper, 0);
  const reviewer = await join(server, keeper, 'reviewer');
  const words = 'The claws are right now.';
  const said = (await say(reviewer.visitor, { version: 1, fit: true, words }).expect(200)).body as DraftReviews;
  expect(said).toMatchObject({ writers: [name], reviews: [{ n: 1, version: 1, by: reviewer.name, fit: true, words }] });
  await publish(1);
  expect((await versions())[0]).toMatchObject({ version: 2, reviewed: { by: reviewer.name, words } });
  // Who wrote the last version may review the next.
  await edit(reviewer.visitor, 1);
  await say(keeper, { version: 2, fit: true }).expect(200);
  await edit(reviewer.visitor, 2);
  await publish(3);
  expect((await versions())[0]).toMatchObject({ version: 3 });
  expect((await versions())[0]).not.toHaveProperty('reviewed');
});

it('not yet needs words, and is the last word until another', async () => {
  await edit(keeper, 0);
  const { visitor: reviewer } = await join(server, keeper, 'reviewer');
  expect((await say(reviewer, { version: 1, fit: false, words: ' ' }).expect(400)).body).toMatchObject({ field: 'words' });
  await say(reviewer, { version: 1, fit: true }).expect(200);
  await say(reviewer, { version: 1, fit: false, words: 'The tail is wrong.' }).expect(200);
  await publish(1);
  expect((await versions())[0]).not.toHaveProperty('reviewed');
});

it('is refused to whoever wrote in it, to members, and of what it is not any more', async () => {
  await edit(keeper, 0);
  expect((await say(keeper, { version: 1, fit: true }).expect(403)).body).toMatchObject({ code: 'own-work', field: 'fit' });
  const { visitor: member } = await join(server, keeper, 'member');
  await say(member, { version: 1, fit: true }).expect(403);
  const { visitor: reviewer } = await join(server, keeper, 'reviewer');
  expect((await say(reviewer, { version: 0, fit: true }).expect(409)).body).toMatchObject({ code: 'draft-moved' });
  expect((await keeper.get(`/api/drafts/${id}/reviews`).expect(200)).body).toEqual({ reviews: [], writers: [name] });
  await keeper.get(`/api/drafts/${randomUUID()}/reviews`).expect(404);
});

it('a key is made of a draft in one press, and is tied to no guide; one that wants something says so at once', async () => {
  const { jobId } = (await keeper.post(`/api/drafts/${id}/key`).send({ purpose: 'bench', confirm: 1 }).expect(202)).body as {
    jobId: string;
  };
  let job = { state: 'running', result: {} as { keyId?: string; key?: { couplets: unknown[] } } };
  while (job.state === 'running') job = (await keeper.get(`/api/jobs/${jobId}`).expect(200)).body as typeof job;
  expect(job.state).toBe('done');
  expect(job.result.key!.couplets.length).toBeGreaterThan(1);
  const stored = (await keeper.get(`/api/keys/${job.result.keyId}`).expect(200)).body as object;
  expect(stored).not.toHaveProperty('guideId');
  const empty = randomUUID();
  await keeper.put(`/api/drafts/${empty}`).send({ title: 'Nothing yet' }).expect(200);
  expect((await keeper.post(`/api/drafts/${empty}/key`).send({ purpose: 'bench' }).expect(400)).body.field).toMatch(/^content\./);
});
