import { randomUUID } from 'node:crypto';
import type { KeyList, PracticeStanding } from '@plesion/contract';
import { countsOf, type Item, oddOf } from '@plesion/core/practice';
import { loadDemo } from '../demo';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer({ demo: true });
  ({ visitor, guideId } = await newStation(server));
});
afterAll(() => server.close());

const SPECIES = { kind: 'rank', rank: 'species' };
const ask = (body: object, own = visitor) => own.post('/api/practice/items').send({ guideId, level: SPECIES, ...body });
const itemsOf = async (body: object) => (await ask(body).expect(200)).body as { guideVersion: number; items: Item[] };
const give = (answers: object[], own = visitor) => own.post('/api/practice/answers').send({ answers });
const standing = async (own = visitor) => (await own.get('/api/practice/standing').expect(200)).body as { guides: object[] };

/** An answer to an item that was asked for with a seed. */
const answerTo = (seed: string, answer: object, more: object = {}) => ({
  id: randomUUID(),
  guideId,
  guideVersion: 1,
  seed,
  asked: { level: SPECIES },
  answer,
  at: '2026-11-27T10:00:00.000Z',
  ...more,
});

describe('items', () => {
  it('are the same from the same seed, each with its truth', async () => {
    const one = await itemsOf({ seed: 'a', n: 3 });
    expect(one.items).toHaveLength(3);
    expect((await itemsOf({ seed: 'a', n: 3 })).items).toEqual(one.items);
    expect(new Set(one.items.map(({ seed }) => seed)).size).toBe(3);
    for (const { truth, choices } of one.items) expect(choices.map(({ id }) => id)).toContain(truth.group);
    // One of a row can be had by itself.
    expect((await itemsOf({ seed: one.items[1].seed })).items[0]).toEqual(one.items[1]);
  });

  it('are others each time where no seed is said', async () => {
    const seeds = await Promise.all([1, 2].map(async () => (await itemsOf({})).items[0].seed));
    expect(seeds[0]).not.toBe(seeds[1]);
  });

  it.each([
    [{ groups: ['nobody', 'nothing'] }, 'groups', /can be drawn/],
    [{ view: 'from-the-moon' }, 'groups', /can be drawn/],
    [{ n: 21 }, 'n', /20/],
    [{ guideId: randomUUID() }, 'guideId', /no such guide/],
    [{ level: { kind: 'rank', rank: 'realm' } }, 'level.rank', /./],
  ])('%j is refused by field', async (body, field, message) => {
    const { body: problem } = await ask(body).expect(400);
    expect(problem.field).toBe(field);
    expect(problem.message).toMatch(message);
  });
});

