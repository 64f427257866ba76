import { randomUUID } from 'node:crypto';
import type { GuideRow, StoredGuide, StoredKey } from '@plesion/contract';
import type { KeyGuideView } from '@plesion/contract/authoring';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor } = await newStation(server));
});

const TEXT = `1a Legs red or brown; body 5–7 mm long ... 2
1b Legs black; body 8–9 mm long ... Velda alba
2a Legs red; smelling of mint ... Velda velox
2b Legs brown ... Velda minuta`;
const readIn = async (text = TEXT, title = 'Veldas') =>
  (await visitor.post('/api/keys/import').send({ title, text }).expect(201)).body.keyId as string;
const look = async (body: object) =>
  (await visitor.post('/api/guides/from-keys/look').send(body).expect(200)).body as KeyGuideView;
const guides = async () => ((await visitor.get('/api/guides').expect(200)).body as { guides: GuideRow[] }).guides;

it('a guide of a key is looked at, with the texts it came from, before it is made', async () => {
  const key = await readIn();
  const before = (await guides()).length;
  const view = await look({ keys: [key] });
  expect(view).toMatchObject({ title: 'Veldas', taxa: ['Velda alba', 'Velda velox', 'Velda minuta'], proposals: [] });
  expect(view.characters.map(({ label }) => label)).toEqual(['Legs', 'Body length', 'Smelling of mint / otherwise']);
  expect(view.characters[0].contrasts[1]).toMatchObject({
    couplet: '2',
    sides: [
      { lead: 'a', text: 'Legs red', means: 'red' },
      { lead: 'b', text: 'Legs brown', means: 'brown' },
    ],
  });
  expect((await guides()).length).toBe(before);
  const apart = await look({ keys: [key], alone: [view.characters[0].contrasts[1].id] });
  expect(apart.characters).toHaveLength(4);
});

it('made, it names a specimen in any order, and its key is tied to it', async () => {
  const key = await readIn();
  const { body } = await visitor
    .post('/api/guides/from-keys')
    .send({ keys: [key], title: 'The Veldas' })
    .expect(201);
  const guide = body as GuideRow;
  expect(guide).toMatchObject({ slug: 'the-veldas', title: 'The Veldas', version: 1, forms: 3, characters: 3 });
  const stored = (await visitor.get(`/api/guides/${guide.id}`).expect(200)).body as StoredGuide;
  expect(stored.guide.scores.find(({ scope }) => scope.taxon === 'Velda-velox')?.note).toMatch(/^1a: Legs red or brown/);
  const tied = (await visitor.get(`/api/keys/${key}`).expect(200)).body as StoredKey;
  expect(tied).toMatchObject({ guideId: guide.id, version: 2 });
  expect(tied.key.couplets[1].leads[0].statements[0].link).toEqual({ character: 'Legs', states: ['red'] });
  const { body: standing } = await visitor
    .post(`/api/guides/${guide.id}/standing`)
    .send({
      situation: {},
      readings: [
        { character: 'Legs', states: ['red'] },
        { character: 'Body-length', value: 6 },
      ],
    })
    .expect(200);
  expect(standing.forms[0].taxon).toBe('Velda-velox');
});

it('a key that has a guide keeps it; a title that is taken gets another id', async () => {
  const key = await readIn();
  const first = (
    await visitor
      .post('/api/guides/from-keys')
      .send({ keys: [key] })
      .expect(201)
  ).body as GuideRow;
  const second = (
    await visitor
      .post('/api/guides/from-keys')
      .send({ keys: [key] })
      .expect(201)
  ).body as GuideRow;
  expect([first.slug, second.slug]).toEqual(['veldas', 'veldas-2']);
  expect(((await visitor.get(`/api/keys/${key}`).expect(200)).body as StoredKey).guideId).toBe(first.id);
});

it('several keys make one guide of two sources', async () => {
  const keys = [await readIn(), await readIn('1a Legs red ... V. alba\n1b Legs brown ... Velda velox', 'Veldas anew')];
  const { body } = await visitor.post('/api/guides/from-keys').send({ keys }).expect(201);
  const { guide } = (await visitor.get(`/api/guides/${body.id}`).expect(200)).body as StoredGuide;
  expect(guide.sources.map(({ label }) => label)).toEqual(['Veldas', 'Veldas anew']);
  expect(guide.policy).toEqual({ kind: 'pool', weights: { Veldas: 1, 'Veldas-anew': 1 } });
});

it.each([
  ['no key', { keys: [] }, 400, 'keys'],
  ['a key that is not there', { keys: [randomUUID()] }, 404, undefined],
  ['what is not known', { keys: [randomUUID()], more: 1 }, 400, undefined],
])('%s is refused', async (_, body, status, field) => {
  const refused = await visitor.post('/api/guides/from-keys').send(body).expect(status);
  if (field) expect(refused.body).toMatchObject({ field });
});

it('a key named twice is refused by field, and one that says nothing', async () => {
  const key = await readIn();
  expect(
    (
      await visitor
        .post('/api/guides/from-keys/look')
        .send({ keys: [key, key] })
        .expect(400)
    ).body,
  ).toMatchObject({
    ...{ code: 'key-twice', field: 'keys' },
  });
  const empty = await readIn('1a ... Velda alba\n1b ... Velda nigrans', 'Empty');
  expect(
    (
      await visitor
        .post('/api/guides/from-keys')
        .send({ keys: [empty] })
        .expect(400)
    ).body,
  ).toMatchObject({
    ...{ code: 'nothing-said', field: 'keys' },
  });
});

it('the JSON Schema of a guide is served', async () => {
  const { text, type } = await visitor.get('/api/schemas/guide.json').expect(200);
  expect(type).toBe('application/schema+json');
  expect(JSON.parse(text)).toMatchObject({ title: 'Plesion guide', properties: { format: { const: 'plesion-guide' } } });
});
