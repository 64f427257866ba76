import { randomUUID } from 'node:crypto';
import type { Change, ChangeList, Lot, Specimen } from '@plesion/contract';
import { ledgeCrabs } from '@plesion/demo';
import { tolmarKey } from '../../demo/strandBeetles/keys';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId } = await newStation(server));
});
afterAll(() => server.close());

const changes = async (since = 0, by = visitor): Promise<Change[]> => {
  const all: Change[] = [];
  for (let cursor = since, more = true; more;) {
    const page = (await by.get('/api/changes').query({ since: cursor, limit: 40 }).expect(200)).body as ChangeList;
    all.push(...page.changes);
    ({ cursor, more } = page);
  }
  return all;
};
const now = async () => (await changes()).at(-1)!.seq;
const specimen = async (more: object = {}) =>
  (await visitor.put(`/api/specimens/${randomUUID()}`).send(write(guideId, more)).expect(200)).body as Specimen;

/** Each kind of record: something new to write, and the same changed. */
const KINDS = [
  ['specimen', 'specimens', () => write(guideId), (made: object) => ({ ...made, label: 'changed' })],
  [
    'lot',
    'lots',
    () => ({ version: 0, guideId, label: 'L', specimens: [], hidden: false }),
    (made: object) => ({ ...made, label: 'changed' }),
  ],
  [
    'individual',
    'individuals',
    () => ({ version: 0, label: 'Old male', hidden: false }),
    (made: object) => ({ ...made, label: 'changed' }),
  ],
  [
    'key',
    'keys',
    () => ({ version: 0, key: tolmarKey, hidden: false }),
    () => ({ version: 0, key: { ...tolmarKey, title: 'changed' }, hidden: false }),
  ],
] as const;

describe.each(KINDS)('%ss', (kind, path, make, change) => {
  const url = (id: string) => `/api/${path}/${id}`;

  it('made twenty times at once are one, and nobody is told of a failure', async () => {
    const id = randomUUID();
    const answers = await Promise.all(Array.from({ length: 20 }, () => visitor.put(url(id)).send(make())));
    expect(answers.map(({ status }) => status)).toEqual(Array.from({ length: 20 }, () => 200));
    expect(new Set(answers.map(({ body }) => body.version))).toEqual(new Set([1]));
    expect((await changes()).filter((line) => line.id === id)).toMatchObject([{ kind, version: 1 }]);
  });

  it('made differently at once: one is stored, the others get both sides', async () => {
    const id = randomUUID();
    const answers = await Promise.all([make(), change(make())].map((sent) => visitor.put(url(id)).send(sent)));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    const [won, lost] = answers[0].status === 200 ? answers : [answers[1], answers[0]];
    expect(lost.body).toMatchObject({ code: 'stale-version', stored: { id, version: 1 }, sent: { version: 0 } });
    expect((await visitor.get(url(id)).expect(200)).body.version).toBe(won.body.version);
  });

  it('leave a line with who wrote what', async () => {
    const id = randomUUID();
    const since = await now();
    await visitor.put(url(id)).send(make()).expect(200);
    await visitor
      .put(url(id))
      .send({ ...change(make()), version: 1 })
      .expect(200);
    const lines = await changes(since);
    expect(lines).toMatchObject([
      { kind, id, version: 1 },
      { kind, id, version: 2, fields: [kind === 'key' ? 'key' : 'label'] },
    ]);
    expect(lines[0].by).toMatch(/^ann /);
    expect(Date.parse(lines[1].at)).toBeGreaterThanOrEqual(Date.parse(lines[0].at));
  });

  it('of another station are not there; the same id here is a record of its own', async () => {
    const id = randomUUID();
    const first = (await visitor.put(url(id)).send(make()).expect(200)).body as object;
    const other = await newStation(server);
    const sent = kind === 'individual' || kind === 'key' ? make() : { ...make(), guideId: other.guideId };
    await other.visitor.get(url(id)).expect(404);
    await other.visitor
      .put(url(id))
      .send({ ...sent, version: 1 })
      .expect(404);
    expect((await changes(0, other.visitor)).filter((line) => line.id === id)).toEqual([]);
    await other.visitor.put(url(id)).send(sent).expect(200);
    expect((await changes(0, other.visitor)).filter((line) => line.id === id)).toHaveLength(1);
    expect((await visitor.get(url(id)).expect(200)).body).toEqual(first);
    expect((await changes()).filter((line) => line.id === id)).toHaveLength(1);
  });
});

