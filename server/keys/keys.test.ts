import { randomUUID } from 'node:crypto';
import { selwithKey, strandBeetles, tolmarKey } from '@plesion/demo';
import type { Key } from '@plesion/core/keys';
import type { Agent } from 'supertest';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let beetles: string;
let keyId: string;
beforeAll(async () => {
  server = await openTestServer({ works: true });
  ({ visitor } = await newStation(server));
  const { guides } = (await visitor.get('/api/guides')).body as { guides: { id: string; slug: string }[] };
  beetles = guides.find(({ slug }) => slug === 'strand-beetles')!.id;
  keyId = await idOf(visitor, selwithKey.title);
});
afterAll(() => server.close());

const idOf = async (who: Agent, title: string): Promise<string> =>
  ((await who.get('/api/keys')).body as { keys: { id: string; title: string }[] }).keys.find((key) => key.title === title)!.id;
const post = (path: string, body: object, status: number) => visitor.post(path).send(body).expect(status);

const TEXT =
  '1a Wings clear; 6 mm long or longer ... 2\n1b Wings dark; less than 6 mm long ... Aus bus\n2a Legs red ... Aus cus\n2b Legs black ... see key to Bus';

describe('the keys of a station', () => {
  it('are those of its guides, both of the beetles', async () => {
    const { keys } = (await visitor.get('/api/keys').query({ guideId: beetles }).expect(200)).body;
    expect(
      keys.map(({ title, couplets, endpoints, faults }: Record<string, unknown>) => [title, couplets, endpoints, faults]),
    ).toEqual([selwithKey, tolmarKey].map(({ title, couplets }, i) => [title, couplets.length, i === 0 ? 22 : 21, 0]));
  });

  it('come whole, with what is wrong with them', async () => {
    const { body } = await visitor.get(`/api/keys/${await idOf(visitor, tolmarKey.title)}`).expect(200);
    expect(body).toMatchObject({ version: 1, guideId: beetles, key: tolmarKey, depth: 9 });
    expect(body.problems).toContainEqual(expect.objectContaining({ code: 'taxa-missing', weight: 'caution' }));
  });

  it('are not another station’s', async () => {
    const other = (await newStation(server)).visitor;
    for (const path of ['', '.txt', '.sdd.xml', '/plesion.json', '/sheet'])
      await other.get(`/api/keys/${keyId}${path}`).expect(404);
    await other.post(`/api/keys/${keyId}/walk`).send({ answers: [] }).expect(404);
  });
});

describe('reading in', () => {
  it('takes text, and says how much it was', async () => {
    const { body } = await post('/api/keys/import', { text: TEXT, title: 'Aus' }, 201);
    expect(body).toMatchObject({ couplets: 2, endpoints: 3, problems: [] });
    const stored = (await visitor.get(`/api/keys/${body.keyId}`).expect(200)).body;
    expect(stored.key.couplets[0].leads[0]).toMatchObject({
      statements: [{ text: 'Wings clear' }, { text: '6 mm long or longer' }],
      to: { couplet: 'c2' },
    });
  });

  it('ties what it reads to the guide', async () => {
    const text =
      '1a Jaws: long, like sickles; body length 7 mm or more ... V. cursora\n1b Jaws: short ... Lithonyx aridus Hallin, 1869';
    const { body } = await post('/api/keys/import', { text, title: 'Two', guideId: beetles }, 201);
    const { key } = (await visitor.get(`/api/keys/${body.keyId}`)).body as { key: Key };
    expect(
      key.couplets[0].leads.map(({ statements, to }) => [statements.map(({ link }) => link), to.kind === 'taxon' && to.taxon]),
    ).toEqual([
      [
        [
          { character: 'mandible', states: ['sickle'] },
          { character: 'body-length', low: 7 },
        ],
        'cursora',
      ],
      [[{ character: 'mandible', states: ['short'] }], 'aridus'],
    ]);
  });

  it('imports a faulty key whole with its problems by line, and shows them on the key', async () => {
    const { body } = await post(
      '/api/keys/import',
      { text: `${TEXT}\n3a Feet long ... 9\n3b Feet short ... 3`, title: 'Faulty' },
      201,
    );
    expect(body.problems).toEqual([expect.objectContaining({ line: 5, code: 'dangling' })]);
    const { problems } = (await visitor.get(`/api/keys/${body.keyId}`)).body as { problems: { code: string }[] };
    expect(problems.map(({ code }) => code)).toEqual(expect.arrayContaining(['unreachable', 'dangling']));
  });

  it.each([
    [{ text: 'nothing here' }, 'no-couplets', 'text'],
    [{ text: `${TEXT}\n1a Again ... Aus dus\n1b Once more ... Aus eus` }, 'number-twice', 'text'],
    [{ sdd: '<Datasets>' }, 'xml-broken', 'sdd'],
    [{ json: { format: 'plesion-key' } }, 'key-shape', 'formatVersion'],
    [{}, 'bad-shape', 'text'],
    [{ text: TEXT, guideId: randomUUID() }, 'unknown-guide', 'guideId'],
  ])('refuses %j whole', async (body, code, field) => {
    const count = async () => ((await visitor.get('/api/keys')).body as { keys: unknown[] }).keys.length;
    const before = await count();
    expect((await post('/api/keys/import', body, 400)).body).toMatchObject({ code, field });
    expect(await count()).toBe(before);
  });

  it('of ten million characters is refused by its length', async () => {
    const { body } = await post('/api/keys/import', { text: `1a ${'word '.repeat(2_000_000)}`, title: 'Long' }, 400);
    expect(body).toMatchObject({ code: 'too-long' });
  });
});

