import { randomUUID } from 'node:crypto';
import type { CalibrationView, HitRatesView } from '@plesion/contract/calibration';
import type { Verification, VerificationList } from '@plesion/contract/verifications';
import type { Overturned } from '@plesion/core/verification';
import type { Item, VerifiedPhoto } from '@plesion/core/practice';
import sharp from 'sharp';
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

let red = 0;
/** A specimen with a photo from above. */
async function photographed(more: object = {}): Promise<{ specimenId: string; hash: string }> {
  const file = await sharp({ create: { width: 20, height: 20, channels: 3, background: { r: red++, g: 80, b: 40 } } })
    .jpeg()
    .toBuffer();
  const hash = (await visitor.post('/api/photos').attach('photo', file, 'x.jpg').expect(201)).body.hash as string;
  const specimenId = randomUUID();
  const media = [{ id: randomUUID(), kind: 'photo', hash, view: 'dorsal' }];
  await visitor
    .put(`/api/specimens/${specimenId}`)
    .send(write(guideId, { photo: hash, media, ...more }))
    .expect(200);
  return { specimenId, hash };
}

const outcome = (specimenId: string, more: object = {}) => ({
  ...{ id: randomUUID(), specimenId, kind: 'dissection', taxon: 'murica', wrong: 0.01, on: '2026-05-12' },
  ...more,
});
const say = (body: object, own = visitor) => own.post('/api/verifications').send(body);
const listed = async (specimenId: string) =>
  ((await visitor.get(`/api/verifications?specimenId=${specimenId}`).expect(200)).body as { verifications: Verification[] })
    .verifications;
const photosOf = async () =>
  ((await visitor.get(`/api/practice/photos?guideId=${guideId}`).expect(200)).body as { photos: VerifiedPhoto[] }).photos;

describe('what a specimen turned out to be', () => {
  it('is added, sent twice is one, and is taken back without being gone', async () => {
    const { specimenId } = await photographed();
    const sent = outcome(specimenId, { note: 'both gonads seen' });
    const { body } = await say(sent).expect(201);
    expect(body).toMatchObject({ ...sent, by: name, sameCall: false, facets: {} });
    expect((await say({ ...sent, taxon: 'velloma' }).expect(201)).body).toEqual(body);
    const later = outcome(specimenId, { kind: 'expert', taxon: 'velloma', wrong: 0.2 });
    await say(later).expect(201);
    expect((await listed(specimenId)).map(({ id }) => id)).toEqual([later.id, sent.id]);
    await visitor.delete(`/api/verifications/${sent.id}`).expect(200);
    // Taken back again, it says who did so first.
    expect((await visitor.delete(`/api/verifications/${sent.id}`).expect(200)).body).toMatchObject({ withdrawnBy: name });
    expect(await listed(specimenId)).toHaveLength(2);
  });

  it.each([
    ['of no taxon of the guide', { taxon: 'nobody' }, 'taxon', /no “nobody”/],
    ['of a form that is none', { facets: { sex: 'no-such' } }, 'facets', /no such form/],
    ['wrong as often as right', { wrong: 0.6 }, 'wrong', /verifies nothing/],
    ['below no chance', { wrong: -0.1 }, 'wrong', /0 or more/],
    ['on no day', { on: '2026-02-31' }, 'on', /YYYY-MM-DD/],
    ['by what there is not', { kind: 'rumour' }, 'kind', /./],
  ])('%s is refused by field', async (_, more, field, message) => {
    const { specimenId } = await photographed();
    const { body } = await say(outcome(specimenId, more)).expect(400);
    expect(body).toMatchObject({ field, message: expect.stringMatching(message) });
    expect(await listed(specimenId)).toEqual([]);
  });

  it('is no other station’s, and not for what has no guide', async () => {
    const { specimenId } = await photographed();
    const sent = outcome(specimenId);
    await say(sent).expect(201);
    const { visitor: stranger } = await newStation(server);
    await say(outcome(specimenId), stranger).expect(404);
    await stranger.get(`/api/verifications?specimenId=${specimenId}`).expect(404);
    await stranger.delete(`/api/verifications/${sent.id}`).expect(404);
    const bare = randomUUID();
    await visitor
      .put(`/api/specimens/${bare}`)
      .send({ ...write(guideId), guideId: undefined })
      .expect(200);
    expect((await say(outcome(bare)).expect(400)).body).toMatchObject({ code: 'no-guide' });
  });
});

