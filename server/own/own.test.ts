import { randomUUID } from 'node:crypto';
import type { StoredGuide } from '@plesion/contract';
import type { OwnView } from '@plesion/contract/own';
import type { CorrectionProposed } from '@plesion/contract/own';
import type { StoredDraft } from '@plesion/contract/authoring';
import { CORRECTED, OWN } from '@plesion/core/own';
import { join, newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor, guideId } = await newStation(server));
});

/** So many specimens of a kind, read so, and verified. */
async function verified(n: number, state: string, more: object = {}) {
  for (let i = 0; i < n; i++) {
    const specimenId = randomUUID();
    const readings = [{ character: 'granules', states: [state] }];
    await visitor.put(`/api/specimens/${specimenId}`).send(write(guideId, { readings })).expect(200);
    const outcome = { id: randomUUID(), specimenId, kind: 'dissection', taxon: 'murica', wrong: 0, on: '2026-05-12', ...more };
    await visitor.post('/api/verifications').send(outcome).expect(201);
  }
}
const own = async (query = '') => (await visitor.get(`/api/guides/${guideId}/own${query}`).expect(200)).body as OwnView;
const guide = async () => (await visitor.get(`/api/guides/${guideId}`).expect(200)).body as StoredGuide;
const follow = (followed: string, more: object = {}, by = visitor) =>
  by.post(`/api/guides/${guideId}/own`).send({ version: 1, followed, ...more });

it('are what was read of verified specimens, beside the books and with them; what rests on the same call never counts', async () => {
  expect(await own()).toEqual({ version: 1, specimens: 0, cells: [] });
  await verified(6, 'scattered');
  await verified(3, 'dense', { sameCall: true });
  const { specimens, cells } = await own();
  expect(specimens).toBe(6);
  expect(cells).toEqual([expect.objectContaining({ character: 'granules', taxon: 'murica', n: 6 })]);
  const share = (one: OwnView) => one.cells[0].states!.find(({ state }) => state === 'scattered')!;
  const told = share({ ...(await own()), cells });
  expect(told.read).toBe(6);
  expect(told.both).toBeGreaterThan(told.books);
  // The less the books count, the nearer to ours.
  expect(share(await own('?weight=3')).both).toBeGreaterThan(told.both);
  expect((await visitor.get(`/api/guides/${guideId}/own?weight=0`).expect(400)).body).toMatchObject({ field: 'weight' });
});

it('become a source of the guide in a version of its own, are kept beside it, and go without a trace', async () => {
  await verified(6, 'scattered');
  const before = await guide();
  const { body } = await follow('followed').expect(200);
  expect(body).toMatchObject({ version: 2, followed: 'followed', specimens: 6 });
  const after = await guide();
  expect(after.guide.sources.at(-1)).toMatchObject({ id: OWN, kind: 'records' });
  expect(after.guide.scores.filter(({ source }) => source === OWN)).toHaveLength(1);
  // What ours say is held against the books, not against what ours said before.
  expect((await own()).cells[0].states).toEqual((body as OwnView).cells[0].states);
  expect((await follow('beside', { version: 2 }).expect(200)).body).toMatchObject({ version: 3, followed: 'beside' });
  expect((await guide()).guide.policy.exclude).toEqual([OWN]);
  expect((await follow('none', { version: 3 }).expect(200)).body).not.toHaveProperty('followed');
  expect((await guide()).guide).toEqual(before.guide);
});

it('are written over no newer guide, by no learner, and not in another station', async () => {
  await verified(6, 'scattered');
  await follow('followed').expect(200);
  await follow('none').expect(409);
  expect((await own()).followed).toBe('followed');
  const learner = await join(server, visitor, 'learner');
  await follow('none', { version: 2 }, learner.visitor).expect(403);
  const { visitor: stranger } = await newStation(server);
  await stranger.get(`/api/guides/${guideId}/own`).expect(404);
  await follow('none', { version: 2 }, stranger).expect(404);
  expect((await follow('always', { version: 2 }).expect(400)).body).toMatchObject({ field: 'followed' });
});

describe('a mark that pulls away', () => {
  const mark = { taxon: 'murica', facets: {}, character: 'granules' };
  const propose = (more: object = {}, by = visitor) =>
    by.post(`/api/guides/${guideId}/own/corrections`).send({ ...mark, ...more });
  const draftOf = async (id: string) => (await visitor.get(`/api/drafts/${id}`).expect(200)).body as StoredDraft;
  const proposed = async (more?: object) => ((await propose(more).expect(200)).body as CorrectionProposed).draft;

  it('is written into the next version of the guide, with what was corrected before, and is published there', async () => {
    await verified(6, 'scattered');
    const before = await guide();
    const [cell] = (await own()).cells;
    const draft = await proposed();
    // Not in the guide until somebody publishes it.
    expect((await guide()).guide).toEqual(before.guide);
    const { content } = await draftOf(draft);
    expect(content.policy).toMatchObject({
      kind: 'prefer',
      order: [CORRECTED, ...(before.guide.policy as { order: string[] }).order],
    });
    const corrected = content.scores.filter(({ source }) => source === CORRECTED);
    expect(corrected).toEqual([
      expect.objectContaining({ character: 'granules', scope: { taxon: 'murica' }, note: `${cell.text}.` }),
    ]);
    const share = cell.states!.find(({ state }) => state === 'scattered')!.both;
    expect((corrected[0].value as { states: Record<string, number> }).states.scattered).toBeCloseTo(share, 3);
    // Once more it stands in the same place.
    expect(await proposed({ weight: 30 })).toBe(draft);
    const { content: now, version } = await draftOf(draft);
    expect(now.scores.filter(({ source }) => source === CORRECTED)).toHaveLength(1);
    await visitor.post(`/api/drafts/${draft}/publish`).send({ version }).expect(201);
    expect((await guide()).guide.scores.filter(({ source }) => source === CORRECTED)).toHaveLength(1);
    // Ours are held against the books as before, and not against what they made of the guide.
    expect((await own()).cells[0].states).toEqual(cell.states);
    // What was published goes on to be written in.
    expect(await proposed()).toBe(draft);
  });

  it('is not written for what was not read often enough, by a learner, or into another’s version', async () => {
    await verified(6, 'scattered');
    expect((await propose({ character: 'claw-gape' }).expect(400)).body).toMatchObject({
      field: 'character',
      code: 'no-records',
    });
    expect((await propose({ facets: { sex: 'female' } }).expect(400)).body).toMatchObject({ code: 'no-records' });
    expect(((await visitor.get('/api/drafts').expect(200)).body as { drafts: object[] }).drafts).toEqual([]);
    const learner = await join(server, visitor, 'learner');
    await propose({}, learner.visitor).expect(403);
    const member = await join(server, visitor, 'member');
    const theirs = ((await propose({}, member.visitor).expect(200)).body as CorrectionProposed).draft;
    expect(await proposed()).not.toBe(theirs);
  });
});
