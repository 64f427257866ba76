import { randomUUID } from 'node:crypto';
import type { Capture, FieldView, MarkHistory, RingStringRow, VisitRow } from '@plesion/contract';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId } = await newStation(server));
});
afterAll(() => server.close());

const put = (path: string, id: string, body: object) =>
  visitor.put(`/api/${path}/${id}`).send({ version: 0, hidden: false, ...body });
const licence = {
  id: 'l1',
  label: 'Ringing permit 7',
  holder: 'O. Venn',
  covers: ['mist-net'],
  from: '2026-01-01',
  to: '2026-12-31',
};
const site = (more: object = {}) => ({
  name: 'Long Spit',
  licences: [licence],
  position: { latitude: 54.2, longitude: -12.1 },
  ...more,
});
const visit = (siteId: string, more: object = {}) => ({
  siteId,
  startedAt: '2026-06-02T19:00:00Z',
  people: ['Mira'],
  method: 'mist-net',
  overrides: [],
  ...more,
});
const capture = (visitId: string, more: object = {}) => ({
  visitId,
  at: '2026-06-02T20:00:00Z',
  what: 'ringed',
  mark: 'H 04501',
  readings: [],
  overrides: [],
  ...more,
});
const why = (what: string) => ({ what, reason: 'Told to by the warden.', by: 'Mira', at: '2026-06-02T19:00:00Z' });

/** A site with a visit to it. */
async function begun(more: object = {}): Promise<{ siteId: string; visitId: string }> {
  const [siteId, visitId] = [randomUUID(), randomUUID()];
  await put('sites', siteId, site()).expect(200);
  await put('visits', visitId, visit(siteId, more)).expect(200);
  return { siteId, visitId };
}

describe('natural marks', () => {
  const notch = { id: 'n', kind: 'notch', words: 'deep notch, left web', at: { view: 'perched', x: 0.5, y: 0.9 } };
  const scar = { id: 's', kind: 'scar', words: 'pale 100% scar', at: { view: 'perched', x: 0.2, y: 0.2 } };
  const found = async (query: object, by = visitor) =>
    ((await by.get('/api/natural-marks').query(query).expect(200)).body.animals as { mark?: string; captureId: string }[]).map(
      ({ mark, captureId }) => mark ?? captureId,
    );

  it('are found by words and by where they are, each animal as it was met last', async () => {
    const usual = visitor;
    const { visitor: own } = await newStation(server);
    visitor = own;
    const { visitId } = await begun();
    const bare = randomUUID();
    await put('captures', randomUUID(), capture(visitId, { mark: 'N 1', naturalMarks: [scar] })).expect(200);
    const later = { what: 'again', at: '2026-06-03T20:00:00Z' };
    await put('captures', randomUUID(), capture(visitId, { ...later, mark: 'N 1', naturalMarks: [notch] })).expect(200);
    await put('captures', bare, capture(visitId, { mark: undefined, what: 'unringed', naturalMarks: [scar] })).expect(200);
    await put('captures', randomUUID(), capture(visitId, { mark: 'N 2' })).expect(200);
    expect(await found({})).toEqual(['N 1', bare]);
    expect(await found({ words: 'NOTCH web' })).toEqual(['N 1']);
    expect(await found({ words: '100%' })).toContain(bare);
    expect(await found({ words: '%' })).not.toContain('N 2');
    expect(await found({ view: 'perched', x: 0.21, y: 0.2 })).toEqual([bare, 'N 1']);
    expect(await found({ view: 'flight', x: 0.21, y: 0.2 })).toEqual([]);
    await own.get('/api/natural-marks?x=7').expect(400);
    const { visitor: other } = await newStation(server);
    expect(await found({}, other)).toEqual([]);
    visitor = usual;
  });

  it('with a photo that is not in the station are refused, and so is a mark without words', async () => {
    const { visitId } = await begun();
    const photo = 'a'.repeat(64);
    const refused = async (mark: object) =>
      (await put('captures', randomUUID(), capture(visitId, { mark: 'N 3', naturalMarks: [mark] })).expect(400)).body;
    expect(await refused({ ...notch, photo })).toMatchObject({ code: 'unknown-photo' });
    expect(await refused({ ...notch, words: ' ' })).toMatchObject({ field: 'naturalMarks[0].words' });
  });
});

