import { randomUUID } from 'node:crypto';
import type { StoredGuide } from '@plesion/contract';
import type { DraftLook, EditsSince, NewerView } from '@plesion/contract/authoring';
import type { GuideVersions, NamesTried } from '@plesion/contract/guideVersions';
import type { Guide } from '@plesion/core/guide';
import { selwithKey, strandBeetles } from '@plesion/demo';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
let guide: Guide;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor, guideId } = await newStation(server));
  ({ guide } = (await visitor.get(`/api/guides/${guideId}`).expect(200)).body as StoredGuide);
});

/** All that the guide says of one kind, as it is usually. */
const read = () =>
  guide.scores.flatMap(({ character, scope, value }) =>
    scope.taxon === 'murica' && !scope.facets && value.kind === 'states'
      ? [{ character, states: [Object.keys(value.states)[0]] }]
      : [],
  );
const put = async (label: string, more: object = {}, version = 1, taxon = 'murica') => {
  const id = randomUUID();
  const name = {
    ...{ id: randomUUID(), qualifier: 'none', taxon, facets: {}, by: '', at: '2026-05-01T10:00:00Z', p: 0.9 },
    ...{ recommended: '', overruled: false, guideVersion: version },
  };
  const content = { guideId, label, situation: {}, readings: read(), determinations: [name], hidden: false, version: 0, ...more };
  await visitor.put(`/api/specimens/${id}`).send(content).expect(200);
  return id;
};
const write = (version: number, next: Guide) => visitor.put(`/api/guides/${guideId}`).send({ version, guide: next }).expect(200);
const tried = async (after = '') =>
  (await visitor.get(`/api/guides/${guideId}/names${after && `?after=${after}`}`).expect(200)).body as NamesTried;
const versions = async () => ((await visitor.get(`/api/guides/${guideId}/versions`).expect(200)).body as GuideVersions).versions;
const renamed = (): Guide => ({ ...guide, taxa: guide.taxa.map((one) => ({ ...one, name: `${one.name} nova` })) });

it('each version is told with how many records were named with it', async () => {
  await put('K-1');
  await put('K-2');
  await write(1, { ...guide, summary: 'Written anew.' });
  await put('K-3', {}, 2);
  expect((await versions()).map(({ version, records }) => [version, records])).toEqual([
    [2, 1],
    [1, 2],
  ]);
  await visitor.get(`/api/guides/${randomUUID()}/versions`).expect(404);
  const elsewhere = await newStation(server);
  await elsewhere.visitor.get(`/api/guides/${guideId}/versions`).expect(404);
  await elsewhere.visitor.get(`/api/guides/${guideId}/names`).expect(404);
});

it('records of earlier versions are tried on the newest; those that are called otherwise are named, and stay as they were', async () => {
  const id = await put('K-1');
  await put('K-2', { readings: [], determinations: [] });
  expect(await tried()).toEqual({ total: 0, tried: 0, changed: [], next: null });
  await write(1, { ...guide, summary: 'Written anew.' });
  expect(await tried()).toEqual({ total: 1, tried: 1, changed: [], next: null });
  await write(2, renamed());
  const found = await tried();
  expect(found).toMatchObject({ total: 1, tried: 1, changed: [{ id, label: 'K-1', version: 1, left: [] }] });
  const [{ then, now }] = found.changed;
  expect(now.name).not.toBe(then.name);
  expect(now.name).toMatch(/ nova/);
  const { body } = await visitor.get(`/api/specimens/${id}`).expect(200);
  expect(body.determinations).toMatchObject([{ guideVersion: 1, taxon: 'murica' }]);
});

it('a name is tried on what it was given on, and what the newest knows no more is told', async () => {
  const id = await put('K-1');
  const { body } = await visitor.get(`/api/specimens/${id}`).expect(200);
  await visitor
    .put(`/api/specimens/${id}`)
    .send({
      guideId,
      label: 'K-1',
      situation: {},
      readings: [],
      hidden: false,
      determinations: body.determinations,
      version: body.version,
    })
    .expect(200);
  const without = (name: string): Guide => ({
    ...guide,
    characters: guide.characters.filter((one) => one.id !== name),
    scores: guide.scores.filter(({ character }) => character !== name),
    glossary: undefined,
    plateTraits: undefined,
    learned: undefined,
    taxa: guide.taxa.map((one) => ({ ...one, name: `${one.name} nova` })),
  });
  await write(1, without('granules'));
  const [found] = (await tried()).changed;
  expect(found.left).toEqual([guide.characters.find((one) => one.id === 'granules')!.label]);
});

it('more than are tried at once are gone through one after the other', async () => {
  for (let i = 0; i < 52; i++) await put(`K-${i}`);
  await write(1, renamed());
  const first = await tried();
  expect([first.total, first.tried, first.next === null]).toEqual([52, 50, false]);
  const rest = await tried(first.next!);
  expect([rest.tried, rest.next]).toEqual([2, null]);
  expect(new Set([...first.changed, ...rest.changed].map(({ id }) => id)).size).toBe(52);
});