describe('writing out', () => {
  it('gives text that reads back as the same couplets, in either style', async () => {
    for (const style of ['bracketed', 'indented']) {
      const { text } = await visitor
        .get(`/api/keys/${keyId}.txt`)
        .query({ style })
        .expect(200)
        .expect('content-type', /text\/plain/);
      const { body } = await post('/api/keys/import', { text, title: style }, 201);
      const back = (await visitor.get(`/api/keys/${body.keyId}`)).body as { key: Key };
      const plain = (key: Key) =>
        key.couplets
          .map(
            ({ number, leads }) =>
              `${number} ${JSON.stringify(leads.map(({ statements, to }) => [statements.map(({ text: t, join }) => [join, t]), to.kind === 'taxon' ? to.name : to]))}`,
          )
          .sort();
      expect(plain(back.key)).toEqual(plain(selwithKey));
    }
    const { text } = await visitor
      .get(`/api/keys/${keyId}.txt`)
      .query({ style: 'markdown' })
      .expect('content-type', /markdown/);
    expect(text).toContain('*Lithonyx aridus Hallin, 1869*');
  });

  it('gives SDD and JSON that read back as the same key, ties and all', async () => {
    const sdd = (await visitor.get(`/api/keys/${keyId}.sdd.xml`).expect(200)).text;
    const json = JSON.parse((await visitor.get(`/api/keys/${keyId}/plesion.json`).expect(200)).text) as object;
    for (const given of [{ sdd }, { json }]) {
      const { body } = await post('/api/keys/import', { ...given, guideId: beetles }, 201);
      expect((await visitor.get(`/api/keys/${body.keyId}`)).body.key).toEqual(selwithKey);
    }
  });

  it('prints a sheet', async () => {
    const { body } = await visitor.get(`/api/keys/${keyId}/sheet`).expect(200).expect('content-type', 'application/pdf');
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    expect((body as Buffer).toString('latin1').match(/\/MediaBox \[0 0 420 595\]/g)!.length).toBeGreaterThan(2);
  });
});

describe('editing', () => {
  it('makes a version; a stale one gets both sides back; the same again is one write', async () => {
    const id = randomUUID();
    const key = { ...selwithKey, title: 'Mine' };
    const put = (version: number, body: object) => visitor.put(`/api/keys/${id}`).send({ version, guideId: beetles, ...body });
    expect((await put(0, { key }).expect(200)).body).toMatchObject({ version: 1, title: 'Mine' });
    expect((await put(0, { key }).expect(200)).body.version).toBe(1);
    expect((await put(1, { key: { ...key, title: 'Mine too' } }).expect(200)).body.version).toBe(2);
    expect((await put(1, { key: { ...key, title: 'Other' } }).expect(409)).body).toMatchObject({
      code: 'stale-version',
      stored: { version: 2 },
      sent: { version: 1 },
    });
    expect((await visitor.get(`/api/keys/${id}`).query({ version: 1 }).expect(200)).body.key.title).toBe('Mine');
    await put(2, { key, hidden: true }).expect(200);
    expect(((await visitor.get('/api/keys')).body as { keys: { id: string }[] }).keys.some((row) => row.id === id)).toBe(false);
    await visitor.put(`/api/keys/${randomUUID()}`).send({ version: 4, key }).expect(404);
  });
});