describe('answers', () => {
  it('are scored by the item of their seed, kept once, and summed up for whoever gave them', async () => {
    const { items } = await itemsOf({ seed: 'row', n: 4 });
    const right = (i: number) => items[i].truth.group;
    const wrong = (i: number) => items[i].choices.find(({ id }) => id !== right(i))!.id;
    const answers = [
      answerTo(items[0].seed, { groups: [right(0)], sure: 'sure' }),
      answerTo(items[1].seed, { groups: [wrong(1)], sure: 'sure' }),
      answerTo(items[2].seed, { groups: [right(2)], sure: 'guess' }),
      answerTo(items[3].seed, { groups: [wrong(3)], sure: 'certain' }),
    ];
    const { body } = await give(answers).expect(200);
    expect(body.answers).toMatchObject([
      { id: answers[0].id, truth: right(0), p: 0.92, right: true },
      { truth: right(1), right: false },
      { truth: right(2), right: true },
      { truth: right(3), right: false },
    ]);
    expect((await give(answers).expect(200)).body).toEqual(body);
    const { guides } = await standing();
    expect(guides).toMatchObject([{ guideId, answers: 4, right: 2 }]);
    const [{ confused, certainty, bits }] = guides as { confused: { n: number }[]; certainty: object[]; bits: number }[];
    expect(confused.reduce((sum, { n }) => sum + n, 0)).toBe(2);
    expect(certainty).toEqual(
      expect.arrayContaining([
        { sure: 'sure', answers: 2, right: 1 },
        { sure: 'guess', answers: 1, right: 1 },
        { sure: 'certain', answers: 1, right: 0 },
      ]),
    );
    const mean = (body.answers as { bits: number }[]).reduce((sum, one) => sum + one.bits, 0) / 4;
    expect(bits).toBeCloseTo(mean, 9);
    // Nobody else sees them.
    expect(await standing((await newStation(server)).visitor)).toEqual({ guides: [], memories: [] });
  });

  it('keep what was read in the mark one went by; of a single mark nothing else is scored', async () => {
    const { visitor: own, guideId: guide } = await newStation(server);
    const asked = { level: SPECIES, character: 'leg-fringe' };
    const body = { guideId: guide, ...asked, n: 2, seed: 'hair' };
    const { items } = (await own.post('/api/practice/items').send(body).expect(200)).body as { items: Item[] };
    const shown = items.map(({ truth }) => truth.readings.find(({ character }) => character === 'leg-fringe')!.states![0]);
    const other = ['none', 'sparse', 'dense'].find((state) => state !== shown[1]) ?? 'none';
    const drill = (i: number, says: string, at: string) => ({
      ...answerTo(
        items[i].seed,
        { groups: [], sure: 'sure', wentBy: { character: 'leg-fringe', says } },
        { asked, guideId: guide },
      ),
      at,
    });
    const answers = [drill(0, shown[0], '2026-11-16T10:00:00.000Z'), drill(1, other, '2026-11-23T10:00:00.000Z')];
    const scored = (await give(answers, own).expect(200)).body as { answers: object[] };
    expect(scored.answers).toMatchObject([
      { right: true, bits: 0, mark: { character: 'leg-fringe', shown: shown[0], right: true } },
      { right: false, bits: 0, mark: { shown: shown[1], right: false } },
    ]);
    expect(await standing(own)).toMatchObject({
      guides: [
        {
          marks: [{ character: 'leg-fringe', answers: 2, right: 1 }],
          // Two Mondays.
          weeks: [
            { from: '2026-11-16', answers: 1, right: 1 },
            { from: '2026-11-23', answers: 1, right: 0 },
          ],
          lately: [true, false],
          level: SPECIES,
        },
      ],
      memories: [{ kind: 'mark', guideId: guide, of: ['leg-fringe'], answers: 2, right: 1, lately: [true, false] }],
    });
  });

  it('from a clock that is ahead are taken as given now', async () => {
    const { visitor: own, guideId: guide } = await newStation(server);
    const [item] = (await itemsOf({ seed: 'ahead' })).items;
    const ahead = answerTo(
      'ahead',
      { groups: [item.truth.group], sure: 'sure' },
      { guideId: guide, at: '9999-12-31T23:59:59.000Z' },
    );
    await give([ahead], own).expect(200);
    const { memories } = (await standing(own)) as unknown as { memories: { card: { last_review: string } }[] };
    expect(Math.abs(Date.parse(memories[0].card.last_review) - Date.now())).toBeLessThan(60_000);
  });

  it('make one memory of each pair, whichever way it was taken', async () => {
    const { visitor: own, guideId: guide } = await newStation(server);
    const groups = ['murica', 'velloma'];
    const asked = { level: SPECIES, groups };
    const answers = await Promise.all(
      [0, 1, 2].map(async (i) => {
        const seed = `pair ${i}`;
        const [item] = (
          (
            await own
              .post('/api/practice/items')
              .send({ guideId: guide, ...asked, seed })
              .expect(200)
          ).body as { items: Item[] }
        ).items;
        return answerTo(
          seed,
          { groups: [item.truth.group], sure: 'sure' },
          { asked, guideId: guide, at: `2026-11-2${i}T10:00:00.000Z` },
        );
      }),
    );
    await give(answers, own).expect(200);
    const { memories } = (await standing(own)) as unknown as {
      memories: { of: string[]; answers: number; card: { due: string } }[];
    };
    expect(memories).toMatchObject([{ of: [...groups].sort(), answers: 3, right: 3 }]);
    expect(Date.parse(memories[0].card.due)).toBeGreaterThan(Date.parse('2026-11-24T00:00:00Z'));
  });

  it.each([
    ['to what was not to be chosen', { answer: { groups: ['nobody'], sure: 'sure' } }, 'answers[0].answer.groups'],
    ['of three', { answer: { groups: ['a', 'b', 'c'], sure: 'sure' } }, 'answers[0].answer.groups'],
    ['of one twice', { answer: { groups: ['murica', 'murica'], sure: 'sure' } }, 'answers[0].answer.groups'],
    ['to no item', { asked: { level: SPECIES, view: 'from-the-moon' } }, 'answers[0].asked'],
    ['by a version that is none', { guideVersion: 7 }, 'answers[0].guideVersion'],
    ['by no guide', { guideId: randomUUID() }, 'answers[0].guideVersion'],
  ])('%s are refused, and nothing is kept', async (_, more, field) => {
    const { visitor: own, guideId: theirs } = await newStation(server);
    const fine = answerTo('fine', { groups: [], sure: 'sure' }, { guideId: theirs });
    const { body } = await give([{ ...fine, id: randomUUID(), ...more }, fine], own).expect(400);
    expect(body.field).toBe(field);
    expect(await standing(own)).toEqual({ guides: [], memories: [] });
  });
});