describe('the feed of changes', () => {
  it('has every write once and in order, read while twenty write', async () => {
    const since = await now();
    const ids = Array.from({ length: 20 }, () => randomUUID());
    const seen: Change[] = [];
    let writing = true;
    const reader = (async () => {
      let cursor = since;
      while (writing || cursor < (await now())) {
        const { body } = await visitor.get('/api/changes').query({ since: cursor, limit: 3 }).expect(200);
        seen.push(...body.changes);
        cursor = body.cursor;
      }
    })();
    await Promise.all(
      ids.map((id, n) =>
        visitor
          .put(`/api/specimens/${id}`)
          .send(write(guideId, { label: `n${n}` }))
          .expect(200),
      ),
    );
    writing = false;
    await reader;
    expect(seen.map(({ id }) => id).sort()).toEqual([...ids].sort());
    expect(seen.map(({ seq }) => seq)).toEqual(Array.from({ length: 20 }, (_, n) => since + n + 1));
  });

  it('tells nothing of what was refused, and of the same sent twice once', async () => {
    const { id, version, ...made } = await specimen();
    const since = await now();
    const stale = { ...write(guideId, { label: 'mine' }), version: 9 };
    await visitor.put(`/api/specimens/${id}`).send(stale).expect(409);
    await visitor
      .put(`/api/specimens/${id}`)
      .send({ ...write(guideId), readings: [{ character: 'none' }] })
      .expect(400);
    await visitor
      .put(`/api/specimens/${id}`)
      .send(write(guideId, { label: made.label }))
      .expect(200);
    expect(version).toBe(1);
    expect(await changes(since)).toEqual([]);
  });
});

describe('a specimen without a guide', () => {
  const guideless = (more: object = {}) => {
    return { ...write(guideId, more), guideId: undefined };
  };
  const name = (more: object) => ({
    id: randomUUID(),
    qualifier: 'none',
    facets: {},
    by: 'me',
    at: '2026-05-12T10:00:00Z',
    p: 0,
    recommended: '',
    overruled: false,
    ...more,
  });
  const put = (sent: object, id: string = randomUUID()) => visitor.put(`/api/specimens/${id}`).send(sent);

  it('is named by hand, and stands in daybook, search and export like any other', async () => {
    const written = { name: 'Velda tarsalis' };
    const { body } = await put(guideless({ label: 'no guide', determinations: [name({ written })] })).expect(200);
    expect(body).toMatchObject({ summary: { name: 'Velda tarsalis', qualifier: 'none', leadingForm: '' } });
    expect(body.guideId).toBeUndefined();
    const { body: found } = await visitor.get('/api/specimens').query({ search: 'tarsalis' }).expect(200);
    expect(found.specimens).toMatchObject([{ id: body.id, named: true, summary: { name: 'Velda tarsalis' }, traits: {} }]);
    const { text } = await visitor.get('/api/export/occurrences.csv').query({ search: 'tarsalis' }).expect(200);
    expect(text).toContain(',Velda tarsalis,');
    expect(text).toContain('without a guide');
  });

  it('is keyed with a text key alone', async () => {
    const imported = await visitor
      .post('/api/keys/import')
      .send({ title: 'Alone', text: '1 Wings clear . . . Velda alba\n– Wings dark . . . Velda nigra\n' })
      .expect(201);
    const walk = { keyId: imported.body.keyId, keyVersion: 1, answers: [{ couplet: '1', lead: 'a' }] };
    const { body } = await put(guideless({ walk })).expect(200);
    expect(body).toMatchObject({ walk, summary: { name: 'Not yet named' } });
  });

  it.each([
    [{ readings: [{ character: 'eggs', states: ['none'] }] }, 'no-guide', 'readings'],
    [{ judgement: { treatment: 'x' } }, 'no-guide', 'judgement'],
    [{ determinations: [name({ taxon: 'murica' })] }, 'taxon-missing', 'determinations[0].written.name'],
    [{ determinations: [name({ taxon: 'murica', written: { name: 'V. alba' } })] }, 'unknown-taxon', 'determinations[0].taxon'],
    [
      { determinations: [name({ qualifier: 'or', written: { name: 'V. alba', other: 'V. alba' } })] },
      'second-name-missing',
      'determinations[0].other',
    ],
  ])('%j is refused as %s', async (more, code, field) => {
    expect((await put(guideless(more)).expect(400)).body).toMatchObject({ code, field });
  });

  it('has no page of a guide to send', async () => {
    const { body } = await put(guideless()).expect(200);
    expect((await visitor.get(`/api/specimens/${body.id}/page`).expect(400)).body.code).toBe('no-guide');
  });

  it('may be given a guide later, and lies in lots of its like', async () => {
    const { body: one } = await put(guideless()).expect(200);
    const lot = { version: 0, label: 'Unknown things', specimens: [one.id], hidden: false };
    const made = (await visitor.put(`/api/lots/${randomUUID()}`).send(lot).expect(200)).body as Lot;
    expect(made).toMatchObject({ specimens: [one.id] });
    await visitor
      .put(`/api/lots/${randomUUID()}`)
      .send({ ...lot, guideId })
      .expect(400);
    const { body: read } = await put(
      { ...write(guideId), version: 1, readings: [{ character: 'eggs', states: ['none'] }] },
      one.id,
    ).expect(200);
    expect(read).toMatchObject({ guideId, guideVersion: 1, version: 2 });
  });
});