it('parents know their young, and the young their parents', async () => {
  const { visitId } = await begun();
  await put('captures', randomUUID(), capture(visitId, { mark: 'P 1' })).expect(200);
  await put('captures', randomUUID(), capture(visitId, { mark: 'P 2', parents: { mother: 'P 1', brood: 'box 3' } })).expect(200);
  const history = async (mark: string) => (await visitor.get(`/api/marks/${mark}`).expect(200)).body as MarkHistory;
  expect((await history('P 1')).young.map(({ mark, parents }) => [mark, parents?.brood])).toEqual([['P 2', 'box 3']]);
  const young = await history('P 2');
  expect([young.young, young.captures[0].parents]).toEqual([[], { mother: 'P 1', brood: 'box 3' }]);
  const bad = await put('captures', randomUUID(), capture(visitId, { mark: 'P 3', parents: { father: 'nobody' } })).expect(400);
  expect(bad.body.field).toBe('parents.father');
});

describe('a visit', () => {
  it('is kept at its site and changed by version, and says what it caught', async () => {
    const { siteId, visitId } = await begun();
    await put('captures', randomUUID(), capture(visitId, { mark: 'A 1' })).expect(200);
    const ended = { ...visit(siteId, { endedAt: '2026-06-02T23:00:00Z', effort: { units: 4, hours: 4 } }), version: 1 };
    expect((await put('visits', visitId, ended).expect(200)).body).toMatchObject({ version: 2, effort: { units: 4 } });
    const { visits } = (await visitor.get(`/api/visits?siteId=${siteId}`).expect(200)).body as { visits: VisitRow[] };
    expect(visits).toMatchObject([{ id: visitId, caught: 1, endedAt: '2026-06-02T23:00:00Z' }]);
    expect((await put('visits', visitId, { ...ended, version: 1, note: 'x' }).expect(409)).body).toMatchObject({
      code: 'stale-version',
      stored: { version: 2 },
    });
  });

  it('by a method without a licence on file stops with that sentence, until it is said why', async () => {
    const { siteId } = await begun();
    const without = visit(siteId, { method: 'clap-net' });
    const { body } = await put('visits', randomUUID(), without).expect(400);
    expect(body).toMatchObject({
      code: 'no-licence',
      field: 'overrides',
      message: expect.stringContaining('No licence for clap net'),
    });
    await put('visits', randomUUID(), { ...without, overrides: [why('no-licence')] }).expect(200);
    await put('visits', randomUUID(), visit(siteId, { method: 'watch' })).expect(200);
  });

  it('to a rested site stops with the reason', async () => {
    const siteId = randomUUID();
    await put('sites', siteId, site({ rested: { until: '2026-07-01', reason: 'a harrier about' } })).expect(200);
    expect((await put('visits', randomUUID(), visit(siteId)).expect(400)).body).toMatchObject({
      code: 'rested',
      message: expect.stringContaining('a harrier about'),
    });
    await put('visits', randomUUID(), visit(siteId, { overrides: [why('rested')] })).expect(200);
    await put('visits', randomUUID(), visit(siteId, { startedAt: '2026-07-01T05:00:00Z' })).expect(200);
  });

  it.each([
    [{ siteId: randomUUID() }, 'unknown-site', 'siteId'],
    [{ people: [] }, 'bad-shape', 'people'],
    [{ endedAt: '2026-06-02T18:00:00Z' }, 'bad-shape', 'endedAt'],
    [{ effort: { units: 0, hours: 2 } }, 'bad-shape', 'effort.units'],
    [{ startedAt: 'yesterday' }, 'bad-shape', 'startedAt'],
  ])('with %j is refused by its field', async (more, code, field) => {
    const { siteId } = await begun();
    const id = randomUUID();
    expect((await put('visits', id, visit(siteId, more)).expect(400)).body).toMatchObject({ code, field });
    await visitor.get(`/api/visits/${id}`).expect(404);
  });
});

