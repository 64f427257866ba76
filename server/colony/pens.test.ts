import { randomUUID } from 'node:crypto';
import type { Colony } from '@plesion/contract/colony';
import type { Pairing } from '@plesion/contract/pairings';
import type { Pen } from '@plesion/contract/pens';
import { join, newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

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

const put = async (id: string, sent: object, status = 200, own = visitor): Promise<Pen & { field?: string; code?: string }> =>
  (
    await own
      .put(`/api/pens/${id}`)
      .send({ version: 0, hidden: false, guideId: moths, ...sent })
      .expect(status)
  ).body as Pen;
const keep = async (label: string, kept: object): Promise<string> => {
  const id = randomUUID();
  await visitor.put(`/api/individuals/${id}`).send({ version: 0, guideId: moths, label, hidden: false, kept }).expect(200);
  return id;
};
const book = async () => (await visitor.get(`/api/guides/${moths}/colony`).expect(200)).body as Colony;

it('is kept by versions, stands in its book and in the feed of changes, and its earlier states can be seen', async () => {
  const id = randomUUID();
  expect(await put(id, { name: 'cage 1', holds: 12, place: 'by the door' })).toMatchObject({ version: 1, holds: 12 });
  expect(await put(id, { name: 'cage 1', holds: 12, place: 'by the door' })).toMatchObject({ version: 1 });
  expect(await put(id, { version: 1, name: 'cage 1', holds: 14 })).toMatchObject({ version: 2, holds: 14 });
  expect(await put(id, { version: 1, name: 'cage 1', holds: 9 }, 409)).toMatchObject({ code: 'stale-version' });
  expect((await book()).pens.filter((one) => one.id === id)).toEqual([expect.objectContaining({ name: 'cage 1', version: 2 })]);
  const { changes } = (await visitor.get('/api/changes?since=0').expect(200)).body as { changes: { kind: string; id: string }[] };
  expect(changes.filter((one) => one.id === id).map(({ kind }) => kind)).toEqual(['pen', 'pen']);
  const { body } = await visitor.get(`/api/earlier/pen/${id}/1`).expect(200);
  expect(JSON.stringify(body)).toContain('by the door');
});

it('that is called otherwise keeps whoever is in it, the way there, and what was paired in it', async () => {
  const id = randomUUID();
  await put(id, { name: 'Cage 2' });
  const father = await keep('f', {
    sex: { called: 'male', certainty: 1 },
    pen: 'cage 2',
    moves: [{ on: '2026-05-01', pen: 'cage 2' }],
  });
  const mother = await keep('m', { sex: { called: 'female', certainty: 1 }, pen: 'cage 2' });
  const pairing = {
    version: 0,
    hidden: false,
    guideId: moths,
    fathers: [father],
    mothers: [mother],
    from: '2026-05-01',
    pen: 'cage 2',
  };
  await visitor.put(`/api/pairings/${randomUUID()}`).send(pairing).expect(200);
  expect(await put(id, { version: 1, name: 'the north aviary' })).toMatchObject({ formerly: ['Cage 2'] });
  expect(await put(id, { version: 2, name: 'aviary' })).toMatchObject({ formerly: ['Cage 2', 'the north aviary'] });
  const { members, pairings } = await book();
  expect(members.filter((one) => [father, mother].includes(one.id)).map(({ kept }) => kept)).toEqual([
    expect.objectContaining({ pen: 'aviary', moves: [{ on: '2026-05-01', pen: 'aviary' }] }),
    expect.objectContaining({ pen: 'aviary' }),
  ]);
  expect(pairings.map((one: Pairing) => one.pen)).toEqual(['aviary']);
  // Its egg is asked for by the name it has now.
  await visitor.post(`/api/guides/${moths}/colony/egg`).send({ pen: 'aviary', since: '2026-05-01' }).expect(200);
  // Called as it was again, it was never called so before.
  expect(await put(id, { version: 3, name: 'Cage 2' })).toMatchObject({ formerly: ['the north aviary', 'aviary'] });
});

it('has a name that no other has or had, until it is struck out', async () => {
  const [one, other] = [randomUUID(), randomUUID()];
  await put(one, { name: 'Loft' });
  expect(await put(other, { name: 'loft ' }, 400)).toMatchObject({ field: 'name', code: 'twice' });
  await put(one, { version: 1, name: 'Attic' });
  expect(await put(other, { name: 'LOFT' }, 400)).toMatchObject({ field: 'name', code: 'twice' });
  await put(one, { version: 2, name: 'Attic', hidden: true });
  expect(await put(other, { name: 'Attic' })).toMatchObject({ version: 1 });
  expect(await put(one, { version: 3, name: 'Attic' }, 400)).toMatchObject({ field: 'name' });
  const both = await Promise.all(
    [randomUUID(), randomUUID()].map((id) =>
      visitor.put(`/api/pens/${id}`).send({ version: 0, hidden: false, guideId: moths, name: 'cellar' }),
    ),
  );
  expect(both.map(({ status }) => status).sort()).toEqual([200, 400]);
});

it.each([
  [{ name: ' ' }, 'name'],
  [{ name: 'x', holds: 0 }, 'holds'],
  [{ name: 'x', until: 'May' }, 'until'],
  [{ name: 'x', strain: '' }, 'strain'],
])('refuses %j by its field', async (sent, field) => {
  expect(await put(randomUUID(), sent, 400)).toMatchObject({ field });
});

it('is of a guide of the station, and is not written by learners', async () => {
  await put(randomUUID(), { name: 'x', guideId: randomUUID() }, 404);
  const { visitor: own } = await newStation(server);
  const id = randomUUID();
  await put(id, { name: 'ours' });
  await own.get(`/api/pens/${id}`).expect(404);
  await put(randomUUID(), { name: 'x' }, 403, (await join(server, visitor, 'learner')).visitor);
});
