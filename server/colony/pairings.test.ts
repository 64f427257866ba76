import { randomUUID } from 'node:crypto';
import type { BookAhead, Colony, RankedPairs } from '@plesion/contract/colony';
import type { Pairing } from '@plesion/contract/pairings';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let moths: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor } = await newStation(server));
  moths = ((await visitor.get('/api/guides')).body as { guides: { id: string; slug: string }[] }).guides.find(
    ({ slug }) => slug === 'lantern-moths',
  )!.id;
});
afterAll(() => server.close());

const keep = async (label: string, kept: object): Promise<string> => {
  const id = randomUUID();
  await visitor.put(`/api/individuals/${id}`).send({ version: 0, guideId: moths, label, hidden: false, kept }).expect(200);
  return id;
};
const sexed = (called: string, more: object = {}) => ({ sex: { called, certainty: 1 }, ...more });
const put = (id: string, sent: object, status = 200, own = visitor) =>
  own
    .put(`/api/pairings/${id}`)
    .send({ version: 0, hidden: false, guideId: moths, from: '2026-05-01', ...sent })
    .expect(status);
const book = async () => (await visitor.get(`/api/guides/${moths}/colony`).expect(200)).body as Colony;

it('is kept with its clutches by versions, and its young are written in one go', async () => {
  const [father, mother] = [await keep('3', sexed('male')), await keep('4', sexed('female'))];
  const [id, clutch] = [randomUUID(), randomUUID()];
  const sent = { fathers: [father], mothers: [mother], pen: 'cage 2', clutches: [{ id: clutch, laid: '2026-05-03', eggs: 6 }] };
  await put(id, sent);
  // Twice is once.
  expect((await put(id, sent)).body).toMatchObject({ version: 1, recordedBy: expect.any(String) });
  const young = (list: object[], status: number, of = clutch) =>
    visitor.post(`/api/pairings/${id}/young`).send({ clutch: of, young: list }).expect(status);
  const [one, two] = [
    { id: randomUUID(), label: '11', sex: 'female', phenotypes: { morph: 'pale' } },
    { id: randomUUID(), label: '12' },
  ];
  expect((await young([one], 409)).body).toMatchObject({ code: 'not-hatched', field: 'clutch' });
  const hatched = {
    ...sent,
    version: 1,
    clutches: [{ id: clutch, laid: '2026-05-03', eggs: 6, hatched: '2026-05-14', young: 5, lost: 1 }],
  };
  await put(id, hatched);
  expect((await put(id, { ...sent, pen: 'another' }, 409)).body).toMatchObject({ code: 'stale-version', stored: { version: 2 } });
  expect((await young([one], 400, randomUUID())).body).toMatchObject({ code: 'unknown-clutch', field: 'clutch' });
  expect((await young([one, { ...two, label: '11' }], 400)).body).toMatchObject({ code: 'twice', field: 'young[1].label' });
  const before = (await book()).members.length;
  const wrong = { ...two, phenotypes: { morph: 'blue' } };
  expect((await young([one, wrong], 400)).body).toMatchObject({ field: 'young[1].kept.phenotypes.morph', code: 'unknown-state' });
  expect((await book()).members).toHaveLength(before);
  await young([one, two], 200);
  await young([one, two], 200);
  const { members, pairings } = await book();
  expect(members).toHaveLength(before + 2);
  expect(members.at(-2)!.kept).toEqual({
    ...{ sex: { called: 'female', certainty: 1 }, hatched: '2026-05-14', clutch, father, mother, pen: 'cage 2', status: 'here' },
    phenotypes: { morph: 'pale' },
  });
  expect(pairings.map((each) => each.id)).toEqual([id]);
  expect(((await visitor.get(`/api/pairings/${id}`).expect(200)).body as Pairing).version).toBe(2);
  const { visitor: stranger } = await newStation(server);
  await stranger.get(`/api/pairings/${id}`).expect(404);
  await stranger
    .post(`/api/pairings/${id}/young`)
    .send({ clutch, young: [one] })
    .expect(404);
  const { changes } = (await visitor.get('/api/changes').expect(200)).body as { changes: { kind: string; fields: string[] }[] };
  expect(changes.filter(({ kind }) => kind === 'pairing').map(({ fields }) => fields)).toEqual([
    expect.arrayContaining(['fathers']),
    ['clutches'],
  ]);
  await put(id, { ...hatched, version: 2, hidden: true });
  expect((await book()).pairings).toEqual([]);
});

