import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let cones: string;
let crabs: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId: crabs } = await newStation(server));
  const { body } = await visitor.get('/api/guides').expect(200);
  cones = body.guides.find(({ slug }: { slug: string }) => slug === 'tent-cones').id;
});
afterAll(() => server.close());

const pair = ['vexillax/adult', 'lenior/adult'];
const compare = (body: object, guide = cones) => visitor.post(`/api/guides/${guide}/compare`).send(body);

describe('comparing over the wire', () => {
  it('gives every character with its overlap, and the words', async () => {
    const { body } = await compare({ forms: pair }).expect(200);
    expect(body.forms.map(({ taxon }: { taxon: string }) => taxon)).toEqual(['vexillax', 'lenior']);
    expect(body.characters[0]).toMatchObject({ character: 'spire-outline', separation: 'helps' });
    expect(body.paragraph).toContain('Do not go by');
  });

  it('heeds the situation and whom one believes', async () => {
    const spire = async (more: object) => {
      const { body } = await compare({ forms: pair, ...more }).expect(200);
      return body.characters.find(({ character }: { character: string }) => character === 'spire-outline').overlap as number;
    };
    expect(await spire({ policy: { kind: 'prefer', order: ['reef-survey'] } })).toBeGreaterThan(await spire({}));
    const { body } = await compare({ forms: pair, situation: { views: ['back'] } }).expect(200);
    expect(body.characters.at(-1).setAside).toBeDefined();
  });

  it.each([
    [{ forms: pair.slice(0, 1) }, 'bad-shape', 'forms'],
    [{ forms: [...pair, ...pair, 'x'] }, 'bad-shape', 'forms'],
    [{ forms: ['vexillax/adult', 'walrus'] }, 'unknown-form', 'forms[1]'],
    [{ forms: ['vexillax/adult', 'vexillax/adult'] }, 'form-twice', 'forms[1]'],
    [{ forms: pair, situation: { region: 'moon' } }, 'unknown-region', 'situation.region'],
    [{ forms: pair, treatment: 'nobody' }, 'unknown-treatment', 'treatment'],
    [{ forms: pair, mood: 'good' }, 'bad-shape', 'mood'],
    [{}, 'bad-shape', 'forms'],
  ])('%j is refused as %s', async (body, code, field) => {
    expect((await compare(body).expect(400)).body).toMatchObject({ code, field });
  });

  it('does not show another station’s guide', async () => {
    const other = await newStation(server);
    await other.visitor.post(`/api/guides/${cones}/compare`).send({ forms: pair }).expect(404);
    await other.visitor.get(`/api/guides/${cones}/compare/page`).query({ forms: pair.join() }).expect(404);
  });
});