describe('lists', () => {
  const named = (taxon: string, more: object = {}) => ({
    ...{ id: randomUUID(), qualifier: 'none', taxon, facets: {}, by: '', at: '2026-05-01T10:00:00Z', p: 0.9 },
    ...{ recommended: '', overruled: false, guideVersion: 1, ...more },
  });
  const lists = async () =>
    (await visitor.get('/api/lists').expect(200)).body as {
      records: { id: string; taxon?: string }[];
      corrections: { id: string; was?: { taxon?: string }; became?: { taxon?: string }; outcome?: object }[];
    };
  const stands = async (id: string) => (await lists()).records.find((one) => one.id === id)?.taxon;

  it('follow what a record turned out to be, say what moved and why, and go back when it is taken back', async () => {
    const call = named('murica');
    const { specimenId } = await photographed({ determinations: [call] });
    expect(await stands(specimenId)).toBe('murica');
    const found = outcome(specimenId, { taxon: 'velloma' });
    await say(found).expect(201);
    await say(found).expect(201);
    expect(await stands(specimenId)).toBe('velloma');
    // A word that is less sure moves nothing, nor does one that rests on the same call.
    await say(outcome(specimenId, { taxon: 'murica', wrong: 0.2 })).expect(201);
    await say(outcome(specimenId, { taxon: 'murica', wrong: 0.001, sameCall: true })).expect(201);
    expect(await stands(specimenId)).toBe('velloma');
    // A newer name does not stand against what is known; one that is right stands for itself.
    await visitor
      .put(`/api/specimens/${specimenId}`)
      .send(write(guideId, { version: 1, determinations: [call, named('cinerata')] }))
      .expect(200);
    expect(await stands(specimenId)).toBe('velloma');
    await visitor.delete(`/api/verifications/${found.id}`).expect(200);
    expect(await stands(specimenId)).toBe('murica');
    const { corrections } = await lists();
    expect(
      corrections.filter(({ id }) => id === specimenId).map(({ was, became, outcome: by }) => [was?.taxon, became?.taxon, by]),
    ).toEqual([
      ['velloma', 'murica', { kind: 'dissection', takenBack: true }],
      ['murica', 'velloma', { kind: 'dissection', takenBack: false }],
    ]);
  });

  it('have a record that was never named, or doubted, once it is known what it was', async () => {
    const { specimenId } = await photographed();
    const doubted = await photographed({ determinations: [named('murica', { qualifier: 'cf.' })] });
    expect([await stands(specimenId), await stands(doubted.specimenId)]).toEqual([undefined, undefined]);
    await say(outcome(specimenId)).expect(201);
    await say(outcome(doubted.specimenId, { taxon: 'velloma' })).expect(201);
    expect([await stands(specimenId), await stands(doubted.specimenId)]).toEqual(['murica', 'velloma']);
  });
});