describe('a capture', () => {
  it.each([
    [{ visitId: randomUUID() }, 'unknown-visit', 'visitId'],
    [{ mark: undefined }, 'no-ring', 'mark'],
    [{ mark: 'H-4' }, 'bad-shape', 'mark'],
    [{ what: 'unringed' }, 'ring-unsaid', 'what'],
    [{ age: { family: 'letters', code: 'ZZ' } }, 'unknown-age', 'age.code'],
    [{ taxon: 'murica' }, 'no-guide', 'guideId'],
    [{ mass: 0 }, 'bad-shape', 'mass'],
    [{ photo: 'a'.repeat(64) }, 'unknown-photo', 'photo'],
  ])('with %j is refused by its field, and nothing of it is kept', async (more, code, field) => {
    const { visitId } = await begun();
    const id = randomUUID();
    expect((await put('captures', id, capture(visitId, more)).expect(400)).body).toMatchObject({ code, field });
    await visitor.get(`/api/captures/${id}`).expect(404);
  });

  it('is held against its guide: kinds, characters and rules', async () => {
    const { visitId } = await begun();
    const stored = (await visitor.get(`/api/guides/${guideId}`).expect(200)).body as {
      guide: Record<string, unknown>;
      version: number;
    };
    const field = {
      checks: [
        { id: 'small', says: 'Under 20 mm: look again.', when: [{ kind: 'value', character: 'carapace-width', under: 20 }] },
      ],
    };
    await visitor
      .put(`/api/guides/${guideId}`)
      .send({ version: stored.version, guide: { ...stored.guide, field } })
      .expect(200);
    const reading = { character: 'carapace-width', value: 12 };
    const small = capture(visitId, { what: 'unringed', mark: undefined, guideId, taxon: 'murica', readings: [reading] });
    expect((await put('captures', randomUUID(), { ...small, taxon: 'gull' }).expect(400)).body.field).toBe('taxon');
    expect(
      (await put('captures', randomUUID(), { ...small, readings: [{ character: 'tail', value: 1 }] }).expect(400)).body.code,
    ).toBe('unknown-character');
    const { body } = await put('captures', randomUUID(), small).expect(400);
    expect(body).toMatchObject({ code: 'check-broken', field: 'overrides', message: expect.stringContaining('look again') });
    await put('captures', randomUUID(), { ...small, overrides: [why('small')] }).expect(200);
  });

  it('is found by part of its ring, page by page, each once', async () => {
    const { visitId } = await begun();
    const marks = Array.from({ length: 7 }, (_, i) => `K 7${i}123`);
    // All at the same moment: the order has no ties all the same.
    for (const mark of marks) await put('captures', randomUUID(), capture(visitId, { mark })).expect(200);
    const found: string[] = [];
    let after = '';
    for (;;) {
      const { body } = await visitor
        .get(`/api/captures?ring=123&limit=3${after && `&after=${encodeURIComponent(after)}`}`)
        .expect(200);
      found.push(...(body as { captures: Capture[] }).captures.map(({ mark }) => mark!));
      if (!(body as { next?: string }).next) break;
      after = (body as { next: string }).next;
    }
    expect(found.sort()).toEqual(marks);
    expect((await visitor.get('/api/captures?ring=k%207').expect(200)).body.captures).toHaveLength(7);
    expect((await visitor.get('/api/captures?ring=%25').expect(200)).body.captures).toHaveLength(0);
    expect((await visitor.get('/api/captures?after=soon').expect(400)).body).toMatchObject({
      code: 'bad-cursor',
      field: 'after',
    });
  });
});

