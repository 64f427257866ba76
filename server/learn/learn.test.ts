import type { Standing } from '@plesion/core/evidence';
import { randomUUID } from 'node:crypto';
import { lengths, toCsv } from '@plesion/core/test';
import type { Job, LearnAnswer } from '@plesion/contract';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
beforeAll(async () => {
  server = await openTestServer({ works: true });
  ({ visitor } = await newStation(server));
});
afterAll(() => server.close());

const table = lengths({ forms: 3, columns: 4, each: 30, apart: 0.06, seed: 'wire' });
const csv = toCsv(table);
const request = { title: 'Twin cones', csv, labels: { taxon: 'kind' } };
const learnNow = (body: object) => visitor.post('/api/guides/learn?wait=true').send(body);

describe('learning over the wire', () => {
  let answer: LearnAnswer;
  beforeAll(async () => {
    answer = (await learnNow(request).expect(201)).body;
  });

  it('answers with the guide’s id, forms, characters, cross-validation and ratios', () => {
    expect(answer.forms).toMatchObject([{ n: 30 }, { n: 30 }, { n: 30 }]);
    expect(answer.forms.map(({ name }) => name).sort()).toEqual(['form A', 'form B', 'form C']);
    expect(answer.characters.map(({ label }) => label)).toEqual(table.columns);
    expect(answer.crossValidation).toMatchObject({ folds: 10, n: 90 });
    expect(answer.crossValidation.accuracy).toBeGreaterThan(0.7);
    expect(answer.ratios).toHaveLength(3);
    expect([answer.problems, answer.leftOut]).toEqual([[], []]);
  });

  it('the guide is in the station like any other', async () => {
    const { body } = await visitor.get(`/api/guides/${answer.guideId}`).expect(200);
    expect(body).toMatchObject({ title: 'Twin cones', version: 1 });
    expect(body.guide.learned.crossValidation).toEqual(answer.crossValidation);
  });

  it('weighs readings by column name', async () => {
    const { form, x } = table.rows[0];
    const readings = table.columns.map((character, c) => ({ character, value: x[c] }));
    const { body } = await visitor.post(`/api/guides/${answer.guideId}/standing`).send({ readings }).expect(200);
    const standing = body as Standing;
    expect(standing.taxa.find(({ name }) => name === form)!.p).toBeGreaterThan(0.4);
    expect(standing.forms.reduce((sum, { p }) => sum + p, standing.outside)).toBeCloseTo(1, 9);
    const partly = await visitor
      .post(`/api/guides/${answer.guideId}/standing`)
      .send({ readings: readings.slice(1) })
      .expect(200);
    expect(partly.body.ledger).toHaveLength(3);
  });

  it('takes the cells of words and codes as the table has them', async () => {
    const rows = Array.from(
      { length: 40 },
      (_, i) => `${i % 2 ? 'Form One' : 'Form Two'},${i % 2},${i % 4 === 1 ? 'dull red' : 'pale'},${10 + (i % 5) + (i % 2)}.5`,
    );
    const told: LearnAnswer = (
      await learnNow({ title: 'Codes', csv: ['kind,code,colour,length', ...rows].join('\n'), labels: { taxon: 'kind' } }).expect(
        201,
      )
    ).body;
    const readings = [
      { character: 'code', value: 1 },
      { character: 'colour', states: ['dull red'] },
      { character: 'length', value: 12.5 },
    ];
    const { body } = await visitor.post(`/api/guides/${told.guideId}/standing`).send({ readings }).expect(200);
    expect((body as Standing).taxa.find(({ name }) => name === 'Form One')!.p).toBeGreaterThan(0.95);
    const unknown = await visitor
      .post(`/api/guides/${told.guideId}/standing`)
      .send({ readings: [{ character: 'colour', states: ['blue'] }] })
      .expect(400);
    expect(unknown.body).toMatchObject({ code: 'unknown-state', field: 'readings[0].states' });
  });

  it('learned twice under one title makes two guides', async () => {
    const again: LearnAnswer = (await learnNow(request).expect(201)).body;
    expect(again.guideId).not.toBe(answer.guideId);
    expect(again.crossValidation).toEqual(answer.crossValidation);
  });

  it('names rows that fail, and takes the rest', async () => {
    const lines = csv.split('\n');
    lines[3] = lines[3].replace(/,[^,]+/, ',about 9');
    const { body } = await learnNow({ ...request, csv: lines.join('\n') }).expect(201);
    expect(body.problems).toMatchObject([{ line: 4, code: 'not-a-number', field: 'length 1' }]);
    expect(body.crossValidation.n).toBe(89);
  });

  it.each([
    [{ ...request, labels: { taxon: 'species' } }, 'unknown-column', 'labels.taxon'],
    [{ ...request, labels: {} }, 'no-labels', 'labels'],
    [{ ...request, ignore: ['nothing'] }, 'unknown-column', 'ignore[0]'],
    [{ ...request, csv: 'kind,length\na,1' }, 'one-form', 'labels'],
    [{ ...request, csv: '' }, 'bad-shape', 'csv'],
    [{ ...request, title: '  ' }, 'bad-shape', 'title'],
    [{ csv, labels: {} }, 'bad-shape', 'title'],
    [{ ...request, labels: { species: 'kind' } }, 'bad-shape', 'labels.species'],
  ])('%# is refused and nothing is saved', async (body, code, field) => {
    const before = (await visitor.get('/api/guides')).body.guides.length;
    const { body: problem } = await learnNow(body).expect(400);
    expect(problem).toMatchObject({ code, field });
    expect((await visitor.get('/api/guides')).body.guides).toHaveLength(before);
  });

  it('needs a session', async () => {
    await server.visitor().post('/api/guides/learn').send(request).expect(401);
  });
});

