import { randomUUID } from 'node:crypto';
import type { Colony, ColonyList } from '@plesion/contract/colony';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let moths: string;
beforeAll(async () => {
  server = await openTestServer({ demo: true });
  ({ visitor } = await newStation(server));
  moths = ((await visitor.get('/api/guides')).body as { guides: { id: string; slug: string }[] }).guides.find(
    ({ slug }) => slug === 'lantern-moths',
  )!.id;
});
afterAll(() => server.close());

const write = (label: string, kept: object, more: object = {}, id = randomUUID()) => ({
  id,
  done: (status = 200) =>
    visitor
      .put(`/api/individuals/${id}`)
      .send({ version: 0, guideId: moths, label, hidden: false, kept, ...more })
      .expect(status),
});
const keep = async (label: string, kept: object): Promise<string> => {
  const { id, done } = write(label, kept);
  await done();
  return id;
};
const sexed = (called: string, certainty = 1) => ({ sex: { called, certainty } });
const colony = async (own = visitor, guide = moths) => (await own.get(`/api/guides/${guide}/colony`).expect(200)).body as Colony;

it('is told what each carries, and of what sex a young must be; and what two would have', async () => {
  const father = await keep('3', { ...sexed('male'), phenotypes: { morph: 'pale' } });
  const mother = await keep('4', { ...sexed('female'), phenotypes: { morph: 'wild' } });
  await keep('17', { ...sexed('male', 0.9), father, mother, phenotypes: { morph: 'pale' } });
  await keep('17', { father, mother, phenotypes: { morph: 'wild' } });
  const { members, posterior, problems, inbreeding } = await colony();
  expect(members.map(({ name }) => name)).toEqual(['3', '4', '17', '17 (2)']);
  expect([problems, inbreeding]).toEqual([[], {}]);
  const of = (name: string) => posterior!.individuals.find(({ id }) => id === name)!;
  expect(of('17')).toMatchObject({ sexP: { female: 1, male: 0 }, genotypes: { pale: [{ genotype: 'p/W', p: 1 }] } });
  expect(of('17 (2)')).toMatchObject({ sexP: { female: 0, male: 1 }, genotypes: { pale: [{ genotype: '+/p', p: 1 }] } });
  const pair = (sent: object, status = 200) => visitor.post(`/api/guides/${moths}/colony/pair`).send(sent).expect(status);
  const { body } = await pair({ father, mother, clutch: 4 });
  const kinds = (body as { young: { sex: string; shows: { morph: string }; expected: number }[] }).young;
  const pale = kinds.find(({ sex, shows }) => sex === 'female' && shows.morph === 'pale')!;
  expect(pale.expected).toBeCloseTo(2, 9);
  expect(kinds.some(({ sex, shows }) => sex === 'male' && shows.morph === 'pale')).toBe(false);
  expect((await pair({ father: randomUUID(), mother }, 400)).body.field).toBe('father');
  const ask = (what: string, sent: object, status = 200) =>
    visitor.post(`/api/guides/${moths}/colony/${what}`).send(sent).expect(status);
  // Of a plain male of unknown parents: a pale female tells soonest, though each plain daughter of any says as much.
  const x = await keep('x', { ...sexed('male'), phenotypes: { morph: 'wild' } });
  const proof = { individual: x, locus: 'pale', allele: 'p', shows: { character: 'morph', state: 'pale' } };
  const { mates } = (await ask('proof', proof)).body as { mates: { mate: string; telling: number; young: number }[] };
  expect(mates[0].mate).toBe('17');
  expect(mates[0].telling).toBeCloseTo(2, 9);
  expect(mates.map(({ mate }) => mate).sort()).toEqual(['17', '4']);
  const { reasons } = (await ask('reasons', { individual: father, locus: 'pale' })).body as {
    reasons: { record: object; bits: number }[];
  };
  expect(reasons[0].record).toMatchObject({ id: '3' });
  expect((await ask('reasons', { individual: father, locus: 'hue' }, 400)).body.field).toBe('locus');
  expect((await ask('proof', { ...proof, individual: randomUUID() }, 400)).body.field).toBe('individual');
  expect((await ask('proof', { ...proof, allele: 'q' }, 400)).body.field).toBe('allele');
  const { visitor: stranger } = await newStation(server);
  await stranger.get(`/api/guides/${moths}/colony`).expect(404);
});