describe('walking', () => {
  const walk = async (body: object, status = 200) => (await post(`/api/keys/${keyId}/walk`, body, status)).body;
  const way = (leads: string) => leads.split(' ').map((step) => ({ couplet: `c${step.slice(0, -1)}`, lead: step.slice(-1) }));

  it('comes to a name, checks it, and says where one may have gone wrong', async () => {
    const readings = [
      { character: 'body-length', value: 6.0, error: 0.1 },
      { character: 'pronotum-ratio', value: 1.28, error: 0.02 },
      { character: 'claws', states: ['simple'] },
      { character: 'hind-angle', states: ['drawn-out'] },
    ];
    const result = await walk({ answers: way('1b 3b 9b 12b 16b 17b 18b 19b 20a'), readings });
    expect(result).toMatchObject({ at: null, reached: { taxon: 'duplex' } });
    expect(result.endpoints.reduce((sum: number, { p }: { p: number }) => sum + p, 0)).toBeCloseTo(1, 5);
    expect(result.missteps[0]).toMatchObject({ couplet: 'c20', taxon: 'dubiosus' });
    expect(result.missteps[0].bits).toBeGreaterThan(3);
    expect(result.backCheck).toMatchObject({ taxon: 'duplex', fits: false });
    expect(result.call).toMatchObject({ allowed: false, school: 'weigh' });
    // The measured values themselves make the last decision doubtful.
    const last = result.trail.at(-1);
    expect(last.leads[0].findings).toContainEqual(
      expect.objectContaining({ answer: 'does-not', said: '6.0 ± 0.1 mm: below 6.3, this statement fails' }),
    );
  });

  it('takes couplets by their printed number too', async () => {
    const answers = [
      { couplet: 1, lead: 'b' },
      { couplet: '3', lead: 2 },
    ];
    expect(await walk({ answers })).toMatchObject({ at: 'c9', trail: [{ couplet: 'c1' }, { couplet: 'c3' }] });
    expect(await walk({ answers: [], start: 12 })).toMatchObject({ at: 'c12' });
  });

  it('decides the name where the school of the guide is the key', async () => {
    const json = JSON.parse((await visitor.get(`/api/guides/${beetles}/plesion.json`).expect(200)).text) as typeof strandBeetles;
    const call = { ...json.settings.call, school: 'key' };
    const guide = { ...json, id: 'beetles-by-key', settings: { ...json.settings, call } };
    const { body: stored } = await visitor.post('/api/guides').send(guide).expect(201);
    const key = (
      await visitor.put(`/api/keys/${randomUUID()}`).send({ version: 0, guideId: stored.id, key: selwithKey }).expect(200)
    ).body;
    const named = async (leads: string, readings: object[] = []) => {
      const kept = { keyId: key.id, keyVersion: 1, answers: way(leads) };
      return (
        await visitor
          .put(`/api/specimens/${randomUUID()}`)
          .send(write(stored.id, { walk: kept, readings }))
          .expect(200)
      ).body.summary.name as string;
    };
    const bare = [{ character: 'elytra-hair', states: ['bare'] }];
    expect(await named('1a 2b', bare)).toBe('Fucalis nudalis');
    expect(await named('1a', bare)).toBe('Not yet named');
    // Nothing read, nothing ticked: the key alone is not enough.
    expect(await named('1a 2b')).toBe('Not yet named');
  });

  it('is judged as the specimen is: by the sources, names and cross asked for, which must be known', async () => {
    const asked = { answers: way('1b'), readings: [{ character: 'ground-colour', states: ['black'] }] };
    const sources = strandBeetles.sources.map(({ id }) => id);
    const one = await walk(asked);
    const others = await Promise.all(
      sources.map((id) =>
        walk({ ...asked, policy: { kind: 'prefer', order: [id], exclude: sources.filter((other) => other !== id) } }),
      ),
    );
    const told = (result: typeof one) =>
      JSON.stringify(result.endpoints.map(({ byReadings }: { byReadings?: number }) => byReadings));
    expect(new Set([one, ...others].map(told)).size).toBeGreaterThan(1);
  });

  it('takes the specimens of a lot', async () => {
    const result = await walk({
      answers: [
        {
          couplet: 'c1',
          lead: 'b',
          statements: [
            { n: 3, answer: 'fits', specimen: 'two' },
            { n: 4, answer: 'fits', specimen: 'one' },
          ],
        },
      ],
      specimens: [
        { id: 'one', readings: [] },
        { id: 'two', readings: [] },
      ],
    });
    expect(
      result.readings.map(({ specimen, readings }: { specimen: string; readings: { character: string }[] }) => [
        specimen,
        readings.map(({ character }) => character),
      ]),
    ).toEqual([
      ['one', ['antenna']],
      ['two', []],
    ]);
  });

  it.each([
    [{ answers: [{ couplet: 'c99', lead: 'a' }] }, 'unknown-couplet', 'answers[0].couplet'],
    [{ answers: [{ couplet: 'c1', lead: 'z' }] }, 'unknown-lead', 'answers[0].lead'],
    [{ answers: [{ couplet: 'c1', lead: 'a', fork: true }] }, 'lead-and-fork', 'answers[0].fork'],
    [{ answers: [{ couplet: 'c1', fork: [1] }] }, 'fork-weights', 'answers[0].fork'],
    [{ answers: [{ couplet: 'c1', statements: [{ n: 9, answer: 'fits' }] }] }, 'unknown-statement', 'answers[0].statements[0].n'],
    [{ answers: [], start: 'c99' }, 'unknown-couplet', 'start'],
    [{ answers: [], readings: [{ character: 'wings', states: ['x'] }] }, 'unknown-character', 'readings[0].character'],
    [{ answers: [{ couplet: 'c1', statements: [{ n: 1, answer: 'perhaps' }] }] }, 'bad-shape', 'answers[0].statements[0].answer'],
  ])('refuses %j', async (body, code, field) => {
    expect(await walk(body, 400)).toMatchObject({ code, field });
  });

  it('is kept with a specimen, and pinned to the names it was given', async () => {
    const id = randomUUID();
    const kept = { keyId, keyVersion: 1, answers: [{ couplet: 'c1', lead: 'b', certainty: 'likely' }] };
    const { body } = await visitor
      .put(`/api/specimens/${id}`)
      .send(write(beetles, { walk: kept }))
      .expect(200);
    expect(body.walk).toEqual(kept);
    const wrong = await visitor
      .put(`/api/specimens/${randomUUID()}`)
      .send(write(beetles, { walk: { ...kept, keyVersion: 7 } }))
      .expect(400);
    expect(wrong.body).toMatchObject({ code: 'unknown-key', field: 'walk.keyId' });
  });
});