describe('learning as a job', () => {
  const until = async (jobId: string, done: (job: Job) => boolean): Promise<Job> => {
    for (;;) {
      const job = (await visitor.get(`/api/jobs/${jobId}`).expect(200)).body as Job;
      if (done(job)) return job;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  };

  it('begins at once, tells how far it is and gives its result', async () => {
    const { body } = await visitor.post('/api/guides/learn').send(request).expect(202);
    const job = await until(body.jobId, ({ state }) => state !== 'running');
    expect(job).toMatchObject({ state: 'done', progress: 1, result: { crossValidation: { n: 90 } } });
  });

  it('is cancelled on request, and then nothing is saved', async () => {
    const before = (await visitor.get('/api/guides')).body.guides.length;
    const long = { ...request, title: 'Long', csv: toCsv(lengths({ forms: 12, columns: 24, each: 400 })) };
    const { body } = await visitor.post('/api/guides/learn').send(long).expect(202);
    await until(body.jobId, ({ progress }) => progress > 0);
    const stopped = await visitor.delete(`/api/jobs/${body.jobId}`).expect(200);
    expect(stopped.body.state).toBe('cancelled');
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect((await visitor.get(`/api/jobs/${body.jobId}`)).body).toMatchObject({ state: 'cancelled' });
    expect((await visitor.get('/api/guides')).body.guides).toHaveLength(before);
  });

  it('that fails says why', async () => {
    const { body } = await visitor
      .post('/api/guides/learn')
      .send({ ...request, labels: { taxon: 'x' } })
      .expect(202);
    const job = await until(body.jobId, ({ state }) => state !== 'running');
    expect(job).toMatchObject({ state: 'failed', problem: { code: 'unknown-column', field: 'labels.taxon' } });
  });

  it('of another station, or of nobody, is not there', async () => {
    const other = await newStation(server);
    const { body } = await visitor.post('/api/guides/learn').send(request).expect(202);
    await other.visitor.get(`/api/jobs/${body.jobId}`).expect(404);
    await other.visitor.delete(`/api/jobs/${body.jobId}`).expect(404);
    await visitor.get(`/api/jobs/${randomUUID()}`).expect(404);
    await until(body.jobId, ({ state }) => state === 'done');
  });
});
