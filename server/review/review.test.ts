import { randomUUID } from 'node:crypto';
import type { Specimen } from '@plesion/contract';
import type { AuditList } from '@plesion/contract/audit';
import type { Desk, Review, WantedOfMe } from '@plesion/contract/review';
import { join, newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let keeper: Visitor;
let guideId: string;
let name: string;
type Person = { visitor: Visitor; name: string };
let reviewer: Person;
let member: Person;
let learner: Person;
/** Of the test at hand. */
const mine = new Set<string>();
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor: keeper, guideId, name } = await newStation(server));
  [reviewer, member, learner] = [
    await join(server, keeper, 'reviewer'),
    await join(server, keeper, 'member'),
    await join(server, keeper, 'learner'),
  ];
});
afterAll(() => server.close());
beforeEach(() => mine.clear());

const granules = { character: 'granules', states: ['dense'] };
const called = (taxon: string, more: object = {}) => ({
  ...{ id: randomUUID(), qualifier: 'none', taxon, facets: {}, by: '', at: new Date().toISOString(), p: 0.9 },
  ...{ recommended: '', overruled: false, guideVersion: 1 },
  ...more,
});
/** A named specimen. */
async function named(by = keeper, more: object = {}, call = called('murica')) {
  const id = randomUUID();
  mine.add(id);
  await by
    .put(`/api/specimens/${id}`)
    .send(write(guideId, { label: id.slice(0, 6), readings: [granules], determinations: [call], ...more }))
    .expect(200);
  return { id, call };
}
const deskOf = async (visitor = reviewer.visitor, query = '') =>
  (await visitor.get(`/api/reviews/desk${query}`).expect(200)).body as Desk;
const waits = async (visitor = reviewer.visitor) =>
  (await deskOf(visitor)).records.map(({ id }) => id).filter((id) => mine.has(id));
const say = (specimenId: string, determination: string, more: object = {}, visitor = reviewer.visitor) =>
  visitor.post('/api/reviews').send({ id: randomUUID(), specimenId, determination, word: 'agree', ...more });
const specimen = async (id: string) => (await keeper.get(`/api/specimens/${id}`).expect(200)).body as Specimen;
const listed = async (id: string) =>
  ((await keeper.get(`/api/reviews?specimenId=${id}`).expect(200)).body as { reviews: Review[] }).reviews;

describe('what waits on the desk', () => {
  it('are names that others gave, with what comes nearest, and not one’s own, unnamed, removed or known ones', async () => {
    const { id } = await named();
    await named(keeper, { hidden: true });
    await named(keeper, { determinations: [] });
    await named(keeper, { determinations: [called('murica', { qualifier: 'unknown', taxon: undefined })] });
    await named(reviewer.visitor);
    const known = await named();
    const outcome = {
      id: randomUUID(),
      specimenId: known.id,
      kind: 'dissection',
      taxon: 'murica',
      wrong: 0.01,
      on: '2026-05-12',
    };
    await keeper.post('/api/verifications').send(outcome).expect(201);
    const { records, total, guides, today } = await deskOf();
    expect(records.map((one) => one.id)).toEqual([id]);
    expect({ total, today }).toEqual({ total: 1, today: 0 });
    expect(guides).toEqual([{ id: guideId, title: expect.any(String) as string, n: 1 }]);
    expect(records[0]).toMatchObject({ recordedBy: name, name: { taxon: 'murica', by: name }, readings: [granules] });
    expect(records[0].name).not.toHaveProperty('pinned');
    const { options, views } = records[0].look;
    expect(options.map(({ name: { taxon, other } }) => [taxon, other])).toEqual([
      ['murica', undefined],
      [options[1].name.taxon, undefined],
      ['murica', options[1].name.taxon],
    ]);
    expect(views.length).toBeGreaterThan(0);
    // A verification that rests on the same call tells nothing new.
    await keeper.delete(`/api/verifications/${outcome.id}`).expect(200);
    await keeper
      .post('/api/verifications')
      .send({ ...outcome, id: randomUUID(), sameCall: true })
      .expect(201);
    expect(await waits()).toContain(known.id);
    expect((await deskOf(reviewer.visitor, `?guideId=${randomUUID()}`)).records).toEqual([]);
  });

  it('begins with what is most worth a look', async () => {
    const sure = await named(keeper, {}, called('murica', { p: 0.99 }));
    const unsure = await named(keeper, {}, called('murica', { p: 0.4 }));
    const disputed = await named(keeper, {}, called('murica', { p: 0.99 }));
    const ask = { id: randomUUID(), specimenId: disputed.id };
    await keeper.post('/api/opinions').send(ask).expect(201);
    for (const one of [reviewer, member, learner]) {
      const opinion = { name: { qualifier: 'none', taxon: 'velloma', facets: {} }, certainty: 'likely', readings: [] };
      await one.visitor.post(`/api/opinions/${ask.id}/answers`).send({ id: randomUUID(), opinion }).expect(201);
    }
    const { records } = await deskOf();
    const order = await waits();
    expect(order.at(-1)).toBe(sure.id);
    expect([...order].sort()).toEqual([sure.id, unsure.id, disputed.id].sort());
    const reasons = records.find(({ id }) => id === disputed.id)!.reasons;
    expect(reasons).toContainEqual({ kind: 'dispute', text: '3 of 3 others call it something else' });
    expect(records.map(({ worth }) => worth)).toEqual(records.map(({ worth }) => worth).sort((a, b) => b - a));
  });

  it('is for reviewers and keepers', async () => {
    const { visitor } = member;
    const { body } = await visitor.get('/api/reviews/desk').expect(403);
    expect(body).toMatchObject({ message: expect.stringMatching(/reviewer/) });
    const { id, call } = await named(visitor);
    await say(id, call.id, {}, visitor).expect(403);
    await deskOf(keeper);
  });
});

