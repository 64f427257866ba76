import { randomUUID } from 'node:crypto';
import type { StoredGuide } from '@plesion/contract';
import type { DraftLook, DraftRow, EditsSince, StoredDraft } from '@plesion/contract/authoring';
import type { Edit } from '@plesion/core/authoring';
import { join, newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor, guideId } = await newStation(server));
});

const begin = async (body: object = { title: 'Veldas' }, id: string = randomUUID()) =>
  (await visitor.put(`/api/drafts/${id}`).send(body).expect(200)).body as StoredDraft;
const drafts = async () => ((await visitor.get('/api/drafts').expect(200)).body as { drafts: DraftRow[] }).drafts;
const edit = (id: string, after: number, edits: Edit[], more: { batch?: string; own?: Visitor } = {}) =>
  (more.own ?? visitor).post(`/api/drafts/${id}/edits`).send({ batch: more.batch ?? randomUUID(), after, edits });
const head: Edit = { do: 'head', set: { group: 'Veldas', area: 'Quell', caution: 'Touch none of them.' } };
const taxon = (id: string): Edit => ({
  do: 'taxon',
  taxon: { id, name: `Velda ${id}`, rank: 'species', abundance: 1, forms: [{ share: 1, facets: {} }] },
});
const legs = {
  do: 'character' as const,
  character: {
    ...{ id: 'legs', label: 'Legs', kind: 'nominal', group: 'colour', views: ['whole'] },
    ...{ handling: 'look', distance: 'near', needsLight: true, seconds: 5 },
    states: ['red', 'black'].map((id) => ({ id, label: id })),
  },
} satisfies Edit;
const has = (id: string, state: string): Edit => ({
  do: 'scores',
  put: [{ character: 'legs', scope: { taxon: id }, source: 'own', value: { kind: 'states', states: { [state]: 'always' } } }],
  drop: [],
});
const whole = [head, taxon('alba'), taxon('velox'), legs, has('alba', 'red'), has('velox', 'black')];

it('is begun, changed, looked over and published, and names a specimen', async () => {
  const { id } = await begin();
  expect(await drafts()).toMatchObject([{ id, title: 'Veldas', version: 0 }]);
  const wants = (await visitor.get(`/api/drafts/${id}/look`).expect(200)).body as DraftLook;
  expect(wants.problems.map(({ field }) => field)).toContain('characters');
  const early = await visitor.post(`/api/drafts/${id}/publish`).send({ version: 0 }).expect(400);
  expect(early.body).toMatchObject({ code: 'wanted', field: 'content.group', message: 'Say of which group it is.' });
  expect((await edit(id, 0, whole).expect(200)).body).toMatchObject({ version: 1, batches: [{ n: 1, edits: [] }] });
  expect((await visitor.get(`/api/drafts/${id}/edits?after=0`).expect(200)).body.batches).toMatchObject([{ n: 1, edits: whole }]);
  const guide = (await visitor.post(`/api/drafts/${id}/publish`).send({ version: 1 }).expect(201)).body as StoredGuide;
  expect(guide).toMatchObject({ slug: 'veldas', version: 1, forms: 2 });
  const { body } = await visitor
    .post(`/api/guides/${guide.id}/standing`)
    .send({ situation: {}, readings: [{ character: 'legs', states: ['black'] }] })
    .expect(200);
  expect(body.forms[0].taxon).toBe('velox');
  // Gone on with, it becomes the next version of the same guide.
  await edit(id, 1, [{ do: 'head', set: { summary: 'Two of them.' } }]).expect(200);
  const next = (await visitor.post(`/api/drafts/${id}/publish`).send({ version: 2 }).expect(201)).body as StoredGuide;
  expect(next).toMatchObject({ id: guide.id, version: 2, summary: 'Two of them.' });
});

