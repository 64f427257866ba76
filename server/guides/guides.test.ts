import type { StoredGuide } from '@plesion/contract';
import { printGuide } from '@plesion/core/formats';
import { formsOf } from '@plesion/core/guide';
import { demoGuides, ledgeCrabs } from '@plesion/demo';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId } = await newStation(server));
});
afterAll(() => server.close());

const guideOf = async (id: string, version?: number) =>
  (
    await visitor
      .get(`/api/guides/${id}`)
      .query(version ? { version } : {})
      .expect(200)
  ).body as StoredGuide;

describe('guides', () => {
  it('a new station begins with all six groups, in the order of their titles', async () => {
    const { body } = await visitor.get('/api/guides').expect(200);
    const wanted = [...demoGuides].sort((a, b) => a.title.localeCompare(b.title));
    expect(body.guides).toMatchObject(
      wanted.map((guide) => ({ slug: guide.id, version: 1, forms: formsOf(guide).length, characters: guide.characters.length })),
    );
    expect(body.guides).toHaveLength(6);
  });

  it('go out as Plesion JSON and come back without loss', async () => {
    const out = await visitor
      .get(`/api/guides/${guideId}/plesion.json`)
      .expect(200)
      .expect('content-disposition', /ledge-crabs\.plesion\.json/);
    expect(out.text).toBe(printGuide(ledgeCrabs));
    const back = await visitor.post('/api/guides').type('json').send(out.text).expect(201);
    expect(back.body).toMatchObject({ id: guideId, version: 1 });
    expect(back.body.guide).toEqual(ledgeCrabs);
  });

  it('make a new version when they change, and keep the one before', async () => {
    const changed = { ...ledgeCrabs, id: 'versions', title: 'First' };
    const first = (await visitor.post('/api/guides').send(changed).expect(201)).body as StoredGuide;
    const anew = { ...changed, title: 'Second' };
    const second = (await visitor.put(`/api/guides/${first.id}`).send({ version: 1, guide: anew }).expect(200))
      .body as StoredGuide;
    expect([first.version, second.version, second.id]).toEqual([1, 2, first.id]);
    expect((await guideOf(first.id)).guide.title).toBe('Second');
    expect((await guideOf(first.id, 1)).guide.title).toBe('First');
    await visitor.get(`/api/guides/${first.id}`).query({ version: 9 }).expect(404);
  });

  it('are never written over: a stale version and a known id get both sides, and nothing is stored', async () => {
    const mine = { ...ledgeCrabs, id: 'both-sides', title: 'Mine' };
    const { body: first } = await visitor.post('/api/guides').send(mine).expect(201);
    const put = (version: number, title: string) =>
      visitor.put(`/api/guides/${first.id}`).send({ version, guide: { ...mine, title } });
    await put(1, 'Second').expect(200);
    const stale = (await put(1, 'Third').expect(409)).body;
    expect(stale).toMatchObject({
      code: 'stale-version',
      stored: { version: 2, guide: { title: 'Second' } },
      sent: { version: 1, guide: { title: 'Third' } },
    });
    await put(1, 'Second').expect(200);
    const known = await visitor
      .post('/api/guides')
      .send({ ...mine, title: 'From elsewhere' })
      .expect(409);
    expect(known.body.stored).toMatchObject({ id: first.id, version: 2 });
    expect((await guideOf(first.id)).version).toBe(2);
  });

  it('keep their own id, and cannot take another’s', async () => {
    const { body: first } = await visitor
      .post('/api/guides')
      .send({ ...ledgeCrabs, id: 'own-id' })
      .expect(201);
    const renamed = { version: 1, guide: { ...ledgeCrabs, id: 'other-id' } };
    const changed = await visitor.put(`/api/guides/${first.id}`).send(renamed).expect(400);
    expect(changed.body).toMatchObject({ code: 'guide-id-changed', field: 'guide.id' });
    const taken = { version: 0, guide: { ...ledgeCrabs, id: 'own-id', title: 'Another' } };
    const refused = await visitor.put('/api/guides/0192f3a0-0000-7001-8000-0000000000aa').send(taken).expect(400);
    expect(refused.body).toMatchObject({ code: 'guide-id-taken', field: 'guide.id' });
  });

  it('are told what is wrong with them by the field of the body', async () => {
    const broken = structuredClone({ ...ledgeCrabs, id: 'broken-put' });
    broken.scores[2].character = 'nothing';
    const { body } = await visitor
      .put('/api/guides/0192f3a0-0000-7001-8000-0000000000ab')
      .send({ version: 0, guide: broken })
      .expect(400);
    expect(body).toMatchObject({ code: 'unknown-character', field: 'guide.scores[2].character' });
  });

  it('are not imported by half: every problem is named and nothing is stored', async () => {
    const broken = structuredClone({ ...ledgeCrabs, id: 'broken' });
    broken.scores[2].character = 'nothing';
    broken.scores[5].source = 'hearsay';
    const { body } = await visitor.post('/api/guides').send(broken).expect(400);
    expect(body).toMatchObject({ code: 'unknown-character', field: 'scores[2].character' });
    expect(body.problems).toHaveLength(2);
    const { body: list } = await visitor.get('/api/guides');
    expect(list.guides.map((g: { slug: string }) => g.slug)).not.toContain('broken');
  });

  it('of another station are not there', async () => {
    const other = await newStation(server);
    for (const path of ['', '/plesion.json']) {
      const answer = await other.visitor.get(`/api/guides/${guideId}${path}`).expect(404);
      expect(answer.body.code).toBe('not-found');
    }
    await other.visitor.post(`/api/guides/${guideId}/standing`).send({ readings: [] }).expect(404);
  });
});