describe('the bearer of a ring', () => {
  it('has its captures in order of time, with where they were', async () => {
    const { siteId, visitId } = await begun();
    const mark = 'M 00017';
    await put('captures', randomUUID(), capture(visitId, { mark, what: 'again', at: '2026-06-02T22:00:00Z' })).expect(200);
    await put('captures', randomUUID(), capture(visitId, { mark })).expect(200);
    const history = (await visitor.get(`/api/marks/${encodeURIComponent(mark)}`).expect(200)).body as MarkHistory;
    expect(history.captures.map(({ what }) => what)).toEqual(['ringed', 'again']);
    expect([history.visits[0].id, history.sites[0].id]).toEqual([visitId, siteId]);
    await visitor.get('/api/marks/Z%2099').expect(404);
    const other = await newStation(server);
    await other.visitor.get(`/api/marks/${encodeURIComponent(mark)}`).expect(404);
  });
});

describe('rings in strings', () => {
  const string = {
    letters: 'R',
    digits: 4,
    first: 101,
    last: 110,
    size: 'C',
    ringer: 'Mira',
    loadedOn: '2026-05-01',
    unused: [],
  };

  it('know which were put on, by letters, digits and number', async () => {
    const { visitId } = await begun();
    const id = randomUUID();
    await put('strings', id, string).expect(200);
    for (const mark of ['R 0101', 'R 0103', 'R 0103', 'R 0111', 'R 103', 'RR 0102'])
      await put('captures', randomUUID(), capture(visitId, { mark })).expect(200);
    await put('captures', randomUUID(), capture(visitId, { mark: 'R 0102', what: 'again' })).expect(200);
    await put('captures', randomUUID(), { ...capture(visitId, { mark: 'R 0105' }), hidden: true }).expect(200);
    const { strings } = (await visitor.get('/api/strings').expect(200)).body as { strings: RingStringRow[] };
    expect(strings.find((one) => one.id === id)!.ringed).toEqual(['R 0101', 'R 0103', 'R 0103']);
  });

  it.each([
    [{ last: 100 }, 'last'],
    [{ last: 20_000 }, 'last'],
    [{ digits: 2, first: 1, last: 100 }, 'digits'],
    [{ letters: 'r' }, 'letters'],
  ])('with %j are refused by their field', async (more, field) => {
    expect((await put('strings', randomUUID(), { ...string, ...more }).expect(400)).body).toMatchObject({
      code: 'bad-shape',
      field,
    });
  });
});

it('Field shows what is under way, due, used up, and what looks wrong', async () => {
  const own = await newStation(server);
  const send = (path: string, body: object, id = randomUUID()) =>
    own.visitor
      .put(`/api/${path}/${id}`)
      .send({ version: 0, hidden: false, ...body })
      .expect(200)
      .then(() => id);
  const siteId = await send('sites', site());
  const open = await send('visits', visit(siteId));
  const ended = await send('visits', visit(siteId, { startedAt: '2026-05-01T05:00:00Z', endedAt: '2026-05-01T09:00:00Z' }));
  await send('captures', capture(ended, { at: '2026-05-01T06:00:00Z', sex: 'male' }));
  const followUp = { due: '2026-06-16', text: 'look at the wing' };
  const again = capture(open, { what: 'again', sex: 'female', followUp });
  const captureId = await send('captures', again);
  const asked = async () => (await own.visitor.get('/api/field?today=2026-06-10').expect(200)).body as FieldView;
  const view = await asked();
  expect(view.open.map(({ id, caught }) => [id, caught])).toEqual([[open, 1]]);
  expect(view.recent.map(({ id }) => id)).toEqual([ended]);
  expect(view.due).toEqual([{ captureId, mark: 'H 04501', due: '2026-06-16', text: 'look at the wing' }]);
  expect(view.season).toEqual({ year: 2026, ringed: 1, again: 1, unringed: 0, others: 0, lost: 0 });
  expect(view.used).toEqual([{ siteId, ringed: 1 }]);
  expect(view.wrong).toEqual([
    { mark: 'H 04501', code: 'sexes-differ', message: 'Male on 1 May 2026, female on 2 Jun 2026.', captureId },
  ]);
  // A reason settles it, and what was looked at again is no longer due; nothing is overwritten.
  const settled = { ...again, followUp: { ...followUp, done: true }, overrides: [why('sexes-differ')] };
  await own.visitor
    .put(`/api/captures/${captureId}`)
    .send({ version: 1, hidden: false, ...settled })
    .expect(200);
  expect(await asked()).toMatchObject({ wrong: [], due: [] });
  expect((await own.visitor.get('/api/field').expect(400)).body.field).toBe('today');
});