it('stops strains that are kept apart, says why, and takes the reason for an answer', async () => {
  const quell = await keep('q', sexed('male', { strain: 'Quell' }));
  const north = await keep('n', sexed('female', { strain: 'North' }));
  const mixed = await keep('x', sexed('female', { father: quell, mother: north, strain: 'Quell' }));
  const id = randomUUID();
  const { body } = await put(id, { fathers: [quell], mothers: [north] }, 400);
  expect(body).toMatchObject({
    code: 'never-mix',
    field: 'override',
    message: expect.stringMatching(/^Quell and North are kept apart: Quell moths/),
  });
  // Told by descent and not by what is written of it.
  expect((await put(id, { fathers: [quell], mothers: [mixed] }, 400)).body.code).toBe('never-mix');
  expect((await put(id, { fathers: [quell], mothers: [north], override: 'a trial, agreed' })).body).toMatchObject({
    override: 'a trial, agreed',
  });
  await visitor.get(`/api/pairings/${id}`).expect(200);
});

it('goes on when one of it turned out to be another sex, or left the book; nobody new of that kind comes in', async () => {
  const [him, her] = [await keep('h1', sexed('male')), await keep('h2', sexed('female'))];
  const id = randomUUID();
  const sent = { fathers: [him], mothers: [her] };
  await put(id, sent);
  const change = (own: string, more: object) =>
    visitor
      .put(`/api/individuals/${own}`)
      .send({ version: 1, guideId: moths, label: 'x', hidden: false, kept: sexed('female'), ...more })
      .expect(200);
  await change(him, {});
  await change(her, { hidden: true });
  const clutches = [{ id: randomUUID(), laid: '2026-05-03', eggs: 2 }];
  await put(id, { ...sent, version: 1, clutches });
  expect(
    (await put(id, { ...sent, version: 2, clutches, fathers: [him, await keep('f', sexed('female'))] }, 400)).body,
  ).toMatchObject({
    field: 'fathers[1]',
    code: 'wrong-sex',
  });
  await put(id, { ...sent, version: 2, clutches, until: '2026-06-01' });
});

it('a book in which somebody is its own ancestor is named so, and neither hangs nor keeps others from being paired', async () => {
  const [a, b, mate] = [await keep('a', sexed('male')), await keep('b', sexed('male')), await keep('mate', sexed('female'))];
  const write = (own: string, father: string) =>
    visitor
      .put(`/api/individuals/${own}`)
      .send({ version: 1, guideId: moths, label: own, hidden: false, kept: sexed('male', { father }) });
  await write(a, b).expect(200);
  const refused = await write(b, a).expect(400);
  expect(refused.body).toMatchObject({ field: 'kept.father', code: 'own-ancestor' });
  await put(randomUUID(), { fathers: [a], mothers: [mate] });
});

it('ranks all pairs of those that are here; those that are kept apart stand last and say why', async () => {
  const { visitor: own } = await newStation(server);
  const guideId = ((await own.get('/api/guides')).body as { guides: { id: string; slug: string }[] }).guides.find(
    ({ slug }) => slug === 'lantern-moths',
  )!.id;
  const write = async (label: string, kept: object): Promise<string> => {
    const id = randomUUID();
    await own.put(`/api/individuals/${id}`).send({ version: 0, guideId, label, hidden: false, kept }).expect(200);
    return id;
  };
  const rank = (sent: object, status = 200) => own.post(`/api/guides/${guideId}/colony/pairs`).send(sent).expect(status);
  const goal = { shows: { character: 'morph', state: 'pale' } };
  expect((await rank({ goal })).body).toMatchObject({ pairs: [], looked: 0 });
  const quell = await write('q', sexed('male', { strain: 'Quell', phenotypes: { morph: 'pale' } }));
  const hers = await write('h', sexed('female', { strain: 'Quell', phenotypes: { morph: 'pale' } }));
  const north = await write('n', sexed('female', { strain: 'North', phenotypes: { morph: 'pale' } }));
  const daughter = await write('d', sexed('female', { father: quell, mother: hers, phenotypes: { morph: 'pale' } }));
  await write('dead', sexed('female', { status: 'dead', phenotypes: { morph: 'pale' } }));
  const { pairs, looked } = (await rank({ goal, clutch: 4 })).body as RankedPairs;
  expect([looked, pairs.map(({ mother }) => mother)]).toEqual([3, [hers, daughter, north]]);
  expect(pairs[0]).toMatchObject({ father: quell, shares: { Quell: 1 }, apart: [], inbreeding: 0 });
  expect(pairs[0].p).toBeCloseTo(1, 9);
  expect(pairs[2]).toMatchObject({ shares: { Quell: 0.5, North: 0.5 }, apart: [expect.stringMatching(/^Quell moths/)] });
  expect((await rank({ goal, mostInbred: 0, pure: true })).body).toMatchObject({
    looked: 3,
    inbred: 1,
    mixed: 1,
    pairs: [{ mother: hers }],
  });
  expect((await rank({ goal: { shows: { character: 'morph', state: 'blue' } } }, 400)).body).toMatchObject({
    field: 'goal.shows.state',
  });
  expect((await rank({ goal: { locus: 'pale', allele: 'q', ...goal } }, 400)).body).toMatchObject({
    field: 'goal.allele',
    code: 'no-allele',
  });
  const ahead = (sent: object, status = 200) => own.post(`/api/guides/${guideId}/colony/ahead`).send(sent).expect(status);
  const played = (await ahead({ from: [quell, daughter], pairs: 1, clutch: 8, runs: 4 })).body as BookAhead;
  // Father and daughter, then brother and sister.
  expect(played.generations.slice(0, 2).map(({ inbreeding }) => inbreeding.mean)).toEqual([0.25, 0.375]);
  expect((await ahead({ from: [randomUUID()] }, 400)).body.field).toBe('from[0]');
  expect((await ahead({ rule: 'show' }, 400)).body).toMatchObject({ field: 'goal', code: 'no-goal' });
  const tell = (await rank({ goal: { locus: 'pale', allele: 'p', ...goal } })).body as RankedPairs;
  // Nobody is in doubt, so nothing would be told.
  expect(tell.pairs.every(({ bits }) => bits! < 1e-9)).toBe(true);
});