describe('a word of a reviewer', () => {
  it('agrees: the record waits no more, until it is named anew; taken back, it waits again', async () => {
    const { id, call } = await named();
    const sent = { id: randomUUID() };
    const { today } = await deskOf();
    const { body } = await say(id, call.id, sent).expect(201);
    expect(body).toMatchObject({ ...sent, word: 'agree', by: reviewer.name, withdrawn: false });
    expect((await say(id, call.id, { ...sent, word: 'pass' }).expect(201)).body).toEqual(body);
    expect(await waits()).toEqual([]);
    expect((await deskOf()).today).toBe(today + 1);
    await reviewer.visitor.delete(`/api/reviews/${sent.id}`).expect(200);
    expect(await waits()).toEqual([id]);
    await say(id, call.id).expect(201);
    const { version } = await specimen(id);
    await keeper
      .put(`/api/specimens/${id}`)
      .send(write(guideId, { version, readings: [granules], determinations: [call, called('velloma')] }))
      .expect(200);
    expect(await waits()).toEqual([id]);
    expect((await listed(id)).map(({ word, withdrawn }) => [word, withdrawn])).toEqual([
      ['agree', false],
      ['agree', true],
    ]);
  });

  it('gives it another name: it is added to its history with a reason, and gives way again when it is taken back', async () => {
    const { id, call } = await named();
    const sent = { id: randomUUID(), word: 'name', name: { qualifier: 'or', taxon: 'murica', other: 'velloma', facets: {} } };
    await say(id, call.id, { ...sent, note: 'the edge is worn' }).expect(201);
    const { determinations, version } = await specimen(id);
    expect(determinations).toHaveLength(2);
    expect(determinations[1]).toMatchObject({ id: sent.id, qualifier: 'or', by: reviewer.name, reason: 'the edge is worn' });
    expect(determinations[1].p).toBeGreaterThan(0);
    expect(determinations[1].pinned).toMatchObject({ readings: [granules] });
    expect(await waits()).toEqual([]);
    // Sent again, as where the answer was lost, it adds no second one.
    await say(id, call.id, sent).expect(201);
    expect((await specimen(id)).version).toBe(version);
    // Nor does it where only the name was kept, and not the word.
    await server.orm.em.fork().getConnection().execute('delete from review where id = ?', [sent.id]);
    await say(id, call.id, sent).expect(201);
    expect((await specimen(id)).determinations).toHaveLength(2);
    expect(await listed(id)).toHaveLength(1);
    await keeper.delete(`/api/reviews/${sent.id}`).expect(403);
    await reviewer.visitor.delete(`/api/reviews/${sent.id}`).expect(200);
    const after = (await specimen(id)).determinations;
    expect(after.map(({ taxon, other }) => [taxon, other])).toEqual([
      ['murica', undefined],
      ['murica', 'velloma'],
      ['murica', undefined],
    ]);
    expect(after[2].reason).toContain(`as ${name} named it`);
    expect(await waits()).toEqual([id]);
    await reviewer.visitor.delete(`/api/reviews/${sent.id}`).expect(200);
    expect((await specimen(id)).determinations).toHaveLength(3);
  });

  it('needs another view: whoever recorded it is asked, and it comes back when it was written', async () => {
    const { visitor, name: recorder } = member;
    const { id, call } = await named(visitor);
    await say(id, call.id, { word: 'view', view: 'ventral', note: 'the abdomen' }).expect(201);
    expect(await waits()).toEqual([]);
    // Nor on another's desk: it waits for its recorder.
    expect(await waits(keeper)).toEqual([]);
    const wanted = async (own: Visitor) =>
      ((await own.get('/api/reviews/wanted').expect(200)).body as { wanted: WantedOfMe[] }).wanted;
    expect(await wanted(visitor)).toEqual([
      expect.objectContaining({ specimenId: id, by: reviewer.name, view: 'from below', note: 'the abdomen' }),
    ]);
    expect(await wanted(keeper)).toEqual([]);
    await visitor
      .put(`/api/specimens/${id}`)
      .send(write(guideId, { version: 1, readings: [], determinations: [call] }))
      .expect(200);
    expect(await wanted(visitor)).toEqual([]);
    expect(await waits()).toEqual([id]);
    expect((await listed(id))[0]).toMatchObject({ word: 'view', view: 'ventral', writtenSince: true });
    expect((await deskOf()).records.find((one) => one.id === id)!.recordedBy).toBe(recorder);
  });

  it('is passed on to the others', async () => {
    const { id, call } = await named(member.visitor);
    await say(id, call.id, { word: 'pass' }).expect(201);
    expect(await waits()).toEqual([]);
    expect(await waits(keeper)).toEqual([id]);
  });

  it.each([
    ['of no other name', { word: 'name' }, 'name', /named instead/],
    ['of a name where it agrees', { name: { qualifier: 'none', taxon: 'velloma', facets: {} } }, 'name', /only where/],
    ['of no view', { word: 'view' }, 'view', /which view/],
    ['of a view that is none', { word: 'view', view: 'inside' }, 'view', /no view “inside”/],
    [
      'of a taxon that is none',
      { word: 'name', name: { qualifier: 'none', taxon: 'nobody', facets: {} } },
      'name.taxon',
      /no taxon/,
    ],
    ['that it is unknown', { word: 'name', name: { qualifier: 'unknown', facets: {} } }, 'name.taxon', /which name/],
  ])('%s is refused by its field, and nothing is kept', async (_, more, field, message) => {
    const { id, call } = await named();
    const { body } = await say(id, call.id, more).expect(400);
    expect(body).toMatchObject({ field, message: expect.stringMatching(message) });
    expect(await listed(id)).toEqual([]);
    expect((await specimen(id)).version).toBe(1);
  });

  it('of a name that is the newest no more is refused', async () => {
    const { id } = await named();
    expect((await say(id, randomUUID()).expect(409)).body).toMatchObject({ code: 'named-anew' });
    await say(randomUUID(), randomUUID()).expect(404);
  });

  it('said by twenty at once with other names, one is kept: none of the history is lost', async () => {
    const { id, call } = await named();
    const other = { word: 'name', name: { qualifier: 'none', taxon: 'velloma', facets: {} } };
    const answers = await Promise.all(Array.from({ length: 20 }, () => say(id, call.id, other)));
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([201, 409]));
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
    expect((await specimen(id)).determinations).toHaveLength(2);
    expect(await listed(id)).toHaveLength(1);
  });

  it('stands in the lines of who did what', async () => {
    const { id, call } = await named();
    const sent = { id: randomUUID() };
    await say(id, call.id, sent).expect(201);
    await reviewer.visitor.delete(`/api/reviews/${sent.id}`).expect(200);
    const { lines, people } = (await keeper.get('/api/audit?kind=review').expect(200)).body as AuditList;
    expect(lines.flatMap(({ act, by, id: of }) => (of === id ? [[act, by, of]] : []))).toEqual([
      ['took back', reviewer.name, id],
      ['reviewed', reviewer.name, id],
    ]);
    expect(people).toContain(reviewer.name);
  });
});