it('lists stand on the earliest record of each taxon at a site, by a person, in a year; “A or B” stands under what holds both', async () => {
  const own = await newStation(server);
  const send = (path: string, body: object, id = randomUUID()) =>
    own.visitor
      .put(`/api/${path}/${id}`)
      .send({ version: 0, hidden: false, ...body })
      .expect(200)
      .then(() => id);
  const siteId = await send('sites', site());
  const visitId = await send('visits', visit(siteId));
  const kind = { guideId: own.guideId, taxon: 'murica', what: 'unringed', mark: undefined };
  await send('captures', capture(visitId, { ...kind, at: '2026-06-02T21:00:00Z' }));
  const first = await send('captures', capture(visitId, { ...kind, at: '2026-06-01T20:00:00Z' }));
  await send('captures', capture(visitId, { ...kind, at: '2026-05-01T20:00:00Z', hidden: true }));
  const later = await send('captures', capture(visitId, { ...kind, at: '2027-06-02T20:00:00Z' }));
  const named = {
    guideVersion: 1,
    facets: {},
    p: 0.9,
    by: own.name,
    at: '2026-07-01T10:00:00Z',
    recommended: '',
    overruled: false,
  };
  const specimen = (determination: object) => ({
    guideId: own.guideId,
    label: 'x',
    situation: { date: '2026-07-01' },
    readings: [],
    determinations: [{ ...named, id: randomUUID(), ...determination }],
  });
  const either = await send('specimens', specimen({ qualifier: 'or', taxon: 'murica', other: 'cinerata' }));
  await send('specimens', specimen({ qualifier: 'cf.', taxon: 'cinerata' }));
  const { records } = (await own.visitor.get('/api/lists').expect(200)).body as { records: Record<string, string>[] };
  const inOrder = records.sort((a, b) => a.day.localeCompare(b.day));
  expect(inOrder.map(({ id, day, taxon, group, site: at }) => [id, day, taxon, group, at])).toEqual([
    [first, '2026-06-01', 'murica', undefined, siteId],
    [either, '2026-07-01', undefined, 'petralda', undefined],
    [later, '2027-06-02', 'murica', undefined, siteId],
  ]);
});