describe('the standing over the wire', () => {
  const standing = (body: object) => visitor.post(`/api/guides/${guideId}/standing`).send(body);

  it('sums to 1, with ledger, call and next looks', async () => {
    const { body } = await standing({
      situation: { region: 'south-tessary', date: '2026-05-12', views: ['dorsal'] },
      readings: [
        { character: 'front-edge', states: ['three-teeth'] },
        { character: 'width-ratio', parts: { numerator: 32.4, denominator: 28.1 } },
        { character: 'side-teeth', value: 4 },
        { character: 'granules', status: 'not-visible', reason: 'weed' },
      ],
    }).expect(200);
    const total = body.forms.reduce((sum: number, { p }: { p: number }) => sum + p, body.outside);
    expect(total).toBeCloseTo(1, 9);
    expect(body.taxa.find((t: { taxon: string }) => t.taxon === 'murica').p).toBeGreaterThan(0.9);
    expect(body.ledger.map((entry: { weight: number }) => entry.weight)).toEqual([1, 1, 1, 0]);
  });

  it('offers next looks from the views one has, the others apart with the reason', async () => {
    const { body } = await standing({ situation: { views: ['dorsal'] }, readings: [] }).expect(200);
    const setAside = (id: string) => body.nextLooks.find((look: { character: string }) => look.character === id).setAside;
    expect([setAside('belly-spots'), setAside('granules')]).toEqual(['view', undefined]);
  });

  it('changes with the sources chosen', async () => {
    const readings = [{ character: 'belly-spots', states: ['none'] }];
    const p = async (order: string[]) =>
      (await standing({ readings, policy: { kind: 'prefer', order } }).expect(200)).body.taxa.find(
        (t: { taxon: string }) => t.taxon === 'cinerata',
      ).p as number;
    expect(await p(['handbook'])).toBeGreaterThan(await p(['revision']));
  });

  it.each([
    [{ readings: [{ character: 'wings', states: ['two'] }] }, 'unknown-character', 'readings[0].character'],
    [
      {
        readings: [
          { character: 'eggs', states: ['none'] },
          { character: 'front-edge', states: ['square'] },
        ],
      },
      'unknown-state',
      'readings[1].states',
    ],
    [{ readings: [{ character: 'eggs', states: ['none'], mood: 'good' }] }, 'bad-shape', 'readings[0].mood'],
    [{ readings: [{ character: 'eggs', states: ['none'], certainty: 'maybe' }] }, 'bad-shape', 'readings[0].certainty'],
    [{ readings: [{ character: 'carapace-width', value: 20, error: -1 }] }, 'bad-shape', 'readings[0].error'],
    [{ readings: [], situation: { date: '12 May' } }, 'bad-shape', 'situation.date'],
    [{ readings: [], situation: { region: 'atlantis' } }, 'unknown-region', 'situation.region'],
    [{ readings: [], situation: { views: ['x-ray'] } }, 'unknown-view', 'situation.views'],
    [{ readings: [], policy: { kind: 'prefer', order: ['hearsay'] } }, 'unknown-source', 'policy'],
    [{ readings: [], policy: { kind: 'prefer', order: [], exclude: ['handbook', 'revision'] } }, 'no-source', 'policy.exclude'],
    [{ readings: [], level: { kind: 'facet', facet: 'season' } }, 'unknown-level', 'level.facet'],
    [{ readings: [], level: { kind: 'rank', rank: 'family' } }, 'unknown-level', 'level.rank'],
    [{}, 'bad-shape', 'readings'],
  ])('%j is refused as %s', async (body, code, field) => {
    const answer = await standing(body).expect(400);
    expect(answer.body).toMatchObject({ code, field });
    expect(answer.body.message.length).toBeGreaterThan(10);
  });

  it('does not take an id that is none', async () => {
    const answer = await visitor.post('/api/guides/ledge-crabs/standing').send({ readings: [] }).expect(400);
    expect(answer.body).toMatchObject({ code: 'bad-shape', field: 'id' });
  });
});