describe('what the bearer of a ring turned out to be', () => {
  const mark = 'H 04777';
  const of = (more: object = {}) => ({
    ...{ id: randomUUID(), mark, kind: 'egg', taxon: 'murica', facets: { sex: 'female' }, wrong: 0.001, on: '2026-07-01' },
    ...more,
  });
  const captured = async (sexes: string[]) => {
    const [siteId, visitId] = [randomUUID(), randomUUID()];
    const put = (path: string, id: string, body: object) =>
      visitor
        .put(`/api/${path}/${id}`)
        .send({ version: 0, hidden: false, ...body })
        .expect(200);
    const licence = {
      id: 'l1',
      label: 'Permit 7',
      holder: 'O. Venn',
      covers: ['mist-net'],
      from: '2026-01-01',
      to: '2026-12-31',
    };
    await put('sites', siteId, { name: 'Long Spit', licences: [licence] });
    await put('visits', visitId, {
      siteId,
      startedAt: '2026-06-02T19:00:00Z',
      people: ['Mira'],
      method: 'mist-net',
      overrides: [],
    });
    for (const [i, sex] of sexes.entries())
      await put('captures', randomUUID(), {
        ...{ visitId, at: `2026-06-0${i + 2}T20:00:00Z`, what: i ? 'again' : 'ringed', mark, guideId, taxon: 'murica' },
        ...{ sex, readings: [], overrides: [] },
      });
  };
  const wrong = async () =>
    ((await visitor.get('/api/field?today=2026-07-02').expect(200)).body as { wrong: { mark: string; code: string }[] }).wrong;
  const history = async () =>
    (await visitor.get(`/api/marks/${encodeURIComponent(mark)}`).expect(200)).body as { outcome?: object };

  it('settles what its captures contradict one another in, until it is taken back', async () => {
    await captured(['male', 'male', 'female']);
    expect(await wrong()).toEqual([expect.objectContaining({ mark, code: 'sexes-differ' })]);
    const sent = of();
    expect((await say(sent).expect(201)).body).toMatchObject({ mark, kind: 'egg' });
    await say(of({ kind: 'expert', wrong: 0.2, facets: { sex: 'male' } })).expect(201);
    expect(await wrong()).toEqual([]);
    expect((await history()).outcome).toEqual({ kind: 'egg', taxon: 'murica', facets: { sex: 'female' }, on: '2026-07-01' });
    const { body } = await visitor.get(`/api/verifications?mark=${encodeURIComponent(mark)}`).expect(200);
    expect((body as { verifications: object[] }).verifications).toHaveLength(2);
    const { lines } = (await visitor.get('/api/audit?kind=verification').expect(200)).body as { lines: { fields: string[] }[] };
    expect(lines.map(({ fields }) => fields)).toEqual([
      ['expert', mark],
      ['egg', mark],
    ]);
    await visitor.delete(`/api/verifications/${sent.id}`).expect(200);
    expect((await history()).outcome).toMatchObject({ kind: 'expert' });
  });

  it('moves its captures on lists, says what moved and why, and lets them go back; each stays as it was written', async () => {
    await captured(['male', 'male']);
    type Moved = { id: string; kind: string; was?: { taxon?: string }; became?: { taxon?: string }; outcome?: object };
    const lists = async () =>
      (await visitor.get('/api/lists').expect(200)).body as {
        records: { kind: string; taxon?: string; day: string; site?: string }[];
        corrections: Moved[];
      };
    const caught = async () =>
      (await lists()).records.filter(({ kind }) => kind === 'capture').map(({ day, taxon }) => [day, taxon]);
    // Only the earliest of a kind, as long as nothing is known of the bearer.
    expect(await caught()).toEqual([['2026-06-02', 'murica']]);
    const found = of({ taxon: 'velloma', facets: {} });
    await say(found).expect(201);
    await say(found).expect(201);
    const moved = [
      ['2026-06-02', 'velloma'],
      ['2026-06-03', 'velloma'],
    ];
    expect(await caught()).toEqual(moved);
    expect((await lists()).records.every(({ kind, site }) => kind !== 'capture' || site)).toBe(true);
    // Less sure, resting on the same call, or not going as far as the name: nothing moves.
    await say(of({ taxon: 'cinerata', facets: {}, wrong: 0.2 })).expect(201);
    await say(of({ taxon: 'cinerata', facets: {}, wrong: 0, sameCall: true })).expect(201);
    expect(await caught()).toEqual(moved);
    await visitor.delete(`/api/verifications/${found.id}`).expect(200);
    expect((await caught()).map(([, taxon]) => taxon)).toEqual(['cinerata', 'cinerata']);
    const genus = of({ taxon: 'petralda', facets: {}, wrong: 0 });
    await say(genus).expect(201);
    expect((await caught()).map(([, taxon]) => taxon)).toEqual(['murica', 'murica']);
    const { corrections } = await lists();
    const [egg, back] = [false, true].map((takenBack) => ({ kind: 'egg', takenBack }));
    expect(corrections.map(({ kind, was, became, outcome: by }) => [kind, was?.taxon, became?.taxon, by])).toEqual([
      ...Array.from({ length: 2 }, () => ['capture', 'cinerata', 'murica', egg]),
      ...Array.from({ length: 2 }, () => ['capture', 'velloma', 'cinerata', back]),
      ...Array.from({ length: 2 }, () => ['capture', 'murica', 'velloma', egg]),
    ]);
    const { captures } = (await visitor.get('/api/captures').expect(200)).body as {
      captures: { taxon: string; version: number }[];
    };
    expect(captures.map(({ taxon, version }) => [taxon, version])).toEqual([
      ['murica', 1],
      ['murica', 1],
    ]);
  });

  it.each([
    ['of no ring that was met', { mark: 'H 09999' }, 404, undefined],
    ['of a ring and a specimen', { specimenId: randomUUID() }, 400, 'specimenId'],
    ['of nothing', { mark: undefined }, 400, 'specimenId'],
    ['of what is no ring', { mark: 'a bird' }, 400, 'mark'],
    ['shown by a picture that is not here', { photo: 'a'.repeat(64) }, 400, 'photo'],
  ])('%s is refused', async (_, more, status, field) => {
    await captured(['male']);
    const { body } = await say(of(more)).expect(status);
    if (field) expect(body).toMatchObject({ field });
  });

  it('is shown by a picture', async () => {
    await captured(['male']);
    const { hash } = await photographed();
    expect((await say(of({ photo: hash })).expect(201)).body).toMatchObject({ photo: hash });
  });
});