it('a name that is corrected, a record removed and put back are told with the lists; naming, and other changes, are not', async () => {
  const own = await newStation(server);
  const write = (path: string, id: string, version: number, body: object) =>
    own.visitor
      .put(`/api/${path}/${id}`)
      .send({ version, hidden: false, ...body })
      .expect(200);
  const [siteId, visitId, caught, named] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
  await write('sites', siteId, 0, site());
  await write('visits', visitId, 0, visit(siteId));
  const of = (name: object) => capture(visitId, { what: 'unringed', mark: undefined, at: '2026-06-01T20:00:00Z', ...name });
  const kind = (taxon: string) => of({ guideId: own.guideId, taxon });
  const told = async () => (await own.visitor.get('/api/lists').expect(200)).body as { corrections: Record<string, unknown>[] };
  await write('captures', caught, 0, of({}));
  await write('captures', caught, 1, kind('murica'));
  await write('captures', caught, 2, { ...kind('murica'), note: 'seen well' });
  expect((await told()).corrections).toEqual([]);
  await write('captures', caught, 3, kind('cinerata'));
  await write('captures', caught, 4, { ...kind('cinerata'), hidden: true });
  await write('captures', caught, 5, kind('cinerata'));
  await write('captures', caught, 6, of({ name: 'some crab' }));
  const call = (id: string, name: object) => ({
    id,
    guideVersion: 1,
    facets: {},
    p: 0.9,
    by: own.name,
    at: '2026-07-01T10:00:00Z',
    recommended: '',
    overruled: false,
    ...name,
  });
  const [one, two, three] = [
    call(randomUUID(), { qualifier: 'none', taxon: 'murica' }),
    call(randomUUID(), { qualifier: 'or', taxon: 'murica', other: 'cinerata' }),
    call(randomUUID(), { qualifier: 'cf.', taxon: 'murica' }),
  ];
  const specimen = { guideId: own.guideId, label: 'x', situation: { date: '2026-07-01' }, readings: [] };
  await write('specimens', named, 0, { ...specimen, determinations: [one] });
  await write('specimens', named, 1, { ...specimen, determinations: [one, two] });
  await write('specimens', named, 2, { ...specimen, determinations: [one, two, three] });
  const { corrections } = await told();
  const murica = { guideId: own.guideId, taxon: 'murica' };
  const cinerata = { guideId: own.guideId, taxon: 'cinerata' };
  const either = { guideId: own.guideId, group: 'petralda' };
  expect(corrections.map(({ id, was, became }) => [id, was, became])).toEqual([
    [named, either, undefined],
    [named, murica, either],
    [caught, cinerata, { name: 'some crab' }],
    [caught, undefined, cinerata],
    [caught, cinerata, undefined],
    [caught, murica, cinerata],
  ]);
  expect(corrections[2]).toMatchObject({ kind: 'capture', day: '2026-06-01', site: siteId, by: own.name, recordedBy: own.name });
  expect(corrections[0]).toMatchObject({ kind: 'specimen', day: '2026-07-01' });
});

describe('arithmetic for scripts', () => {
  const ask = (what: string, body: object) => visitor.post(`/api/arithmetic/${what}`).send(body);

  it('is the core’s', async () => {
    expect((await ask('ratio', { males: 12, females: 4 }).expect(200)).body).toMatchObject({
      share: 0.75,
      unsexed: 0,
      expected: 0.5,
    });
    expect((await ask('abundance', { first: 41, second: 53, both: 12 }).expect(200)).body.n).toBeCloseTo((42 * 54) / 13 - 1, 9);
    expect((await ask('abundance', { visits: [['a'], ['b'], ['a']] }).expect(200)).body).toMatchObject({
      method: 'schnabel',
      met: 2,
    });
    expect((await ask('effort', { caught: 0, effort: 4 }).expect(200)).body.interval[0]).toBe(0);
    const seen = [{ day: '2024-05-01', age: { family: 'letters', code: 'SY' } }];
    expect((await ask('age', { seen, today: '2026-05-01', to: 'numbers' }).expect(200)).body).toMatchObject({
      least: 3,
      most: 3,
      codes: ['5'],
    });
    const places = {
      from: { day: '2026-05-01', at: { latitude: 0, longitude: 0 } },
      to: { day: '2026-05-11', at: { latitude: 0, longitude: 1 } },
    };
    expect((await ask('liberty', places).expect(200)).body).toMatchObject({ days: 10, bearing: 90, wind: 'E' });
    const of = [60, 64, 70, 77, 81].map((length) => ({ length, mass: 0.0004 * length ** 3 }));
    expect((await ask('condition', { of }).expect(200)).body.slope).toBeCloseTo(3, 9);
  });

  it.each([
    ['ratio', { males: 1, females: 1, expected: 2 }, 'expected'],
    ['ratio', { males: -1, females: 1 }, 'males'],
    ['abundance', { visits: [['a', 'a'], ['b']] }, 'visits[0]'],
    ['abundance', { first: 3, second: 4, both: 5 }, 'both'],
    ['effort', { caught: 3, effort: 0 }, 'effort'],
    ['age', { seen: [{ day: '2024-05-01', age: { family: 'runes', code: 'SY' } }], today: '2026-05-01' }, 'family'],
    ['condition', { of: [{ mass: 3, length: 4 }] }, 'kind'],
  ])('%s of %j is refused by its field', async (what, body, field) => {
    expect((await ask(what, body).expect(400)).body).toMatchObject({ field });
  });
});
