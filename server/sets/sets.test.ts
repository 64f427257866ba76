import { randomUUID } from 'node:crypto';
import type { SetResults, SetRow, SetView } from '@plesion/contract/sets';
import { practiceItem } from '@plesion/core/practice';
import { compiledFor } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import { ledgeCrabs } from '@plesion/demo';
import { loadDemo } from '../demo';
import { join, newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let teacher: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer({ demo: true });
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor: teacher, guideId } = await newStation(server));
});

const learner = () => join(server, teacher, 'learner');

const ASKED = { level: { kind: 'rank', rank: 'species' } as const };
const ITEMS = ['a', 'b', 'c'].map((seed) => ({ seed, asked: ASKED }));
const content = (more: object = {}) => ({
  ...{ version: 0, title: 'First crabs', guideId, guideVersion: 1, kind: 'lesson', items: ITEMS, given: true },
  ...more,
});
const at = (id: string, rest = '') => `/api/practice/sets/${id}${rest}`;
async function made(more: object = {}): Promise<string> {
  const id = randomUUID();
  await teacher.put(at(id)).send(content(more)).expect(200);
  return id;
}
const begin = async (id: string, own: Visitor) => (await own.post(at(id, '/begin')).expect(200)).body as SetView;
const say = (id: string, own: Visitor, n: number, groups: string[], more: object = {}) =>
  own.post(at(id, '/answers')).send({ n, answer: { groups, sure: 'sure' }, seconds: 4, ...more });
const truthOf = (seed: string) => practiceItem(compiledFor(ledgeCrabs), planOf(ledgeCrabs)!, ASKED, seed)!;
const wrongOf = (seed: string) => {
  const { choices, truth } = truthOf(seed);
  return choices.find(({ id }) => id !== truth.group)!.id;
};

describe('a lesson', () => {
  it('is begun, shown without what each is, answered once, and told at once', async () => {
    const id = await made();
    const { visitor } = await learner();
    const before = (await visitor.get(at(id)).expect(200)).body as SetView;
    expect(before).toMatchObject({ title: 'First crabs', n: 3, answers: [] });
    expect(before.items).toBeUndefined();
    expect((await say(id, visitor, 0, []).expect(409)).body).toMatchObject({ code: 'not-begun' });
    const view = await begin(id, visitor);
    expect(view.items).toHaveLength(3);
    expect(JSON.stringify(view.items)).not.toContain('"truth"');
    const { truth } = truthOf('a');
    const { body } = await say(id, visitor, 0, [truth.group]).expect(200);
    expect(body.told).toMatchObject({ truth: truth.group, right: true, p: 0.92 });
    // The first answer counts, however often another is sent.
    const again = (await say(id, visitor, 0, [wrongOf('a')]).expect(200)).body;
    expect(again).toEqual(body);
    expect(await begin(id, visitor)).toMatchObject({ begunAt: view.begunAt, answered: 1, answers: [body] });
    expect((await say(id, visitor, 1, ['nobody']).expect(400)).body).toMatchObject({ field: 'answer.groups' });
    await say(id, visitor, 3, []).expect(404);
    await say(id, visitor, 60, []).expect(400);
  });

  it('twenty answers to one item at once are one', async () => {
    const id = await made();
    const { visitor } = await learner();
    await begin(id, visitor);
    const groups = [truthOf('a').truth.group, wrongOf('a')];
    const all = await Promise.all(Array.from({ length: 20 }, (_, i) => say(id, visitor, 0, [groups[i % 2]]).expect(200)));
    expect(new Set(all.map(({ body }) => JSON.stringify(body))).size).toBe(1);
  });
});

