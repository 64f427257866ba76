import { randomUUID } from 'node:crypto';
import type { MemberSexing } from '@plesion/contract/colony';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor } = await newStation(server));
  guideId = ((await visitor.get('/api/guides')).body as { guides: { id: string; slug: string }[] }).guides.find(
    ({ slug }) => slug === 'lantern-moths',
  )!.id;
});
afterAll(() => server.close());

const moth = async (label: string, kept: object): Promise<string> => {
  const id = randomUUID();
  await visitor.put(`/api/individuals/${id}`).send({ version: 0, guideId, label, hidden: false, kept }).expect(200);
  return id;
};
const read = async (individualId: string, ...readings: object[]): Promise<string> => {
  const id = randomUUID();
  const specimen = {
    version: 0,
    guideId,
    individualId,
    label: 'in the glass',
    situation: {},
    readings,
    determinations: [],
    hidden: false,
  };
  await visitor.put(`/api/specimens/${id}`).send(specimen).expect(200);
  return id;
};
const antenna = (state: string) => ({ character: 'antenna', states: [state] });
const sexing = async (individual: string, status = 200) =>
  (await visitor.post(`/api/guides/${guideId}/colony/sexing`).send({ individual }).expect(status)).body as MemberSexing;
const sexed = (called: string, strain: string) => ({ sex: { called, certainty: 1 }, strain });

it('one of the book is sexed by its marks: by the guide, and then as its strain has them', async () => {
  const one = await moth('Q1', { strain: 'Quell' });
  expect(await sexing(one)).toEqual({ marks: [], known: 0 });
  await read(one, antenna('feather'));
  const alone = await sexing(one);
  expect(alone.female).toBeLessThan(0.05);
  expect(alone.female).toBe(alone.books);
  expect(alone.marks).toMatchObject([{ character: 'antenna', ours: false }]);
  expect(alone.marks[0].bits).toBeLessThan(-4);
  // What was read last of it counts, and what is hidden does not.
  const wrong = await read(one, antenna('thread'));
  expect((await sexing(one)).female).toBeGreaterThan(0.9);
  const { version, ...specimen } = (await visitor.get(`/api/specimens/${wrong}`).expect(200)).body as Record<string, unknown>;
  const { label, situation, readings, determinations, individualId } = specimen;
  await visitor
    .put(`/api/specimens/${wrong}`)
    .send({ version, guideId, individualId, label, situation, readings, determinations, hidden: true })
    .expect(200);
  expect((await sexing(one)).female).toBe(alone.female);
  // Females of this strain have feathered antennae too; those of another say nothing of it.
  for (let i = 0; i < 8; i++) await read(await moth(`F${i}`, sexed('female', 'Quell')), antenna('feather'));
  for (let i = 0; i < 6; i++) await read(await moth(`M${i}`, sexed('male', 'Quell')), antenna(i < 4 ? 'feather' : 'saw'));
  await read(await moth('N', sexed('male', 'North')), antenna('feather'));
  const among = await sexing(one);
  expect(among.known).toBe(14);
  expect(among.books).toBe(alone.books);
  expect(among.marks).toMatchObject([{ character: 'antenna', ours: true }]);
  expect(among.female).toBeGreaterThan(0.2);
});

it('those whose sex turned out count, and those of whom nobody knows it do not', async () => {
  const one = await moth('R1', { strain: 'Reef' });
  await read(one, antenna('feather'));
  await read(await moth('R2', sexed('male', 'Reef')), antenna('feather'));
  const unknown = await read(await moth('R3', { strain: 'Reef' }), antenna('feather'));
  expect((await sexing(one)).known).toBe(1);
  const outcome = {
    id: randomUUID(),
    specimenId: unknown,
    kind: 'egg',
    taxon: 'lampas',
    facets: { sex: 'female' },
    wrong: 0.001,
  };
  await visitor
    .post('/api/verifications')
    .send({ ...outcome, on: '2026-05-12', note: '', sameCall: false })
    .expect(201);
  expect((await sexing(one)).known).toBe(2);
});

it('is refused by its field, and of a guide that does not say how its kinds inherit', async () => {
  expect(((await sexing(randomUUID(), 400)) as unknown as { field: string }).field).toBe('individual');
  const { guides } = (await visitor.get('/api/guides')).body as { guides: { id: string; slug: string }[] };
  const crabs = guides.find(({ slug }) => slug === 'ledge-crabs')!.id;
  await visitor.post(`/api/guides/${crabs}/colony/sexing`).send({ individual: randomUUID() }).expect(409);
});