it('is tried with a specimen before it is published; what cannot be read is refused by field', async () => {
  const { id } = await begin();
  const readings = [{ character: 'legs', states: ['black'] }];
  expect((await visitor.post(`/api/drafts/${id}/try`).send({ readings }).expect(400)).body.field).toMatch(/^content\./);
  await edit(id, 0, whole).expect(200);
  const { body } = await visitor.post(`/api/drafts/${id}/try`).send({ readings }).expect(200);
  expect(body.taxa.map(({ name }: { name: string }) => name)).toEqual(['Velda velox', 'Velda alba']);
  expect(body.taxa[0].p + body.taxa[1].p + body.outside).toBeCloseTo(1, 6);
  const refused = await visitor
    .post(`/api/drafts/${id}/try`)
    .send({ readings: [{ character: 'legs', states: ['blue'] }] })
    .expect(400);
  expect(refused.body.field).toBe('readings[0].states');
});

it('is tried before it could be published: without what is not whole, and without readings of that', async () => {
  const { id } = await begin();
  const tail = { ...legs.character, id: 'tail', label: 'Tail', states: [{ id: 'long', label: 'long' }] };
  const edits: Edit[] = [...whole, { do: 'head', set: { caution: '', area: '' } }, { do: 'character', character: tail }];
  await edit(id, 0, edits).expect(200);
  const readings = [
    { character: 'legs', states: ['black'] },
    { character: 'tail', states: ['long'] },
  ];
  const { body } = await visitor.post(`/api/drafts/${id}/try`).send({ readings }).expect(200);
  expect(body).toMatchObject({ taxa: [{ name: 'Velda velox' }, { name: 'Velda alba' }], without: ['Tail'] });
  const gone = [...readings, { character: 'wing', states: ['long'] }];
  const refused = await visitor.post(`/api/drafts/${id}/try`).send({ readings: gone }).expect(400);
  expect(refused.body.message).toMatch(/wing/);
  await visitor.post(`/api/drafts/${id}/publish`).send({ version: 1 }).expect(400);
});

it('begun twice is one, and as it was; the next version of a guide begins with all of it', async () => {
  const first = await begin();
  await edit(first.id, 0, [taxon('alba')]).expect(200);
  expect(await begin({ title: 'Other' }, first.id)).toMatchObject({ title: 'Veldas', version: 1 });
  const next = await begin({ guideId });
  expect(next).toMatchObject({ guideId, baseVersion: 1, title: 'Ledge crabs of the Tessary Isles' });
  expect(next.content.scores.length).toBeGreaterThan(50);
  await visitor.put(`/api/drafts/${randomUUID()}`).send({ guideId: randomUUID() }).expect(404);
  // A guide of one's own that goes on from it is another guide, and leaves it as it is.
  const own = await begin({ guideId, as: 'own', title: 'Our ledge crabs' });
  expect([own.guideId, own.title, own.content.sources.at(-1)!.label]).toEqual([undefined, 'Our ledge crabs', next.title]);
  const made = (await visitor.post(`/api/drafts/${own.id}/publish`).send({ version: 0 }).expect(201)).body as StoredGuide;
  expect(made).toMatchObject({ slug: 'our-ledge-crabs', version: 1 });
  expect((await visitor.get(`/api/guides/${guideId}`).expect(200)).body.version).toBe(1);
});