describe('judgement in the standing', () => {
  const standing = (body: object, guide = cones) => visitor.post(`/api/guides/${guide}/standing`).send(body);
  const tents = [{ character: 'pattern', states: ['tents'] }];

  it('answers with robustness, fit, what is set aside, hazards, traps and disagreements', async () => {
    const { body } = await standing({ readings: [...tents, { character: 'base-stain', states: ['rose'] }] }).expect(200);
    expect(body.robustness).toMatchObject({ group: expect.any(String), without: [{ reading: 0 }, { reading: 1 }] });
    expect(body.fit.tail).toBeGreaterThan(0.05);
    expect(body.hazards[0]).toMatchObject({ taxon: 'vexillax', grade: 'grave' });
    expect(body.withheld.close).toBe(true);
    expect(body.setAside.length).toBeGreaterThan(3);
    expect(body.traps.map(({ character }: { character: string }) => character)).toContain('base-stain');
    expect(body.disagreements[0].said).toHaveLength(2);
  });

  it('follows a treatment, a cross and circumstances', async () => {
    const sunk = await standing({ readings: [], treatment: 'revision' }, crabs).expect(200);
    expect(sunk.body.taxa.some(({ rank }: { rank: string }) => rank === 'subspecies')).toBe(false);
    const crossed = await standing({ readings: tents, cross: ['vexillax', 'lenior'] }).expect(200);
    expect(crossed.body.taxa.map(({ taxon }: { taxon: string }) => taxon)).toContain('vexillax-x-lenior');
    const crawling = await standing({
      readings: [{ character: 'siphon', states: ['red-tipped'] }],
      situation: { circumstances: ['crawling'] },
    }).expect(200);
    expect(crawling.body.beam.left.group).toBe('vexillax');
  });

  it('takes a comparison as a reading', async () => {
    const larger = { character: 'shell-length', comparison: { relation: 'larger', than: { taxon: 'gemellus' } } };
    const { body } = await standing({ readings: [larger] }).expect(200);
    expect(body.ledger[0].weight).toBe(1);
  });

  it.each([
    [{ treatment: 'nobody' }, 'unknown-treatment', 'treatment'],
    [{ reader: { name: 'mira', rho: { feathers: 0.7 } } }, 'unknown-character', 'reader.rho'],
    [{ reader: { name: 'mira', rho: { spire: 1.2 } } }, 'bad-shape', 'reader.rho.spire'],
    [{ cross: ['vexillax', 'walrus'] }, 'unknown-taxon', 'cross[1]'],
    [{ cross: ['vexillax', 'vexillax'] }, 'cross-with-itself', 'cross'],
    [{ cross: ['vexillax'] }, 'bad-shape', 'cross'],
    [{ policy: { kind: 'prefer', order: ['shell-book'], exclude: ['shell-book'] } }, 'source-both-ways', 'policy.exclude'],
    [{ policy: { kind: 'pool', weights: { hearsay: 1 } } }, 'unknown-source', 'policy'],
    [{ policy: { kind: 'pool', weights: { 'shell-book': -1 } } }, 'bad-shape', 'policy.weights.shell-book'],
    [{ policy: { kind: 'guess' } }, 'bad-shape', 'policy.kind'],
    [{ situation: { circumstances: ['storm'] } }, 'unknown-circumstance', 'situation.circumstances'],
    [{ situation: { company: ['sharks'] } }, 'unknown-company', 'situation.company'],
    [{ situation: { subject: 'asleep' } }, 'bad-shape', 'situation.subject'],
    [
      { readings: [{ character: 'pattern', comparison: { relation: 'larger', than: { taxon: 'lenior' } } }] },
      'comparison-unsuited',
      'readings[0].comparison',
    ],
    [
      { readings: [{ character: 'shell-length', comparison: { relation: 'heavier', than: { taxon: 'lenior' } } }] },
      'bad-shape',
      'readings[0].comparison.relation',
    ],
  ])('%j is refused as %s', async (given, code, field) => {
    const { body } = await standing({ readings: tents, ...given }).expect(400);
    expect(body).toMatchObject({ code, field });
    expect(body.message.length).toBeGreaterThan(10);
  });
});

describe('a specimen keeps how it is weighed', () => {
  const id = '0192f3a0-0000-7009-8000-000000000001';
  const content = (judgement?: object, version = 0) => ({
    version,
    guideId: crabs,
    label: 'J1',
    situation: { place: 'ledge' },
    readings: [{ id: '1', character: 'claw-inside', states: ['violet'] }],
    determinations: [],
    hidden: false,
    ...(judgement ? { judgement } : {}),
  });
  const judgement = { treatment: 'revision', policy: { kind: 'prefer', order: ['revision', 'handbook'] } };

  it('through writing, reading and naming', async () => {
    const written = await visitor.put(`/api/specimens/${id}`).send(content(judgement)).expect(200);
    expect(written.body.judgement).toEqual(judgement);
    expect((await visitor.get(`/api/specimens/${id}`)).body.judgement).toEqual(judgement);
    const name = {
      id: '0192f3a0-0000-7009-8000-000000000002',
      qualifier: 'none',
      taxon: 'velloma',
      facets: {},
      union: 'female-or-young',
      by: 'x',
      at: '2026-05-12T10:00:00Z',
      p: 0.9,
      recommended: 'Species yes.',
      overruled: false,
      guideVersion: 1,
    };
    const named = await visitor
      .put(`/api/specimens/${id}`)
      .send({ ...content(judgement, 1), determinations: [name] })
      .expect(200);
    expect(named.body.determinations[0]).toMatchObject({
      union: 'female-or-young',
      pinned: { policy: judgement.policy, judgement },
    });
  });

  it('and says which part of it cannot be', async () => {
    const { body } = await visitor
      .put(`/api/specimens/${id.replace(/1$/, '9')}`)
      .send(content({ treatment: 'nobody' }))
      .expect(400);
    expect(body).toMatchObject({ code: 'unknown-treatment', field: 'judgement.treatment' });
  });
});