it('numbers by eye are held against what the drawing shows: how far off, and how scattered', async () => {
  const { visitor: own, guideId: guide } = await newStation(server);
  const asked = { level: SPECIES, character: 'width-ratio' };
  const body = { guideId: guide, ...asked, n: 3, seed: 'ratio' };
  const { items } = (await own.post('/api/practice/items').send(body).expect(200)).body as { items: Item[] };
  const factors = [1.2, 1.02, 1.08];
  await give(
    items.map(({ seed, truth }, i) => {
      const { value } = truth.readings.find(({ character }) => character === 'width-ratio')!;
      const wentBy = { character: 'width-ratio', says: value! * factors[i] };
      return answerTo(seed, { groups: [], sure: 'sure', wentBy }, { asked, guideId: guide });
    }),
    own,
  ).expect(200);
  const [{ marks }] = ((await standing(own)) as unknown as PracticeStanding).guides;
  const logs = factors.map(Math.log);
  const mean = logs.reduce((sum, x) => sum + x, 0) / 3;
  const spread = Math.sqrt(logs.reduce((sum, x) => sum + (x - mean) ** 2, 0) / 2);
  expect(marks).toEqual([
    {
      ...{ character: 'width-ratio', answers: 3, right: 2 },
      bias: { values: 3, ratio: expect.closeTo(Math.exp(mean), 9), spread: expect.closeTo(spread, 9) },
    },
  ]);
});

describe('many at once', () => {
  it('are scored by what was asked, told by task, and say nothing of pairs unless one was the odd one', async () => {
    const { visitor: own, guideId: guide } = await newStation(server);
    const one = async (flock: string) => {
      const asked = { level: SPECIES, flock };
      const body = { guideId: guide, ...asked, seed: flock };
      const { items } = (await own.post('/api/practice/items').send(body).expect(200)).body as { items: Item[] };
      return { asked, item: items[0] };
    };
    const [many, odd, tally] = [await one('many'), await one('odd'), await one('tally')];
    const n = many.item.flock!.members.length;
    const answer = ({ asked, item }: typeof many, said: object) =>
      answerTo(item.seed, { groups: [], sure: 'sure', ...said }, { asked, guideId: guide });
    const { body } = await give(
      [
        answer(many, { number: n }),
        answer(many, { number: 4 * n }),
        answer(odd, { picked: oddOf(odd.item) }),
        answer(tally, { counts: Object.fromEntries(countsOf(tally.item.flock!)) }),
      ],
      own,
    ).expect(200);
    expect(body.answers).toMatchObject([
      { truth: String(n), right: true },
      { truth: String(n), right: false },
      { truth: odd.item.truth.group, right: true },
      { right: true },
    ]);
    const { guides, memories } = (await standing(own)) as unknown as PracticeStanding;
    const [{ flocks, confused, certainty, lately }] = guides;
    expect(flocks).toEqual([
      // Once just that, once four times as many: in the middle twice.
      { task: 'many', answers: 2, right: 1, ratio: expect.closeTo(2, 9) },
      { task: 'odd', answers: 1, right: 1 },
      { task: 'tally', answers: 1, right: 1 },
    ]);
    expect([confused, certainty, lately]).toEqual([[], [], [true]]);
    expect(memories).toMatchObject([{ kind: 'pair', of: odd.item.choices.map(({ id }) => id).sort() }]);
  });

  it('of a level that the guide has not are refused in words', async () => {
    const level = { kind: 'facet', facet: 'season' };
    for (const more of [{}, { flock: 'tally' }]) {
      const { body } = await ask({ level, ...more }).expect(400);
      expect(body).toMatchObject({ field: 'groups', message: expect.stringMatching(/can be drawn/) });
    }
  });
});