describe('a lot', () => {
  it('keeps its specimens in their order, and only those of its station', async () => {
    const [a, b, c] = [await specimen(), await specimen(), await specimen()].map(({ id }) => id);
    const id = randomUUID();
    const lot = { version: 0, guideId, label: 'L', specimens: [c, a, b], hidden: false };
    await visitor.put(`/api/lots/${id}`).send(lot).expect(200);
    await visitor
      .put(`/api/lots/${id}`)
      .send({ ...lot, version: 1, specimens: [b, c] })
      .expect(200);
    expect((await visitor.get(`/api/lots/${id}`).expect(200)).body.specimens).toEqual([b, c]);
    const { body } = await visitor.get('/api/lots').expect(200);
    expect(body.lots.find((one: Lot) => one.id === id).specimens).toEqual([b, c]);
  });
});

describe('an individual', () => {
  it('is met several times', async () => {
    const id = randomUUID();
    await visitor.put(`/api/individuals/${id}`).send({ version: 0, label: 'Blue 12', guideId, hidden: false }).expect(200);
    const met = [await specimen({ individualId: id }), await specimen({ individualId: id })];
    expect(met.map(({ individualId }) => individualId)).toEqual([id, id]);
    const stray = write(guideId, { individualId: randomUUID() });
    const refused = await visitor.put(`/api/specimens/${randomUUID()}`).send(stray).expect(400);
    expect(refused.body).toMatchObject({ code: 'unknown-individual', field: 'individualId' });
  });
});

describe('the media of a specimen', () => {
  it('are several, in their order, each with its kind and view', async () => {
    const photo = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    const { body: kept } = await visitor.post('/api/photos').attach('photo', photo, 'dot.png').expect(201);
    const media = [
      { id: randomUUID(), kind: 'photo', hash: kept.hash, view: 'dorsal' },
      { id: randomUUID(), kind: 'drawing', hash: kept.hash, note: 'of the claw' },
    ];
    const made = await specimen({ photo: kept.hash, media });
    expect(made.media).toEqual(media);
    const original = await visitor.get(`/api/photos/${kept.hash}`).query({ size: 'original' }).buffer(true).expect(200);
    expect(Buffer.compare(original.body as Buffer, photo)).toBe(0);
    const missing = write(guideId, { media: [media[0], { ...media[1], hash: 'a'.repeat(64) }] });
    const refused = await visitor.put(`/api/specimens/${randomUUID()}`).send(missing).expect(400);
    expect(refused.body).toMatchObject({ code: 'unknown-photo', field: 'media[1].hash' });
  });
});

describe('guides made at once', () => {
  it('with one id are one guide', async () => {
    const guide = { ...ledgeCrabs, id: 'at-once' };
    const answers = await Promise.all(Array.from({ length: 8 }, () => visitor.post('/api/guides').send(guide)));
    expect(answers.map(({ status }) => status)).toEqual(Array.from({ length: 8 }, () => 201));
    expect(new Set(answers.map(({ body }) => body.id)).size).toBe(1);
  });
});