it('a draft of the next version says what it would change in past names, and what our own records say against it', async () => {
  const id = randomUUID();
  await put('K-1');
  await visitor.put(`/api/drafts/${id}`).send({ guideId }).expect(200);
  const names = async () => (await visitor.get(`/api/drafts/${id}/names`).expect(200)).body as NamesTried;
  expect(await names()).toEqual({ total: 1, tried: 1, changed: [], next: null });
  const edits = guide.taxa.map((one) => ({ do: 'taxon', taxon: { ...one, name: `${one.name} nova` } }));
  const { version } = (await visitor.post(`/api/drafts/${id}/edits`).send({ batch: randomUUID(), after: 0, edits }).expect(200))
    .body as EditsSince;
  expect(version).toBe(1);
  expect((await names()).changed).toMatchObject([{ label: 'K-1', now: { name: expect.stringContaining('nova') } }]);
  expect(((await visitor.get(`/api/drafts/${id}/look`).expect(200)).body as DraftLook).records).toEqual([]);
  // One from nothing has no past; one that cannot be read yet is refused by field.
  const fresh = randomUUID();
  await visitor.put(`/api/drafts/${fresh}`).send({ title: 'Veldas' }).expect(200);
  expect((await visitor.get(`/api/drafts/${fresh}/names`).expect(200)).body).toMatchObject({ total: 0, next: null });
  const gone = { do: 'head', set: { title: '' } };
  await visitor
    .post(`/api/drafts/${id}/edits`)
    .send({ batch: randomUUID(), after: 1, edits: [gone] })
    .expect(200);
  expect((await visitor.get(`/api/drafts/${id}/names`).expect(400)).body.field).toBe('content.title');
});

describe('a draft whose guide was written anew meanwhile', () => {
  const begin = async (body: object) => {
    const id = randomUUID();
    await visitor.put(`/api/drafts/${id}`).send(body).expect(200);
    return id;
  };
  const edit = (id: string, after: number, set: object) =>
    visitor
      .post(`/api/drafts/${id}/edits`)
      .send({ batch: randomUUID(), after, edits: [{ do: 'head', set }] })
      .expect(200);
  const newer = async (id: string) => ((await visitor.get(`/api/drafts/${id}/newer`).expect(200)).body as NewerView).newer;
  const carry = (id: string, body: object) => visitor.post(`/api/drafts/${id}/carry`).send(body);

  it('takes over what changed there, keeps its own where both did unless it is said otherwise, and is then published', async () => {
    const id = await begin({ guideId });
    expect(await newer(id)).toEqual([]);
    await carry(id, { version: 0, of: 'base', to: 2, take: [] }).expect(404);
    await edit(id, 0, { title: 'Ours', area: 'Here' });
    await write(1, { ...guide, title: 'Theirs', area: 'There', summary: 'Written there.' });
    await visitor.post(`/api/drafts/${id}/publish`).send({ version: 1 }).expect(409);
    const [found, ...rest] = await newer(id);
    expect(rest).toEqual([]);
    expect(found).toMatchObject({ of: 'base', from: 1, to: 2, changes: 1 });
    expect(found.conflicts.map(({ name, ours, theirs }) => [name, ours, theirs])).toEqual([
      ['title', 'Ours', 'Theirs'],
      ['area', 'Here', 'There'],
    ]);
    const [, area] = found.conflicts;
    expect((await carry(id, { version: 0, of: 'base', to: 2, take: [] }).expect(409)).body.code).toBe('draft-moved');
    expect((await carry(id, { version: 1, of: 'base', to: 1, take: [] }).expect(409)).body.field).toBe('to');
    const { body } = await carry(id, { version: 1, of: 'base', to: 2, take: [area.key] }).expect(200);
    expect(body).toMatchObject({
      version: 2,
      baseVersion: 2,
      content: { title: 'Ours', area: 'There', summary: 'Written there.' },
    });
    expect(await newer(id)).toEqual([]);
    const made = (await visitor.post(`/api/drafts/${id}/publish`).send({ version: 2 }).expect(201)).body as StoredGuide;
    expect([made.version, made.title, made.area]).toEqual([3, 'Ours', 'There']);
  });

  it('a guide of our own that goes on from it takes over as well, version after version', async () => {
    const id = await begin({ guideId, as: 'own', title: 'Our crabs' });
    await visitor.post(`/api/drafts/${id}/publish`).send({ version: 0 }).expect(201);
    await write(1, { ...guide, summary: 'Written there.' });
    expect(await newer(id)).toMatchObject([{ of: 'origin', title: guide.title, from: 1, to: 2, changes: 1, conflicts: [] }]);
    const { body } = await carry(id, { version: 0, of: 'origin', to: 2, take: [] }).expect(200);
    expect(body.content).toMatchObject({ title: 'Our crabs', summary: 'Written there.', origin: { version: 2 } });
    expect(await newer(id)).toEqual([]);
    const elsewhere = await newStation(server);
    await elsewhere.visitor.get(`/api/drafts/${id}/newer`).expect(404);
  });
});

it('a name that was come to through a key is tried through that key', async () => {
  const { settings } = strandBeetles;
  const byKey = { ...strandBeetles, id: 'beetles-by-key', settings: { ...settings, call: { ...settings.call, school: 'key' } } };
  const { id } = (await visitor.post('/api/guides').send(byKey).expect(201)).body as StoredGuide;
  const keyId = randomUUID();
  await visitor.put(`/api/keys/${keyId}`).send({ version: 0, guideId: id, key: selwithKey }).expect(200);
  const walk = { keyId, keyVersion: 1, answers: ['1a', '2b'].map((step) => ({ couplet: `c${step[0]}`, lead: step[1] })) };
  const readings = [{ character: 'elytra-hair', states: ['bare'] }];
  await put('B-1', { guideId: id, walk, readings }, 1, 'nudalis');
  const taxa = byKey.taxa.map((one) => (one.id === 'nudalis' ? { ...one, name: 'Fucalis nova' } : one));
  await visitor
    .put(`/api/guides/${id}`)
    .send({ version: 1, guide: { ...byKey, taxa } })
    .expect(200);
  const { changed } = (await visitor.get(`/api/guides/${id}/names`).expect(200)).body as NamesTried;
  expect(changed).toMatchObject([{ label: 'B-1', then: { name: 'Fucalis nudalis' }, now: { name: 'Fucalis nova' } }]);
});