describe('making', () => {
  it('gives a key with how near it is to the best there can be', async () => {
    const { body } = await post(
      `/api/guides/${beetles}/keys/make?wait=true`,
      { purpose: 'bench', forms: ['lithonyx'], confirm: 1 },
      201,
    );
    expect(body).toMatchObject({ guideId: beetles, faults: 0, together: [] });
    expect(body.meanPath).toBeGreaterThanOrEqual(body.entropyBound - 1e-9);
    expect(body.endpoints).toBe(10);
    expect((await visitor.get(`/api/keys/${body.keyId}`)).body.paths).toMatchObject({ meanPath: body.meanPath });
  });

  it('is a job that can be followed and cancelled', async () => {
    const { body } = await post(`/api/guides/${beetles}/keys/make`, { purpose: 'field' }, 202);
    const job = async () =>
      (await visitor.get(`/api/jobs/${body.jobId}`).expect(200)).body as { state: string; result?: { keyId: string } };
    for (let i = 0; i < 200 && (await job()).state === 'running'; i++) await new Promise((resolve) => setTimeout(resolve, 50));
    expect(await job()).toMatchObject({ state: 'done', result: { keyId: expect.any(String) } });
    const other = (await post(`/api/guides/${beetles}/keys/make`, { purpose: 'field', title: 'Never made' }, 202)).body;
    expect((await visitor.delete(`/api/jobs/${other.jobId}`).expect(200)).body.state).toBe('cancelled');
    const { keys } = (await visitor.get('/api/keys')).body as { keys: { title: string }[] };
    expect(keys.some(({ title }) => title === 'Never made')).toBe(false);
  });

  it.each([
    [{ purpose: 'kitchen' }, 'bad-shape', 'purpose'],
    [{ purpose: 'bench', forms: ['nobody'] }, 'unknown-form', 'forms'],
  ])('refuses %j', async (body, code, field) => {
    expect((await post(`/api/guides/${beetles}/keys/make?wait=true`, body, 400)).body).toMatchObject({ code, field });
  });

  it('names taxa of the guide only', () => {
    expect(strandBeetles.taxa.filter(({ rank }) => rank === 'species')).toHaveLength(22);
  });
});