describe('photographs to practise with', () => {
  it('are those whose names are verified by something else than the same call, by the surest word', async () => {
    const [one, two, three, four] = [await photographed(), await photographed(), await photographed(), await photographed()];
    await say(outcome(one.specimenId, { kind: 'expert', taxon: 'velloma', wrong: 0.2 })).expect(201);
    await say(outcome(one.specimenId, { wrong: 0.01 })).expect(201);
    await say(outcome(two.specimenId, { sameCall: true })).expect(201);
    const back = outcome(three.specimenId);
    await say(back).expect(201);
    await visitor.delete(`/api/verifications/${back.id}`).expect(200);
    await say(outcome(four.specimenId)).expect(201);
    await visitor
      .put(`/api/specimens/${four.specimenId}`)
      .send(write(guideId, { version: 1, hidden: true }))
      .expect(200);
    expect(await photosOf()).toEqual([
      {
        specimenId: one.specimenId,
        hash: one.hash,
        view: 'dorsal',
        taxon: 'murica',
        facets: {},
        kind: 'dissection',
        wrong: 0.01,
      },
    ]);
  });

  it('are items like others: named, scored by what they turned out to be, and kept', async () => {
    const photo = await photographed();
    await say(outcome(photo.specimenId)).expect(201);
    const asked = { level: { kind: 'rank', rank: 'species' }, photo };
    const { body } = await visitor
      .post('/api/practice/items')
      .send({ guideId, ...asked, seed: 'p' })
      .expect(200);
    const [item] = body.items as Item[];
    expect(item).toMatchObject({
      view: 'dorsal',
      photo: { ...photo, kind: 'dissection' },
      truth: { group: 'murica', best: { p: 0.99 } },
    });
    expect(item.choices.length).toBeGreaterThan(2);
    const answer = (groups: string[]) => ({
      ...{ id: randomUUID(), guideId, guideVersion: 1, seed: 'p', asked, at: '2026-11-27T10:00:00.000Z' },
      answer: { groups, sure: 'sure' },
    });
    const told = await visitor
      .post('/api/practice/answers')
      .send({ answers: [answer(['murica']), answer(['velloma'])] })
      .expect(200);
    expect(told.body.answers).toMatchObject([
      { truth: 'murica', right: true },
      { truth: 'murica', right: false, why: { other: { id: 'velloma' }, readings: [] } },
    ]);
    expect(told.body.answers[0].why).toBeUndefined();
  });

  it('that are not verified, or are another station’s, are refused by field', async () => {
    const photo = await photographed();
    const asked = { level: { kind: 'rank', rank: 'species' }, photo };
    const ask = (own: Visitor, guide = guideId) => own.post('/api/practice/items').send({ guideId: guide, ...asked });
    expect((await ask(visitor).expect(400)).body).toMatchObject({ code: 'no-photo', field: 'photo' });
    await say(outcome(photo.specimenId)).expect(201);
    await ask(visitor).expect(200);
    const stranger = await newStation(server);
    await ask(stranger.visitor, stranger.guideId).expect(400);
  });
});