describe('a test', () => {
  it('holds back what each was until its teacher tells it', async () => {
    const id = await made({ kind: 'test' });
    const { visitor } = await learner();
    await begin(id, visitor);
    expect((await say(id, visitor, 0, [wrongOf('a')]).expect(200)).body.told).toBeUndefined();
    expect((await visitor.get(at(id)).expect(200)).body.answers[0].told).toBeUndefined();
    await visitor.get(at(id, '/results')).expect(403);
    await visitor.get(at(id, '/source')).expect(403);
    await teacher
      .put(at(id))
      .send(content({ kind: 'test', version: 1, told: true }))
      .expect(200);
    expect((await visitor.get(at(id)).expect(200)).body.answers[0].told).toMatchObject({ truth: truthOf('a').truth.group });
  });

  it('is over when its time is, and takes nothing more when it is closed', async () => {
    const id = await made({ kind: 'test', minutes: 5 });
    const { visitor } = await learner();
    const view = await begin(id, visitor);
    expect(new Date(view.until!).getTime() - new Date(view.begunAt!).getTime()).toBe(300_000);
    await say(id, visitor, 0, []).expect(200);
    await server.pool.query("update practice_attempt set begun_at = now() - interval '6 minutes' where set_id = $1", [id]);
    expect((await say(id, visitor, 1, []).expect(409)).body).toMatchObject({ code: 'time-over' });
    // What was answered in time is kept, and can be looked at.
    expect((await begin(id, visitor)).answers).toHaveLength(1);
    const other = await made();
    await begin(other, visitor);
    await teacher
      .put(at(other))
      .send(content({ version: 1, closed: true }))
      .expect(200);
    expect((await say(other, visitor, 0, []).expect(409)).body).toMatchObject({ code: 'closed' });
    const late = await learner();
    await late.visitor.post(at(other, '/begin')).expect(409);
  });
});

describe('a set', () => {
  it('is seen by learners when it is given, and its items stay once it is begun', async () => {
    const id = await made({ given: false });
    const { visitor } = await learner();
    const listed = async (own: Visitor) => ((await own.get('/api/practice/sets').expect(200)).body as { sets: SetRow[] }).sets;
    expect(await listed(visitor)).toEqual([]);
    await visitor.get(at(id)).expect(404);
    await visitor
      .put(at(id))
      .send(content({ version: 1 }))
      .expect(403);
    await teacher
      .put(at(id))
      .send(content({ version: 1 }))
      .expect(200);
    expect(await listed(visitor)).toMatchObject([{ id, n: 3, begun: 0, answered: 0 }]);
    await begin(id, visitor);
    await say(id, visitor, 0, []).expect(200);
    expect(await listed(visitor)).toMatchObject([{ begun: 1, answered: 1 }]);
    expect(await listed(teacher)).toMatchObject([{ begun: 1, answered: 0 }]);
    const { body } = await teacher
      .put(at(id))
      .send(content({ version: 2, items: ITEMS.slice(1) }))
      .expect(409);
    expect(body).toMatchObject({ code: 'begun', field: 'items' });
    await teacher
      .put(at(id))
      .send(content({ version: 2, title: 'Crabs, once more' }))
      .expect(200);
    const stale = await teacher
      .put(at(id))
      .send(content({ version: 1 }))
      .expect(409);
    expect(stale.body).toMatchObject({ code: 'stale-version', stored: { title: 'Crabs, once more' } });
  });

  it.each([
    ['without items', { items: [] }, 'items', /one item at the least/],
    ['with the same twice', { items: [ITEMS[0], ITEMS[0]] }, 'items', /twice/],
    [
      'of what cannot be drawn',
      { items: [ITEMS[0], { seed: 'x', asked: { ...ASKED, view: 'from-the-moon' } }] },
      'items[1].asked',
      /drawn/,
    ],
    ['of many at once', { items: [{ seed: 'x', asked: { ...ASKED, flock: 'odd' } }] }, 'items[0].asked', /one at a time/],
    ['without a title', { title: ' ' }, 'title', /give it a title/],
    ['with no time', { minutes: 0 }, 'minutes', /./],
    ['to a version that is none', { guideVersion: 9 }, 'guideVersion', /no such version/],
  ])('%s is refused by field', async (_, more, field, message) => {
    const { body } = await teacher.put(at(randomUUID())).send(content(more)).expect(400);
    expect(body).toMatchObject({ field, message: expect.stringMatching(message) });
  });

  it('is no other station’s', async () => {
    const id = await made();
    const { visitor: stranger } = await newStation(server);
    for (const rest of ['', '/source', '/results', '/results.csv', '/sheet.pdf']) await stranger.get(at(id, rest)).expect(404);
    await stranger.post(at(id, '/begin')).expect(404);
  });
});

