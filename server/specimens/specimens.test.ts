import type { Specimen } from '@plesion/contract';
import { ledgeCrabs } from '@plesion/demo';
import { randomUUID } from 'node:crypto';
import Papa from 'papaparse';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
let name: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId, name } = await newStation(server));
});
afterAll(() => server.close());

const put = (id: string, body: object) => visitor.put(`/api/specimens/${id}`).send(body);
const determination = (more: object = {}) => ({
  id: randomUUID(),
  qualifier: 'none',
  taxon: 'murica',
  facets: { sex: 'male' },
  by: 'someone else',
  at: '2026-05-12T10:00:00.000Z',
  p: 0.97,
  recommended: 'Species yes.',
  overruled: false,
  guideVersion: 1,
  ...more,
});
const readings = [
  { id: 'r1', character: 'front-edge', states: ['three-teeth'] },
  { id: 'r2', character: 'carapace-width', value: 31.5, error: 0.3 },
];
const situation = {
  place: 'Skerry Bar',
  date: '2026-05-12',
  region: 'south-tessary',
  habitat: 'low-shore',
  latitude: -41.2,
  longitude: -28.1,
  note: 'under weed',
};

describe('a specimen', () => {
  it('is kept whole, with how far its readings go', async () => {
    const id = randomUUID();
    const sent = write(guideId, { situation, readings });
    const { body } = await put(id, sent).expect(200);
    expect(body).toMatchObject({ ...sent, id, version: 1, guideVersion: 1, summary: { name: 'Not yet named', taxon: 'murica' } });
    expect((await visitor.get(`/api/specimens/${id}`).expect(200)).body).toEqual(body);
  });

  it('is summed up as it was judged: by the sources, names and cross chosen, as the Bench shows it', async () => {
    const own = [
      { character: 'front-edge', states: ['three-teeth'] },
      { character: 'side-teeth', value: 5 },
    ];
    const { guide } = (await visitor.get(`/api/guides/${guideId}`).expect(200)).body as { guide: typeof ledgeCrabs };
    const summaries: number[] = [];
    for (const judgement of [
      undefined,
      ...guide.sources.map(({ id }) => ({
        policy: { kind: 'prefer' as const, order: guide.sources.map((one) => one.id).filter((one) => one !== id), exclude: [id] },
      })),
      { cross: ['murica', 'cinerata'] as [string, string] },
    ]) {
      const { body } = await put(randomUUID(), write(guideId, { readings: own, situation, judgement })).expect(200);
      const standing = await visitor
        .post(`/api/guides/${guideId}/standing`)
        .send({ readings: own, situation, ...judgement })
        .expect(200);
      expect(body.summary.leadingForm).toBe(standing.body.forms[0].form);
      expect(body.summary.text).toBe(standing.body.call.text);
      expect(body.summary.p).toBeCloseTo(
        standing.body.call.kind === 'undetermined' ? standing.body.beam.left.p : standing.body.call.p,
        9,
      );
      summaries.push(body.summary.p);
    }
    expect(new Set(summaries).size).toBeGreaterThan(2);
  });

  it('written twice with the same content is one write', async () => {
    const id = randomUUID();
    const sent = write(guideId, { readings });
    await put(id, sent).expect(200);
    expect((await put(id, sent).expect(200)).body.version).toBe(1);
  });

  it('changed on two devices: the later is shown both sides and nothing is lost', async () => {
    const id = randomUUID();
    await put(id, write(guideId)).expect(200);
    await put(id, write(guideId, { version: 1, label: 'from the phone' })).expect(200);
    const { body } = await put(id, write(guideId, { version: 1, label: 'from the desk' })).expect(409);
    expect(body).toMatchObject({
      code: 'stale-version',
      field: 'version',
      stored: { version: 2, label: 'from the phone' },
      sent: { label: 'from the desk' },
    });
    expect((await visitor.get(`/api/specimens/${id}`)).body.label).toBe('from the phone');
  });

  it('written at once from two places is written once', async () => {
    const id = randomUUID();
    await put(id, write(guideId)).expect(200);
    const statuses = (await Promise.all(['a', 'b', 'c'].map((label) => put(id, write(guideId, { version: 1, label }))))).map(
      (answer) => answer.status,
    );
    expect(statuses.sort()).toEqual([200, 409, 409]);
  });

  it('is signed by whoever is signed in, and keeps every name it was given', async () => {
    const id = randomUUID();
    const first = determination();
    const { body } = await put(id, write(guideId, { determinations: [first] })).expect(200);
    expect(body.determinations).toMatchObject([{ ...first, by: name }]);
    const second = determination({ taxon: 'cinerata', qualifier: 'cf.', overruled: true, reason: 'the claw' });
    const again = await put(id, write(guideId, { version: 1, determinations: [first, second] })).expect(200);
    expect(again.body.summary).toMatchObject({ name: 'Petralda cf. cinerata', p: 0.97 });
    const gone = await put(id, write(guideId, { version: 2, determinations: [second] })).expect(400);
    expect(gone.body).toMatchObject({ code: 'history-changed', field: 'determinations' });
  });

  it('pins a name to what it was given on, so that it replays', async () => {
    const id = randomUUID();
    const name = determination();
    const { body } = await put(id, write(guideId, { readings, situation, determinations: [name] })).expect(200);
    expect(body.determinations[0].pinned).toEqual({ readings, situation, policy: ledgeCrabs.policy });
    const later = await put(id, write(guideId, { version: 1, readings: [], determinations: body.determinations })).expect(200);
    expect(later.body.readings).toEqual([]);
    expect(later.body.determinations[0].pinned.readings).toEqual(readings);
  });

  it.each([
    [{ readings: [{ character: 'wings', states: ['two'] }] }, 'unknown-character', 'readings[0].character'],
    [{ readings: [{ character: 'front-edge', states: ['square'] }] }, 'unknown-state', 'readings[0].states'],
    [{ determinations: [determination({ taxon: 'nobody' })] }, 'unknown-taxon', 'determinations[0].taxon'],
    [{ determinations: [determination({ taxon: undefined })] }, 'taxon-missing', 'determinations[0].taxon'],
    [{ determinations: [determination({ qualifier: 'or' })] }, 'second-name-missing', 'determinations[0].other'],
    [{ determinations: [determination({ overruled: true })] }, 'reason-missing', 'determinations[0].reason'],
    [{ situation: { habitat: 'moon' } }, 'unknown-habitat', 'situation.habitat'],
    [{ situation: { latitude: 91 } }, 'bad-shape', 'situation.latitude'],
    [{ guideId: '0192f3a0-0000-7001-8000-000000000001' }, 'unknown-guide', 'guideId'],
    [{ photo: 'not a hash' }, 'bad-shape', 'photo'],
  ])('with %j is refused, and nothing of it is saved', async (more, code, field) => {
    const id = randomUUID();
    const { body } = await put(id, write(guideId, more)).expect(400);
    expect(body).toMatchObject({ code, field });
    await visitor.get(`/api/specimens/${id}`).expect(404);
  });

  it('of another station can be neither read nor written', async () => {
    const id = randomUUID();
    await put(id, write(guideId)).expect(200);
    const other = await newStation(server);
    await other.visitor.get(`/api/specimens/${id}`).expect(404);
    await other.visitor
      .put(`/api/specimens/${id}`)
      .send(write(other.guideId, { version: 1 }))
      .expect(404);
    const foreign = await other.visitor.put(`/api/specimens/${randomUUID()}`).send(write(guideId)).expect(400);
    expect(foreign.body.code).toBe('unknown-guide');
    expect((await other.visitor.get('/api/specimens')).body.total).toBe(0);
  });
});