const called = (taxon: string, p: number, more: object = {}) => ({
  id: randomUUID(),
  ...{
    qualifier: 'none',
    guideVersion: 1,
    taxon,
    facets: {},
    by: name,
    at: '2026-05-01T10:00:00.000Z',
    p,
    recommended: '',
    overruled: false,
  },
  ...more,
});
const named = async (determinations: object[], found: object | undefined, more: object = {}) => {
  const specimenId = randomUUID();
  await visitor
    .put(`/api/specimens/${specimenId}`)
    .send(write(guideId, { determinations, ...more }))
    .expect(200);
  if (found) await say(outcome(specimenId, found)).expect(201);
  return specimenId;
};

describe('how names turned out', () => {
  const calibrated = async (query = '') => (await visitor.get(`/api/calibration${query}`).expect(200)).body as CalibrationView;

  it('is counted of what is known, against the newest name before it was', async () => {
    expect(await calibrated()).toMatchObject({ guides: [], names: { all: 0, verified: 0 }, thresholds: [], pairs: [] });
    await named([called('murica', 0.96)], { taxon: 'murica' });
    const wrong = await named([called('velloma', 0.9), called('murica', 0.96)], { taxon: 'velloma' });
    // A name that was mended after it was known does not make the call right.
    const { body } = await visitor.get(`/api/specimens/${wrong}`).expect(200);
    const later = called('velloma', 0.99, { at: new Date(Date.now() + 1000).toISOString() });
    await visitor
      .put(`/api/specimens/${wrong}`)
      .send(write(guideId, { version: body.version, determinations: [...body.determinations, later] }))
      .expect(200);
    await named([called('murica', 0.85)], undefined);
    const view = await calibrated();
    expect(view.names).toMatchObject({ all: 3, verified: 2 });
    expect(view.calibration).toMatchObject({ n: 2, right: 1 });
    expect(view.calibration!.brier).toBeCloseTo((0.04 ** 2 + 0.96 ** 2) / 2, 9);
    expect(view.thresholds.find(({ threshold }) => threshold === 0.95)).toEqual({ threshold: 0.95, names: 2, wrong: 1 });
    expect(view.pairs).toHaveLength(2);
    expect(view.pairs).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ called: 'murica', truth: 'velloma', right: false, n: 1, specimens: [wrong] }),
      ]),
    );
    expect((await calibrated('?by=nobody')).calibration).toBeUndefined();
    expect(view).toMatchObject({ schools: ['weigh'], usual: 0.95 });
    expect((await calibrated('?school=weigh')).calibration).toMatchObject({ n: 2 });
    const other = await calibrated('?school=key');
    expect([other.calibration, other.names]).toEqual([undefined, { all: 0, verified: 0 }]);
    const rates = async (query: string) =>
      ((await visitor.get(`/api/hit-rates${query}`).expect(200)).body as HitRatesView).observers;
    expect(await rates('?school=weigh')).toEqual([expect.objectContaining({ by: name, n: 2, hits: 1 })]);
    expect(await rates('?school=key')).toEqual([]);
    expect((await calibrated(`?guideId=${guideId}&season=2026&by=${encodeURIComponent(name)}`)).calibration).toMatchObject({
      n: 2,
    });
    expect((await calibrated('?season=2019')).names).toMatchObject({ all: 0, verified: 0 });
    await visitor.get('/api/calibration?season=soon').expect(400);
  });

  it('a sex called wrongly is wrong, a word that does not go so far tells nothing', async () => {
    await named([called('murica', 0.9, { facets: { sex: 'male' } })], { taxon: 'murica', facets: { sex: 'female' } });
    await named([called('murica', 0.9, { facets: { sex: 'male' } })], { taxon: 'murica' });
    const genus = (
      (await visitor.get(`/api/guides/${guideId}`).expect(200)).body.guide.taxa as { id: string; rank: string }[]
    ).find(({ rank }) => rank === 'genus')!.id;
    await named([called('murica', 0.9)], { taxon: genus });
    expect((await calibrated()).calibration).toMatchObject({ n: 2, right: 1 });
  });
});