describe('refuses by the field', () => {
  const clutch = (more: object) => ({ clutches: [{ id: randomUUID(), laid: '2026-05-03', eggs: 6, ...more }] });
  it.each([
    ['a mother that is a male for certain', { mothers: 'him' }, 'mothers[0]', 'wrong-sex'],
    ['somebody who is in no book', { fathers: 'nobody' }, 'fathers[0]', 'unknown-individual'],
    ['somebody twice', { fathers: 'twice' }, 'fathers[1]', 'twice'],
    ['its own mate', { fathers: 'doubt', mothers: 'doubt' }, 'mothers[0]', 'own-mate'],
    ['nobody', { fathers: 'none' }, 'fathers', 'bad-shape'],
    ['an end before it began', { until: '2026-04-30' }, 'until', 'before'],
    ['eggs before they were together', clutch({ laid: '2026-04-30' }), 'clutches[0].laid', 'before'],
    ['hatched before laid', clutch({ hatched: '2026-05-02' }), 'clutches[0].hatched', 'before'],
    ['young without a day', clutch({ young: 2 }), 'clutches[0].hatched', 'no-day'],
    ['more than there were', clutch({ hatched: '2026-05-12', young: 5, lost: 2 }), 'clutches[0].young', 'too-many'],
    ['a day that is none', clutch({ laid: '2026-02-30' }), 'clutches[0].laid', 'bad-shape'],
  ])('%s', async (_, sent: Record<string, unknown>, field, code) => {
    const [him, her, doubt] = [await keep('him', sexed('male')), await keep('her', sexed('female')), await keep('?', {})];
    const who: Record<string, string[]> = { him: [him], nobody: [randomUUID()], twice: [him, him], doubt: [doubt], none: [] };
    const side = (role: string, usual: string) => who[sent[role] as string] ?? [usual];
    const { body } = await put(randomUUID(), { ...sent, fathers: side('fathers', him), mothers: side('mothers', her) }, 400);
    expect(body).toMatchObject({ field, code });
  });

  it('a state that the guide does not have, and two days of hatching the wrong way round', async () => {
    const write = (kept: object) =>
      visitor
        .put(`/api/individuals/${randomUUID()}`)
        .send({ version: 0, guideId: moths, label: 'x', hidden: false, kept })
        .expect(400);
    expect((await write({ phenotypes: { morph: 'blue' } })).body).toMatchObject({
      field: 'kept.phenotypes.morph',
      code: 'unknown-state',
    });
    expect((await write({ phenotypes: { hue: 'pale' } })).body).toMatchObject({
      field: 'kept.phenotypes.hue',
      code: 'no-character',
    });
    expect((await write({ hatched: '2026-05-03', hatchedTo: '2026-05-01' })).body).toMatchObject({
      field: 'kept.hatchedTo',
      code: 'two-hatch-dates',
    });
    expect((await write({ weights: [{ on: '2026-05-03', grams: 0 }] })).body.field).toBe('kept.weights[0].grams');
  });
});