it('of several people at once has what each changed, in one order for all', async () => {
  const { id } = await begin();
  await edit(id, 0, whole).expect(200);
  const { visitor: other } = await join(server, visitor, 'member');
  const batch = randomUUID();
  const mine = edit(id, 1, [taxon('minuta')], { batch });
  const theirs = edit(id, 1, [{ do: 'head', set: { title: 'The Veldas' } }], { own: other });
  const [a, b] = (await Promise.all([mine.expect(200), theirs.expect(200)])).map(({ body }) => body as EditsSince);
  const later = [a, b].find(({ version }) => version === 3)!;
  expect(later.batches).toHaveLength(2);
  const { body: audit } = await visitor.get(`/api/audit?kind=draft&record=${id}`).expect(200);
  expect(audit.lines.map(({ act, version }: { act: string; version: number }) => [act, version])).toEqual([
    ['changed', 3],
    ['changed', 2],
    ['changed', 1],
  ]);
  expect(new Set(audit.lines.map(({ by }: { by: string }) => by)).size).toBe(2);
  // Lost on the way and sent again, it is made once.
  expect((await edit(id, 1, [taxon('minuta')], { batch }).expect(200)).body).toMatchObject({ version: 3 });
  const { content } = (await visitor.get(`/api/drafts/${id}`).expect(200)).body as StoredDraft;
  expect([content.title, content.taxa.length]).toEqual(['The Veldas', 3]);
  expect(((await other.get(`/api/drafts/${id}/edits?after=2`).expect(200)).body as EditsSince).batches).toHaveLength(1);
});

it('twenty who write at once lose nothing', async () => {
  const { id } = await begin();
  const names = Array.from({ length: 20 }, (_, i) => `t${i}`);
  await Promise.all(names.map((name) => edit(id, 0, [taxon(name)]).expect(200)));
  const { content, version } = (await visitor.get(`/api/drafts/${id}`).expect(200)).body as StoredDraft;
  expect(version).toBe(20);
  expect(content.taxa.map((one) => one.id).sort()).toEqual([...names].sort());
});

it('a change that cannot be made is refused whole, and says why', async () => {
  const { id } = await begin();
  await edit(id, 0, whole).expect(200);
  const refused = await edit(id, 1, [taxon('minuta'), { do: 'dropTaxon', id: 'nobody' }]).expect(400);
  expect(refused.body).toMatchObject({ code: 'no-taxon', field: 'edits' });
  expect(((await visitor.get(`/api/drafts/${id}`).expect(200)).body as StoredDraft).content.taxa).toHaveLength(2);
  await edit(id, 1, []).expect(400);
  await edit(randomUUID(), 0, whole).expect(404);
});

it('is not published over what somebody changed meanwhile, in the draft or in the guide', async () => {
  const { id } = await begin();
  await edit(id, 0, whole).expect(200);
  await edit(id, 1, [taxon('minuta')]).expect(200);
  expect((await visitor.post(`/api/drafts/${id}/publish`).send({ version: 1 }).expect(409)).body.code).toBe('draft-moved');
  const crabs = await begin({ guideId });
  const { guide } = (await visitor.get(`/api/guides/${guideId}`).expect(200)).body as StoredGuide;
  await visitor
    .put(`/api/guides/${guideId}`)
    .send({ version: 1, guide: { ...guide, summary: 'Written elsewhere.' } })
    .expect(200);
  await edit(crabs.id, 0, [{ do: 'head', set: { summary: 'Written here.' } }]).expect(200);
  await visitor.post(`/api/drafts/${crabs.id}/publish`).send({ version: 1 }).expect(409);
});

it('is taken from the list, stays another station’s secret, and is back when somebody goes on', async () => {
  const { id } = await begin();
  expect((await visitor.delete(`/api/drafts/${id}`).expect(200)).body).toEqual({ drafts: [] });
  const back = (await visitor.post(`/api/drafts/${id}/restore`).expect(200)).body as { drafts: object[] };
  expect(back.drafts).toMatchObject([{ id }]);
  await visitor.post(`/api/drafts/${randomUUID()}/restore`).expect(404);
  await visitor.delete(`/api/drafts/${id}`).expect(200);
  await edit(id, 0, [taxon('alba')]).expect(200);
  expect(await drafts()).toHaveLength(1);
  const elsewhere = await newStation(server);
  await elsewhere.visitor.get(`/api/drafts/${id}`).expect(404);
  await edit(id, 0, [taxon('x')], { own: elsewhere.visitor }).expect(404);
});
