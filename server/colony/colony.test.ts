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
  const group = members.filter(({ label }) => label === '17').map(({ id }) => id);
  expect((await ask('egg', { group })).body).toMatchObject({
    members: [
      { id: '17', p: 1 },
      { id: '17 (2)', p: 0 },
    ],
    separations: 1,
  });
  expect((await ask('egg', { group: [father] }, 400)).body).toMatchObject({ code: 'of-nobody', field: 'group' });
  expect((await ask('egg', { group: [randomUUID()] }, 400)).body.field).toBe('group[0]');
  const { visitor: stranger } = await newStation(server);
  await stranger.get(`/api/guides/${moths}/colony`).expect(404);
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