describe('what misled', () => {
  const granules = { character: 'granules', states: ['dense'] };
  const gape = { character: 'claw-gape', states: ['gaping'] };
  const judgedOf = async (specimenId: string) =>
    ((await visitor.get(`/api/verifications?specimenId=${specimenId}`).expect(200)).body as VerificationList).judged;
  const overturned = async () =>
    ((await visitor.get(`/api/overturned?guideId=${guideId}`).expect(200)).body as { overturned: Overturned[] }).overturned;
  const rates = async (query = '') => (await visitor.get(`/api/hit-rates${query}`).expect(200)).body as HitRatesView;
  /** A specimen on which something was read, called murica. */
  const read = async (readings: object[], found?: object) => named([called('murica', 0.9)], found, { readings });

  it('is told of a call that was overturned: in bits, with the mark that told in the end', async () => {
    const specimenId = await read([granules], { taxon: 'velloma' });
    const judged = (await judgedOf(specimenId))!;
    expect(judged).toMatchObject({
      ...{ called: { taxon: 'murica', facets: {} }, by: name, p: 0.9, right: false },
      misled: expect.stringMatching(/dense grains, in \d+ of ten thorned ledge crab, in \d+ of ten saddled ledge crab\.$/),
      told: { read: false },
    });
    expect(judged.marks).toEqual([{ reading: granules, bits: expect.any(Number) }]);
    expect(judged.marks[0].bits).toBeLessThan(-0.5);
    // What is read afterwards can have told, and does not change what the call rested on.
    const { body } = await visitor.get(`/api/specimens/${specimenId}`).expect(200);
    const closed = { character: 'claw-gape', states: ['closed'] };
    await visitor
      .put(`/api/specimens/${specimenId}`)
      .send(write(guideId, { version: body.version, readings: [granules, closed], determinations: body.determinations }))
      .expect(200);
    const later = (await judgedOf(specimenId))!;
    expect(later.marks).toEqual(judged.marks);
    expect(later.told).toMatchObject({ character: 'claw-gape', read: true });
  });

  it('follows the surest word, and is gone with it', async () => {
    const specimenId = await read([granules], { taxon: 'velloma', kind: 'expert', wrong: 0.2 });
    expect((await judgedOf(specimenId))!.right).toBe(false);
    expect(await overturned()).toHaveLength(1);
    const surer = outcome(specimenId, { taxon: 'murica', wrong: 0.001 });
    await say(surer).expect(201);
    expect((await judgedOf(specimenId))!).toMatchObject({ right: true });
    expect((await judgedOf(specimenId))!.misled).toBeUndefined();
    expect(await overturned()).toEqual([]);
    await visitor.delete(`/api/verifications/${surer.id}`).expect(200);
    expect(await overturned()).toMatchObject([{ specimenId, kind: 'expert', on: '2026-05-12', lead: granules }]);
    const [left] = await listed(specimenId).then((all) => all.filter(({ withdrawnBy }) => !withdrawnBy));
    await visitor.delete(`/api/verifications/${left.id}`).expect(200);
    expect(await judgedOf(specimenId)).toBeUndefined();
    expect(await overturned()).toEqual([]);
    expect(await rates()).toEqual({ marks: [], observers: [], guides: [] });
  });

  it('gives the rate of each mark, person and guide, and none of another station', async () => {
    await Promise.all([
      read([granules, gape], { taxon: 'velloma' }),
      read([granules], { taxon: 'velloma' }),
      read([granules], { taxon: 'murica' }),
      read([granules], undefined),
    ]);
    const found = await rates();
    expect(found.marks.find(({ character }) => character === 'granules')).toMatchObject({ guideId, n: 3, hits: 1 });
    expect(found.observers).toMatchObject([{ by: name, n: 3, hits: 1 }]);
    expect(found.guides).toMatchObject([{ guideId, n: 3, hits: 1 }]);
    expect((await rates('?season=2019')).marks).toEqual([]);
    expect((await rates(`?season=2026&guideId=${guideId}&by=${encodeURIComponent(name)}`)).guides).toHaveLength(1);
    const stranger = await newStation(server);
    expect((await stranger.visitor.get('/api/hit-rates').expect(200)).body).toEqual({ marks: [], observers: [], guides: [] });
    await stranger.visitor
      .get(`/api/overturned?guideId=${guideId}`)
      .expect(200)
      .expect(({ body }) => expect(body.overturned).toEqual([]));
  });

  it('is silent where a name was given by a guide that is no longer the specimen’s', async () => {
    const specimenId = await named([called('murica', 0.9, { guideVersion: 7 })], { taxon: 'velloma' });
    expect(await judgedOf(specimenId)).toBeUndefined();
    expect(await overturned()).toEqual([]);
  });
});