describe('the daybook', () => {
  let own: Visitor;
  beforeAll(async () => {
    const station = await newStation(server);
    own = station.visitor;
    const day = (date: string, label: string, more: object = {}) =>
      own
        .put(`/api/specimens/${randomUUID()}`)
        .send(write(station.guideId, { label, situation: { ...situation, date, place: label }, readings, ...more }))
        .expect(200);
    await day('2026-05-10', 'Gannet Steps', { determinations: [determination()] });
    await day('2026-05-12', 'Skerry Bar 100%');
    await day('2026-05-11', 'Ostren', { hidden: true });
  });
  const find = async (query: object) =>
    (await own.get('/api/specimens').query(query).expect(200)).body as { specimens: Specimen[]; total: number; places: string[] };
  const labels = async (query: object) => (await find(query)).specimens.map((row) => row.label);

  it('shows the newest day first, without what was removed', async () => {
    expect(await labels({})).toEqual(['Skerry Bar 100%', 'Gannet Steps']);
    expect((await find({})).places).toEqual(['Gannet Steps', 'Skerry Bar 100%']);
  });

  it.each([
    [{ search: 'gannet' }, ['Gannet Steps']],
    [{ search: 'MURICA thorned' }, ['Skerry Bar 100%', 'Gannet Steps']],
    [{ search: '100%' }, ['Skerry Bar 100%']],
    [{ search: '%' }, ['Skerry Bar 100%']],
    [{ named: 'yes' }, ['Gannet Steps']],
    [{ named: 'no' }, ['Skerry Bar 100%']],
    [{ place: 'Gannet Steps' }, ['Gannet Steps']],
    [{ from: '2026-05-11' }, ['Skerry Bar 100%']],
    [{ to: '2026-05-11' }, ['Gannet Steps']],
    [{ hidden: 'yes' }, ['Ostren']],
    [{ limit: 1 }, ['Skerry Bar 100%']],
  ])('finds %j', async (query, expected) => {
    expect(await labels(query)).toEqual(expected);
  });

  it('is leafed through without a gap or a repeat, whatever has no date or came at one moment', async () => {
    const station = await newStation(server);
    const dates = ['2026-05-10', undefined, '2026-05-11', undefined, '2026-05-10', '1999-01-01', undefined];
    for (const [i, date] of dates.entries())
      await station.visitor
        .put(`/api/specimens/${randomUUID()}`)
        .send(write(station.guideId, { label: `L${i}`, situation: date ? { date } : {} }))
        .expect(200);
    // Written at one moment, to the last digit that the database keeps.
    await server.pool.query(
      `update specimen set created_at = now() where station_id = (select station_id from account where name = $1)`,
      [station.name],
    );
    const page = async (query: object) =>
      (await station.visitor.get('/api/specimens').query(query).expect(200)).body as {
        specimens: Specimen[];
        next?: string;
        total: number;
      };
    for (const filter of [{}, { from: '2026-05-10' }, { to: '2026-05-10' }]) {
      const whole = (await page(filter)).specimens.map(({ label }) => label);
      const seen: string[] = [];
      for (let after: string | undefined, turned = 0; turned < 20; turned++) {
        const { specimens, next, total } = await page({ ...filter, limit: 2, after });
        expect(total).toBe(whole.length);
        seen.push(...specimens.map(({ label }) => label));
        after = next;
        if (!next) break;
      }
      expect(seen).toEqual(whole);
    }
    expect((await page({})).specimens.map(({ situation: at, label }) => [label, at])).toHaveLength(7);
    expect((await page({ from: '2026-05-10' })).specimens.map(({ label }) => label).sort()).toEqual(['L0', 'L2', 'L4']);
    // After one that is not there is nothing, and no fault.
    expect((await page({ after: randomUUID() })).specimens).toEqual([]);
  });

  it('names a filter that it does not know', async () => {
    expect((await own.get('/api/specimens').query({ colour: 'red' }).expect(400)).body).toMatchObject({ field: 'colour' });
    expect((await own.get('/api/specimens').query({ from: 'May' }).expect(400)).body).toMatchObject({ field: 'from' });
  });

  it('goes out piece by piece, each specimen once', async () => {
    const station = await newStation(server);
    await server.pool.query(
      `insert into specimen (id, station_id, version, label, named, hidden, search, situation, readings, determinations, summary, recorded_by, created_at, updated_at)
       select gen_random_uuid(), (select station_id from account where name = $1), 1, 'L' || i, false, false, '', '{}', '[]', '[]', '{}', 'ann', now(), now()
       from generate_series(1, 450) i`,
      [station.name],
    );
    const { text } = await station.visitor.get('/api/export/occurrences.csv').expect(200);
    const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
    expect(errors).toEqual([]);
    expect(new Set(data.map(({ catalogNumber }) => catalogNumber)).size).toBe(450);
    expect(data).toHaveLength(450);
  });

  it('goes out as Darwin Core, with the same filters', async () => {
    const answer = await own
      .get('/api/export/occurrences.csv')
      .query({ named: 'yes' })
      .expect(200)
      .expect('content-type', /text\/csv/);
    const { data } = Papa.parse<Record<string, string>>(answer.text, { header: true });
    expect(data).toMatchObject([
      {
        scientificName: 'Petralda murica',
        eventDate: '2026-05-10',
        sex: 'male',
        locality: 'Gannet Steps',
        decimalLatitude: '-41.2',
      },
    ]);
  });
});
