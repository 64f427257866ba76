import { randomUUID } from 'node:crypto';
import type { Measurement, Measuring } from '@plesion/contract';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';
import { widthOf } from '../test/widthOf';

let server: TestServer;
let visitor: Visitor;
let specimen: string;
beforeAll(async () => {
  server = await openTestServer();
  const station = await newStation(server);
  visitor = station.visitor;
  specimen = randomUUID();
  await visitor.put(`/api/specimens/${specimen}`).send(write(station.guideId, {})).expect(200);
});
afterAll(() => server.close());

describe('POST /api/measurements', () => {
  const ask = (body: object) => visitor.post('/api/measurements').send(body);
  const width = { id: 'w', kind: 'length', line: { points: ['a', 'b'] } };

  it('gives values with their errors, units and degrees of freedom, and keeps nothing', async () => {
    const { body } = await ask({
      points: { a: [0, 0], b: [300, 400], c: [300, 0] },
      quantities: [
        width,
        { id: 'r', kind: 'ratio', numerator: { points: ['a', 'b'] }, denominator: { points: ['a', 'c'] } },
        { id: 'v', kind: 'angle', points: ['b', 'a', 'c'] },
      ],
      scale: {
        kind: 'lengths',
        references: [
          {
            ends: [
              [0, 0],
              [100, 0],
            ],
            mm: 10,
            error: 0.1,
          },
        ],
      },
      pointingSd: 1,
    }).expect(200);
    const { values, warnings, pointing } = body as Measuring;
    expect(warnings).toEqual([]);
    expect(pointing).toEqual({ sd: 1 });
    const [w, r, v] = values;
    expect(w).toMatchObject({ quantity: 'w', unit: 'mm', n: 1, value: expect.closeTo(50, 1) });
    // √2 px of 500 along the length, √2 of 100 along the bar, one in a hundred of the bar itself.
    expect(w.sd).toBeCloseTo(50 * Math.hypot(Math.SQRT2 / 500, Math.SQRT2 / 100, 0.01), 2);
    expect(w.interval[0]).toBeCloseTo(w.value - 1.95996 * w.sd, 3);
    expect(r).toMatchObject({ unit: '', value: expect.closeTo(5 / 3, 3) });
    expect(v).toMatchObject({ unit: '°', value: expect.closeTo(53.13, 2) });
    expect((await visitor.get('/api/measurements').expect(200)).body).toEqual({ measurements: [] });
  });

  it('names what cannot be, and keeps the rest', async () => {
    const crossed = [
      [0, 0],
      [10, 10],
      [10, 0],
      [0, 10],
    ];
    const { body } = await ask({
      points: { a: [5, 5], b: [60, 5], out: [900, 5], o: crossed, same: [5, 5] },
      photo: { width: 100, height: 100 },
      repeats: [{ a: [6, 5] }],
      quantities: [
        width,
        { id: 'gone', kind: 'length', line: { points: ['a', 'out'] } },
        { id: 'area', kind: 'area', outline: 'o' },
        { id: 'nothing', kind: 'ratio', numerator: { points: ['a', 'b'] }, denominator: { points: ['a', 'same'] } },
      ],
      scale: {
        kind: 'lengths',
        references: [
          {
            ends: [
              [3, 3],
              [3, 3],
            ],
            mm: 10,
          },
        ],
      },
    }).expect(200);
    const { values, warnings } = body as Measuring;
    expect(values.map(({ quantity, unit }) => [quantity, unit])).toEqual([['w', 'px']]);
    expect(warnings.map(({ code, field }) => [code, field])).toEqual(
      expect.arrayContaining([
        ['outside-photo', 'points.out'],
        ['scale-without-length', 'scale.references'],
        ['landmark-missing', 'repeats[0]'],
        ['landmark-missing', 'quantities[1]'],
        ['outline-crosses', 'quantities[2]'],
        ['no-value', 'quantities[3]'],
      ]),
    );
    for (const { message } of warnings) expect(message).toMatch(/[.]$/);
    const shape = await ask({ points: { a: [null, 3] }, quantities: [width] }).expect(400);
    expect(shape.body).toMatchObject({ field: 'points.a[0]', message: 'points.a[0]: should be a number.' });
    const twice = await ask({ points: { a: [1, 3], b: [5, 5] }, quantities: [width, width] }).expect(400);
    expect(twice.body).toMatchObject({ field: 'quantities', message: 'quantities: has two of one id; call each otherwise.' });
  });

  it('a token that may only read may ask it; a stranger may not', async () => {
    await server
      .visitor()
      .post('/api/measurements')
      .send({ points: {}, quantities: [width] })
      .expect(401);
  });
});

