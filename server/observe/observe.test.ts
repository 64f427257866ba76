import express from 'express';
import request from 'supertest';
import { errorHandler } from '../http/errorHandler';
import { HttpProblem } from '../http/errors';
import { openLog } from './log';
import { openMetrics } from './metrics';
import { logRequests } from './requests';

/** A server of three answers, with what it wrote in its log. */
function watched() {
  const lines: Record<string, unknown>[] = [];
  const log = openLog('info', { write: (line: string) => void lines.push(JSON.parse(line) as Record<string, unknown>) });
  const metrics = openMetrics(() => 3);
  const app = express()
    .use(logRequests(log))
    .use(metrics.measure)
    .get('/things/:id', (_request, response) => void response.json({ ok: true }))
    .get('/broken', () => {
      throw new TypeError('the fault itself');
    })
    .get('/stored', () => {
      const statement = "insert into specimen values ('secret-nest') - duplicate key";
      throw Object.assign(new Error(statement), { code: '23505', detail: 'secret-nest', query: statement });
    })
    .get('/refused', () => {
      throw new HttpProblem(409, { code: 'x', message: 'No.' });
    })
    .use(errorHandler(log));
  return { app, lines, metrics };
}

describe('a request', () => {
  it('has an id, in the answer and in the log', async () => {
    const { app, lines } = watched();
    const { headers } = await request(app).get('/things/7').expect(200);
    expect(headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/);
    expect(lines).toEqual([
      expect.objectContaining({ req: { id: headers['x-request-id'], method: 'GET', path: '/things/7' }, res: { status: 200 } }),
    ]);
  });

  it('keeps the id that a proxy gave it, where that is one', async () => {
    const { app } = watched();
    const id = async (given: string) => (await request(app).get('/things/7').set('x-request-id', given)).headers['x-request-id'];
    expect(await id('front-12345678')).toBe('front-12345678');
    expect(await id('<script>')).not.toBe('<script>');
  });

  it('leaves nothing in the log that a person wrote', async () => {
    const { app, lines } = watched();
    await request(app)
      .get('/things/7?search=secret-nest')
      .set('cookie', 'plesion.session=secret')
      .set('authorization', 'Bearer secret');
    expect(JSON.stringify(lines)).not.toMatch(/secret/);
  });

  it('whose statement fails leaves no more than its code', async () => {
    const { app, lines } = watched();
    await request(app).get('/stored').expect(500);
    const told = JSON.stringify(lines);
    expect(told).toMatch(/a statement failed with 23505/);
    expect(told).toMatch(/observe\.test/);
    expect(told).not.toMatch(/secret/);
  });

  it('that fails tells the person what to quote, and the log why', async () => {
    const { app, lines } = watched();
    const { body } = await request(app).get('/broken').expect(500);
    expect(body).toEqual({
      code: 'server-failed',
      message: 'Something failed in the server. Nothing was saved; try again.',
      requestId: expect.stringMatching(/^[0-9a-f-]{36}$/),
    });
    const told = lines.find((line) => line.requestId === body.requestId)!;
    expect(told.err).toMatchObject({ type: 'TypeError', message: 'the fault itself' });
    expect((await request(app).get('/refused').expect(409)).body).toEqual({ code: 'x', message: 'No.' });
  });
});

describe('what is measured', () => {
  it('is how long answers took by endpoint, not by record, and how much waits', async () => {
    const { app, metrics } = watched();
    for (const id of [1, 2, 3]) await request(app).get(`/things/${id}`);
    await request(app).get('/broken');
    await request(app).get('/nowhere');
    const text = await metrics.text();
    expect(text).toContain('plesion_answer_seconds_count{endpoint="GET /things/:id",status="200"} 3');
    expect(text).toContain('plesion_answer_seconds_count{endpoint="GET /broken",status="500"} 1');
    expect(text).toContain('plesion_answer_seconds_count{endpoint="GET none",status="404"} 1');
    expect(text).toContain('plesion_analysis_waiting 3');
  });

  it('is served on a port of its own', async () => {
    const { metrics } = watched();
    const server = metrics.listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const { headers, text } = await request(server).get('/metrics').expect(200);
    expect(headers['content-type']).toMatch(/^text\/plain/);
    expect(text).toContain('process_cpu_seconds_total');
    await new Promise((resolve) => server.close(resolve));
  });
});