it('an egg in a pen is whose it may be, as results come in of keeping them alone; a sex that was certain may be wrong', async () => {
  const egg = async (sent: object, status = 200) =>
    (await visitor.post(`/api/guides/${moths}/colony/egg`).send(sent).expect(status)).body as {
      members: { id: string; p: number }[];
      field?: string;
    };
  const pen = 'loft';
  const first = randomUUID();
  await write('E1', { ...sexed('male'), pen }, {}, first).done();
  await keep('E2', { ...sexed('male'), pen });
  await keep('E3', { ...sexed('male', 0.8), pen });
  await keep('E4', { ...sexed('female'), pen: 'garden' });
  const question = { pen, since: '2026-05-01' };
  const shares = async () => Object.fromEntries((await egg(question)).members.map(({ id, p }) => [id, p]));
  const before = await shares();
  expect(Object.keys(before)).toEqual(['E3', 'E1', 'E2']);
  expect(before.E3).toBeCloseTo(0.2 / (0.2 + 2 * (0.02 / 1.02)), 9);
  // The first is taken away and lays none: it is still of the group, though no longer in the pen.
  const alone = (found: string, on: string) => ({ separations: [{ on, from: pen, found }] });
  const away = (found: string, on: string, version: number) =>
    write('E1', { ...sexed('male'), pen: 'cage 9', ...alone(found, on) }, { version }, first).done();
  await away('none', '2026-05-03', 1);
  const after = await shares();
  expect(after.E1).toBeCloseTo((before.E1 * 0.1) / (1 - 0.9 * before.E1), 9);
  // What was tried before the egg says nothing of it.
  expect((await egg({ ...question, since: '2026-05-04' })).members.map(({ id }) => id)).toEqual(['E3', 'E2']);
  await away('laid', '2026-05-05', 2);
  expect((await egg(question)).members[0].id).toBe('E1');
  expect((await egg({ pen: 'attic', since: '2026-05-01' }, 400)).field).toBe('pen');
  expect((await egg({ pen, since: 'May' }, 400)).field).toBe('since');
  await write('E5', { pen, separations: [{ on: '2026-05-05', from: pen, found: 'perhaps' }] }).done(400);
});

it('what can be true and is unlikely is named; of a guide that does not say how its kinds inherit, nothing', async () => {
  const { visitor: own } = await newStation(server);
  const guides = ((await own.get('/api/guides')).body as { guides: { id: string; slug: string }[] }).guides;
  const idOf = (slug: string) => guides.find((one) => one.slug === slug)!.id;
  const guideId = idOf('lantern-moths');
  const put = async (label: string, kept: object) => {
    const id = randomUUID();
    await own.put(`/api/individuals/${id}`).send({ version: 0, guideId, label, hidden: false, kept }).expect(200);
    return id;
  };
  const unlikely = async () =>
    (await own.get(`/api/guides/${guideId}/colony/unlikely`).expect(200)).body as { records: { record: object; p: number }[] };
  const father = await put('3', { ...sexed('male'), phenotypes: { morph: 'pale' } });
  const mother = await put('4', { ...sexed('female'), phenotypes: { morph: 'wild' } });
  expect((await unlikely()).records).toEqual([]);
  await put('17', { ...sexed('male', 0.9), father, mother, phenotypes: { morph: 'pale' } });
  expect((await unlikely()).records).toEqual([{ record: { id: '17', what: 'sex' }, p: 1 }]);
  await own.get(`/api/guides/${idOf('ledge-crabs')}/colony/unlikely`).expect(409);
});