describe('a measurement', () => {
  const put = (id: string, body: object) => visitor.put(`/api/measurements/${id}`).send(body);

  it('is a record of its own: kept with its points, by versions, and found by specimen and character', async () => {
    const id = randomUUID();
    const { body } = await put(id, widthOf(specimen)).expect(200);
    expect(body).toMatchObject({ id, version: 1, specimenId: specimen, by: expect.any(String) });
    const { value } = body as Measurement;
    expect(value).toMatchObject({ unit: 'mm', n: 1, value: expect.closeTo(10, 1) });
    // Twice the same is one write; on an old version both sides come back.
    expect((await put(id, widthOf(specimen)).expect(200)).body).toEqual(body);
    const again = widthOf(specimen, {
      version: 1,
      sets: [
        { left: [50, 60], right: [150, 60] },
        { left: [51, 60], right: [150, 61] },
      ],
    });
    expect((await put(id, again).expect(200)).body).toMatchObject({ version: 2, value: { n: 2 } });
    await put(id, widthOf(specimen, { version: 1, note: 'late' })).expect(409);
    const other = randomUUID();
    await put(other, widthOf(specimen, { character: 'width-ratio' })).expect(200);
    const list = async (query: string) =>
      ((await visitor.get(`/api/measurements?${query}`).expect(200)).body as { measurements: Measurement[] }).measurements;
    expect((await list(`specimenId=${specimen}`)).map((one) => one.id)).toEqual([id, other]);
    expect((await list('character=width-ratio')).map((one) => one.id)).toEqual([other]);
    await put(other, widthOf(specimen, { version: 1, character: 'width-ratio', hidden: true })).expect(200);
    expect(await list('character=width-ratio')).toEqual([]);
    const { body: feed } = await visitor.get('/api/changes').expect(200);
    expect(
      (feed as { changes: { kind: string; id: string }[] }).changes
        .filter(({ kind }) => kind === 'measurement')
        .map((one) => one.id),
    ).toEqual([id, id, other, other]);
  });

  it('that comes to nothing, or belongs to nothing, is refused by its field', async () => {
    const refused = async (body: object) => (await put(randomUUID(), body).expect(400)).body as object;
    expect(await refused(widthOf(specimen, { sets: [{ left: [50, 60] }] }))).toMatchObject({ code: 'landmark-missing' });
    expect(await refused(widthOf(randomUUID()))).toMatchObject({ code: 'unknown-specimen', field: 'specimenId' });
    expect(await refused(widthOf(specimen, { photo: 'a'.repeat(64) }))).toMatchObject({ code: 'unknown-photo', field: 'photo' });
    expect(await refused(widthOf(specimen, { sets: [] }))).toMatchObject({ field: expect.stringMatching(/sets/) });
  });

  it('is told with the person’s own pointing error, once they have measured enough again', async () => {
    const own = await newStation(server);
    const one = randomUUID();
    await own.visitor.put(`/api/specimens/${one}`).send(write(own.guideId, {})).expect(200);
    const pointing = async () => (await own.visitor.get('/api/measurements/pointing').expect(200)).body as object;
    expect(await pointing()).toEqual({ sd: 2 });
    // Each landmark set twice, 1 px apart along x: half a square each, 2 degrees of freedom.
    const twice = [
      { left: [50, 60], right: [150, 60] },
      { left: [51, 60], right: [151, 60] },
    ];
    const put = async (sets: object) =>
      (
        await own.visitor
          .put(`/api/measurements/${randomUUID()}`)
          .send({ ...widthOf(one), sets })
          .expect(200)
      ).body as Measurement;
    const first = await put(twice);
    expect(first.pointing).toEqual({ sd: 2 });
    await put(twice);
    const known = { sd: Math.sqrt(0.25), df: 8 };
    expect(await pointing()).toEqual({ sd: expect.closeTo(known.sd, 9), df: 8 });
    const single = await put([twice[0]]);
    expect(single.pointing).toEqual({ sd: expect.closeTo(known.sd, 9), df: 8 });
    expect(single.value.sd).toBeLessThan(first.value.sd);
    expect(single.value.df).toBeGreaterThanOrEqual(8);
    // Somebody else's is their own.
    expect((await (await newStation(server)).visitor.get('/api/measurements/pointing').expect(200)).body).toEqual({ sd: 2 });
  });

  it('goes out as Darwin Core, and its points as JSON, CSV, TPS text and a table', async () => {
    const own = await newStation(server);
    const one = randomUUID();
    await own.visitor.put(`/api/specimens/${one}`).send(write(own.guideId, {})).expect(200);
    const id = randomUUID();
    await own.visitor
      .put(`/api/measurements/${id}`)
      .send(widthOf(one, { size: { width: 300, height: 200 }, note: '=1+1' }))
      .expect(200);
    const facts = (await own.visitor.get('/api/export/measurements.csv').expect(200).expect('content-type', /csv/)).text.split(
      '\r\n',
    );
    expect(facts[1]).toMatch(
      new RegExp(
        `^urn:uuid:${id},urn:uuid:${one},Carapace width,[\\d.]+,[\\d.]+,mm,"on a photo|^urn:uuid:${id},urn:uuid:${one},Carapace width`,
      ),
    );
    expect(facts[1]).toMatch(/'=1\+1/);
    const tps = (await own.visitor.get('/api/export/landmarks?as=tps').expect(200)).text;
    expect(tps).toBe(`LM=2\n50 140\n150 140\nID=${one}/${id}\nSCALE=0.1\n`);
    const json = JSON.parse((await own.visitor.get('/api/export/landmarks').expect(200)).text) as { records: object[] };
    expect(json.records).toMatchObject([
      {
        landmarks: [
          { name: 'left', at: [50, 60] },
          { name: 'right', at: [150, 60] },
        ],
      },
    ]);
    expect((await own.visitor.get('/api/export/landmarks?as=csv').expect(200)).text.split('\r\n')).toHaveLength(3);
    expect((await own.visitor.get('/api/export/landmarks?as=table').expect(200)).text).toMatch(/left–right \(mm\)\r\n.*,10$/);
    // A table to learn a guide from has it under what it was named; and under what it turned out to be.
    const table = async () => (await own.visitor.get('/api/export/landmarks?as=table').expect(200)).text.split('\r\n').at(-1);
    const name = {
      id: randomUUID(),
      qualifier: 'none',
      facets: {},
      by: 'me',
      at: '2026-05-12T10:00:00Z',
      p: 0.9,
      recommended: '',
      overruled: false,
    };
    const named = write(own.guideId, { version: 1, determinations: [{ ...name, taxon: 'murica', guideVersion: 1 }] });
    await own.visitor.put(`/api/specimens/${one}`).send(named).expect(200);
    expect(await table()).toMatch(/\bmurica\b/);
    await own.visitor
      .post('/api/verifications')
      .send({ id: randomUUID(), specimenId: one, kind: 'expert', taxon: 'cinerata', wrong: 0.01, on: '2026-05-13' })
      .expect(201);
    expect(await table()).toMatch(/\bcinerata\b/);
    const none = (await newStation(server)).visitor;
    expect((await none.get('/api/export/landmarks?as=tps').expect(200)).text.trim()).toBe('');
  });

  it('is the station’s own', async () => {
    const id = randomUUID();
    await put(id, widthOf(specimen)).expect(200);
    const stranger = (await newStation(server)).visitor;
    await stranger.get(`/api/measurements/${id}`).expect(404);
    expect((await stranger.put(`/api/measurements/${randomUUID()}`).send(widthOf(specimen)).expect(400)).body).toMatchObject({
      code: 'unknown-specimen',
    });
    expect((await stranger.get(`/api/measurements?specimenId=${specimen}`).expect(200)).body).toEqual({ measurements: [] });
  });
});
