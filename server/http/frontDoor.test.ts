import { randomUUID } from 'node:crypto';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId } = await newStation(server));
});
afterAll(() => server.close());

const specimen = (body: object) => visitor.put(`/api/specimens/${randomUUID()}`).send(body);
const BIG = { name: 'x'.repeat(70_000), password: 'y' };

describe('the front door', () => {
  it('sends away who has no session before a large body is read', async () => {
    const stranger = server.visitor();
    const { body } = await stranger.put(`/api/specimens/${randomUUID()}`).send(BIG).expect(401);
    expect(body).toEqual({ code: 'signed-out', message: 'Sign in first.' });
  });

  it('reads 64 kB where nothing larger is expected, and says so', async () => {
    const { body } = await server.visitor().post('/api/session').send(BIG).expect(413);
    expect(body).toEqual({ code: 'too-large', message: 'That is more than 64 kB; send less at once.', field: 'body' });
  });

  it.each([
    ['a NUL', { label: 'a\0b' }, 'label'],
    ['half a character', { situation: { place: '\ud800' } }, 'situation.place'],
    ['a NUL in a name', { situation: { 'pl\0ace': 'x' } }, 'situation'],
    ['a year nobody collected in', { situation: { date: '0000-01-01' } }, 'situation.date'],
  ])('refuses %s by its field', async (_, more, field) => {
    const { body } = await specimen(write(guideId, more)).expect(400);
    expect(body.field).toBe(field);
    expect(body.message).toMatch(/^[^{]+\.$/);
  });

  it('refuses the same in what is asked for', async () => {
    expect((await visitor.get('/api/specimens').query({ search: 'a\0' }).expect(400)).body).toMatchObject({ field: 'search' });
    expect((await visitor.get('/api/specimens').query({ from: '0000-01-01' }).expect(400)).body).toMatchObject({ field: 'from' });
  });

  it('refuses what goes down without end, and one reading over and over', async () => {
    const deep = JSON.parse(`${'['.repeat(500)}${']'.repeat(500)}`) as unknown;
    const { body } = await visitor.post('/api/keys/import').send({ json: deep }).expect(400);
    expect(body).toMatchObject({ code: 'too-deep', field: 'body' });
    const readings = Array.from({ length: 500 }, () => ({ character: 'front-edge', states: ['three-teeth'] }));
    const standing = await visitor.post(`/api/guides/${guideId}/standing`).send({ readings }).expect(400);
    expect(standing.body.message).toBe('readings[12]: “front-edge” is read more than 12 times; keep the readings that differ.');
  });

  it.each([
    ['/api/specimens/%E0%A4%A', 400, 'bad-request'],
    ['/api/nowhere', 404, 'no-endpoint'],
  ])('answers %s with a sentence', async (path, status, code) => {
    const { body } = await visitor.get(path).expect(status);
    expect(body).toMatchObject({ code, message: expect.stringMatching(/\.$/) });
  });

  it.each([
    ['application/json; charset=latin1', undefined, 'bad-charset'],
    ['application/json', 'snappy', 'bad-encoding'],
  ])('refuses a body of %s packed as %s', async (type, encoding, code) => {
    const asked = visitor.put(`/api/specimens/${randomUUID()}`).set('content-type', type);
    if (encoding) asked.set('content-encoding', encoding);
    expect((await asked.send('{}').expect(415)).body).toMatchObject({ code, field: 'body' });
  });

  it('says what is wrong in people’s words', async () => {
    const { body } = await visitor
      .put(`/api/specimens/${randomUUID()}`)
      .send({ version: 'x', label: 7, situation: { light: 'neon' }, readings: {}, determinations: [] })
      .expect(400);
    expect((body.problems as { message: string }[]).map(({ message }) => message)).toEqual([
      'version: should be a number.',
      'label: should be text.',
      expect.stringMatching(/^situation\.light: should be one of \w+(, \w+)+\.$/),
      'readings: should be a list.',
      'hidden: is missing.',
    ]);
  });

  it('repeats of what was sent no more than the beginning of a name', async () => {
    const { text } = await specimen({ ...write(guideId), ['secret'.repeat(100)]: 'x' }).expect(400);
    expect(text).toContain('secretsecret');
    expect(text.length).toBeLessThan(300);
  });

  it('lets a refusal be kept by nobody', async () => {
    const answer = await visitor.get(`/api/photos/${'0'.repeat(64)}`).expect(404);
    expect(answer.headers['cache-control']).toBe('no-store');
    expect(answer.headers['content-type']).toMatch(/json/);
  });
});