it('of the demo is made once, with something to see in every part of it', async () => {
  const demo = server.visitor();
  await demo.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
  const seen = (await demo.get('/api/practice/standing').expect(200)).body as PracticeStanding;
  const [own] = seen.guides;
  expect(own.answers).toBeGreaterThan(70);
  expect(own.right / own.answers).toBeGreaterThan(0.5);
  expect(own.weeks.length).toBeGreaterThan(3);
  expect(own.certainty.length).toBeGreaterThan(3);
  expect(own.confused.length).toBeGreaterThan(2);
  expect(own.marks.length).toBeGreaterThan(2);
  await loadDemo(server.orm.em.fork(), server);
  expect((await demo.get('/api/practice/standing').expect(200)).body).toEqual(seen);
});

describe('walks through a key', () => {
  it('are made from a version of a key to the guide, judged couplet by couplet, and summed up by key', async () => {
    const own = server.visitor();
    await own.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
    const { body: all } = await own.get('/api/keys').expect(200);
    const { id: keyId, guideId: guide } = (all as KeyList).keys.find(({ title }) => title.startsWith('Standing terns'))!;
    const asked = { level: SPECIES, walk: { keyId, keyVersion: 1 } };
    const { body } = await own
      .post('/api/practice/items')
      .send({ guideId: guide, ...asked, n: 2, seed: 'way' })
      .expect(200);
    const { items } = body as { items: Item[] };
    const stepsOf = ({ drill }: Item, missed?: number) =>
      drill!.steps.map(({ couplet, leads }, i) => ({ couplet, lead: i === missed ? 'zz' : leads[0], seconds: 2 + i }));
    const walked = (i: number, steps: object[]) =>
      answerTo(items[i].seed, { groups: [], sure: 'sure', steps }, { asked, guideId: guide });
    const told = await give([walked(0, stepsOf(items[0])), walked(1, stepsOf(items[1], 0))], own).expect(200);
    expect(told.body.answers).toMatchObject([
      { right: true, truth: items[0].truth.group, steps: items[0].drill!.steps.map(({ number }) => ({ number, right: true })) },
      { right: false, steps: items[1].drill!.steps.map(({ number }, i) => ({ number, right: i > 0 })) },
    ]);
    const { guides } = (await own.get('/api/practice/standing').expect(200)).body as PracticeStanding;
    const { walks, lately, answers } = guides.find(({ guideId: id }) => id === guide)!;
    expect(walks).toMatchObject([{ keyId, walks: 2, right: 1 }]);
    // The first couplet was missed once of twice, after two seconds each time: it is the hardest.
    expect(walks[0].couplets[0]).toEqual({ number: items[0].drill!.steps[0].number, answers: 2, right: 1, seconds: 2 });
    expect(walks[0].couplets.reduce((sum, { answers }) => sum + answers, 0)).toBe(
      items.reduce((sum, { drill }) => sum + drill!.steps.length, 0),
    );
    // How hard an individual may be, a walk does not say.
    expect(lately.length).toBeLessThanOrEqual(answers - 2);
    const refused = async (walk: object, field: string) =>
      expect(
        (
          await own
            .post('/api/practice/items')
            .send({ guideId: guide, ...asked, walk })
            .expect(400)
        ).body,
      ).toMatchObject({
        field,
        message: expect.stringMatching(/There is no such/),
      });
    await refused({ keyId: randomUUID(), keyVersion: 1 }, 'walk.keyId');
    await refused({ keyId, keyVersion: 9 }, 'walk.keyVersion');
    const strange = answerTo(
      'x',
      { groups: [], sure: 'sure' },
      { asked: { ...asked, walk: { keyId, keyVersion: 9 } }, guideId: guide },
    );
    expect((await give([strange], own).expect(400)).body).toMatchObject({ field: 'answers[0].asked.walk.keyVersion' });
  });
});