describe('how it went', () => {
  it('is told by learner, by item and by what was taken for what, and as CSV', async () => {
    const id = await made();
    const [one, two, three] = [await learner(), await learner(), await learner()];
    for (const { visitor } of [one, two, three]) await begin(id, visitor);
    await say(id, one.visitor, 0, [truthOf('a').truth.group], { seconds: 3 }).expect(200);
    await say(id, one.visitor, 1, [wrongOf('b')], { seconds: 5 }).expect(200);
    await say(id, two.visitor, 1, [wrongOf('b')]).expect(200);
    await say(id, two.visitor, 0, []).expect(200);
    const { body } = await teacher.get(at(id, '/results')).expect(200);
    const { learners, items, confused } = body as SetResults;
    const told = truthOf('a').truth.best.kind === 'untold';
    expect(learners).toMatchObject([
      { name: one.name, answered: 2, right: 1, seconds: 8 },
      { name: two.name, answered: 2, right: told ? 1 : 0, seconds: 8 },
      { name: three.name, answered: 0, right: 0, bits: 0, seconds: 0 },
    ]);
    expect(items).toMatchObject([
      // What was right is not said instead: that it cannot be told may be.
      { n: 0, truth: truthOf('a').truth.group, answered: 2, said: told ? [] : [{ group: '', n: 1 }] },
      { n: 1, truth: truthOf('b').truth.group, answered: 2, right: 0, said: [{ group: wrongOf('b'), n: 2 }] },
    ]);
    expect(confused).toEqual([{ truth: truthOf('b').truth.group, said: wrongOf('b'), n: 2 }]);
    const csv = (await teacher.get(at(id, '/results.csv')).expect(200).expect('content-type', /csv/)).text.split('\r\n');
    expect(csv).toHaveLength(5);
    expect(csv[0]).toBe('learner,item,truth,said,sure,went_by,right,bits,seconds,at');
    expect(csv[1]).toMatch(new RegExp(`^${one.name},1,${truthOf('a').truth.group},${truthOf('a').truth.group},sure,,yes,`));
    expect(csv[3]).toContain('cannot be told');
  });

  it('counts nothing as a name where a mark was asked', async () => {
    const asked = { ...ASKED, character: 'leg-fringe' };
    const id = await made({ items: [{ seed: 'm', asked }] });
    const { visitor } = await learner();
    await begin(id, visitor);
    const answer = { groups: [], sure: 'sure', wentBy: { character: 'leg-fringe', says: 'no-such-state' } };
    expect((await say(id, visitor, 0, [], { answer }).expect(200)).body.told).toMatchObject({ right: false });
    const { items, confused } = (await teacher.get(at(id, '/results')).expect(200)).body as SetResults;
    expect(items).toMatchObject([{ n: 0, answered: 1, right: 0, said: [] }]);
    expect(confused).toEqual([]);
  });

  it('of a set nobody began is empty', async () => {
    const id = await made();
    expect((await teacher.get(at(id, '/results')).expect(200)).body).toEqual({ learners: [], items: [], confused: [] });
  });

  it.each(['a4', 'a5'])('is printed on %s: as many pages as it needs, and the answers last', async (paper) => {
    const items = Array.from({ length: 9 }, (_, i) => ({ seed: `sheet ${i}`, asked: ASKED }));
    const id = await made({ items });
    const { body } = await teacher
      .get(at(id, `/sheet.pdf?paper=${paper}`))
      .expect(200)
      .expect('content-type', /pdf/);
    const pdf = (body as Buffer).toString('latin1');
    expect(pdf.startsWith('%PDF')).toBe(true);
    // Nine pictures: on two pages of eight or of six, and one of answers.
    expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(3);
    await teacher.get(at(id, '/sheet.pdf?paper=letter')).expect(400);
  });
});

it('of the demo is made once, and taken by five who differ', async () => {
  const demo = server.visitor();
  await demo.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
  const { body } = await demo.get('/api/practice/sets').expect(200);
  const [set] = (body as { sets: SetRow[] }).sets;
  expect(set).toMatchObject({ n: 8, begun: 5, given: true });
  const results = (await demo.get(at(set.id, '/results')).expect(200)).body as SetResults;
  expect(results.learners).toHaveLength(5);
  expect(results.items).toHaveLength(8);
  expect(results.confused.length).toBeGreaterThan(2);
  expect(new Set(results.learners.map(({ right }) => right)).size).toBeGreaterThan(2);
  await loadDemo(server.orm.em.fork(), server);
  expect((await demo.get('/api/practice/sets').expect(200)).body).toEqual(body);
});