it('names what is wrong with the records by individual, and keeps them all the same', async () => {
  const female = await keep('F', sexed('female'));
  await keep('bad', { father: female });
  const { problems, posterior, members } = await colony();
  expect(posterior).toBeUndefined();
  expect(problems).toEqual([
    { name: 'bad', message: expect.stringMatching(/“F” is a female and cannot be the father of “bad”/) },
  ]);
  expect(members.at(-1)!.label).toBe('bad');
});

it.each([
  ['its own parent', (id: string) => ({ father: id }), 'kept.father', 'own-parent'],
  ['a parent that is in no book', () => ({ mother: randomUUID() }), 'kept.mother', 'unknown-individual'],
  ['one father and several', () => ({ father: randomUUID(), fathers: [randomUUID(), randomUUID()] }), 'kept.fathers', 'both'],
  ['a sex less sure than a coin', () => ({ sex: { called: 'male', certainty: 0.4 } }), 'kept.sex.certainty', 'bad-shape'],
])('refuses %s by its field', async (_, kept, field, code) => {
  const id = randomUUID();
  const { body } = await write('x', kept(id), {}, id).done(400);
  expect(body).toMatchObject({ field, code });
});

it('is kept by a guide that says how its kinds inherit', async () => {
  expect((await write('x', {}, { guideId: undefined }).done(400)).body).toMatchObject({ field: 'guideId' });
  const { body } = await visitor.get('/api/guides').expect(200);
  const crabs = (body as { guides: { id: string; slug: string }[] }).guides.find(({ slug }) => slug === 'ledge-crabs')!.id;
  const refused = await write('x', { phenotypes: { morph: 'pale' } }, { guideId: crabs }).done(400);
  expect(refused.body).toMatchObject({ field: 'kept.phenotypes', code: 'no-heredity' });
  expect((await colony(visitor, crabs)).members).toEqual([]);
  const { colonies } = (await visitor.get('/api/colonies').expect(200)).body as ColonyList;
  expect(colonies.map(({ guideId }) => guideId)).toEqual([moths]);
});

it('of the demo has something in every part of it', async () => {
  const demo = server.visitor();
  await demo.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
  const { colonies } = (await demo.get('/api/colonies').expect(200)).body as ColonyList;
  const { members, posterior, inbreeding, problems } = await colony(demo, colonies[0].guideId);
  expect(members.length).toBe(colonies[0].n);
  expect(problems).toEqual([]);
  // The father of number 64 is the likeliest to be wrong; a smoke needs a smoke of one of its parents.
  expect(posterior!.impossible![0].why).toBe('father of Moth 64 is wrong');
  const of = (name: string) => posterior!.individuals.find(({ id }) => id === name)!;
  expect(of('Moth 17').sexP.female).toBe(1);
  expect(of('Moth 63').fathers!.map(({ id }) => id)).toEqual(['Moth 43', 'Moth 34']);
  expect(of('Moth 63').fathers![0].p).toBeGreaterThan(0.5);
  expect(inbreeding['Moth 41']).toBe(0.25);
});

it('whose egg lies in a cage whose members hang together too much to be looked at as one is told one by one', async () => {
  const demo = server.visitor();
  await demo.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
  const guides = ((await demo.get('/api/guides')).body as { guides: { id: string; slug: string }[] }).guides;
  const guide = guides.find(({ slug }) => slug === 'lantern-moths')!.id;
  const sent = { pen: 'cage 1', since: '2026-11-29' };
  const { members } = (await demo.post(`/api/guides/${guide}/colony/egg`).send(sent).expect(200)).body as {
    members: { id: string; p: number }[];
  };
  expect(members.length).toBeGreaterThan(10);
  expect(members.reduce((sum, { p }) => sum + p, 0)).toBeCloseTo(1, 9);
  // Those called males are as much less likely as such a call is seldom wrong.
  expect(members[0].p / members.at(-1)!.p).toBeGreaterThan(20);
});
