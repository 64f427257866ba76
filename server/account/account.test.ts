import request from 'supertest';
import { randomUUID } from 'node:crypto';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer({ demo: true });
});
afterAll(() => server.close());

const signIn = async (name: string, password: string, status = 200) => {
  const visitor = server.visitor();
  await visitor.post('/api/session').set('user-agent', 'a field tablet').send({ name, password }).expect(status);
  return visitor;
};

describe('an account', () => {
  it('changes its password, and is signed out everywhere else', async () => {
    const { visitor, name } = await newStation(server);
    const elsewhere = await signIn(name, 'long enough');
    const change = (body: object, status: number) => visitor.post('/api/account/password').send(body).expect(status);
    expect((await change({ current: 'not it', next: 'quite another' }, 400)).body).toMatchObject({
      code: 'wrong-password',
      field: 'current',
    });
    expect((await change({ current: 'long enough', next: 'short' }, 400)).body).toMatchObject({ field: 'next' });
    await elsewhere.get('/api/session').expect(200);
    await change({ current: 'long enough', next: 'quite another' }, 200);
    await visitor.get('/api/session').expect(200);
    await elsewhere.get('/api/session').expect(401);
    await signIn(name, 'long enough', 401);
    await signIn(name, 'quite another');
  });

  it('sees where it is signed in, without what would open it, and ends it', async () => {
    const { visitor, name } = await newStation(server);
    const elsewhere = await signIn(name, 'long enough');
    await newStation(server);
    const { sessions } = (await visitor.get('/api/account/sessions').expect(200)).body as {
      sessions: { id: string; current: boolean; device: string; since: string }[];
    };
    expect(sessions.map(({ current, device }) => [current, device])).toEqual([
      [true, ''],
      [false, 'a field tablet'],
    ]);
    const { rows } = await server.pool.query<{ sid: string }>('select sid from session');
    expect(rows.some(({ sid }) => JSON.stringify(sessions).includes(sid))).toBe(false);
    await visitor.delete(`/api/account/sessions/${sessions[1].id}`).expect(200);
    await elsewhere.get('/api/session').expect(401);
    await visitor.delete(`/api/account/sessions/${sessions[1].id}`).expect(404);
  });

  it('ends no session of another', async () => {
    const [ann, bob] = [await newStation(server), await newStation(server)];
    const own = (await ann.visitor.get('/api/account/sessions')).body.sessions as { id: string }[];
    await bob.visitor.delete(`/api/account/sessions/${own[0].id}`).expect(404);
    await ann.visitor.get('/api/session').expect(200);
  });

  it('of the demo is everybody’s, and stays as it is', async () => {
    const demo = await signIn('demo', 'demo');
    await signIn('demo', 'demo');
    for (const asked of [
      demo.post('/api/account/password').send({ current: 'demo', next: 'mine alone' }),
      demo.post('/api/account/tokens').send({ name: 'x', scope: 'write' }),
      demo.delete(`/api/account/sessions/${'0'.repeat(32)}`),
    ])
      expect((await asked.expect(403)).body.code).toBe('demo-account');
    expect((await demo.get('/api/account/sessions').expect(200)).body.sessions).toHaveLength(1);
  });
});

describe('a token', () => {
  let visitor: Visitor;
  let guideId: string;
  beforeAll(async () => {
    ({ visitor, guideId } = await newStation(server));
  });
  const made = async (scope: string, name = 'the ringing hut') =>
    (await visitor.post('/api/account/tokens').send({ name, scope }).expect(201)).body as { id: string; token: string };
  /** A script: no cookie, no page it comes from. */
  const script = (token: string) => {
    const call = (method: 'get' | 'post' | 'put' | 'delete') => (path: string) =>
      request(server.app)[method](path).set('authorization', `Bearer ${token}`);
    return { get: call('get'), post: call('post'), put: call('put'), delete: call('delete') };
  };

  it('to write reads and writes the records of its station as its account', async () => {
    const { token } = await made('write');
    const id = randomUUID();
    const { body } = await script(token)
      .put(`/api/specimens/${id}`)
      .send(write(guideId, { label: 'by a script' }))
      .expect(200);
    expect(body).toMatchObject({ label: 'by a script', version: 1 });
    expect((await visitor.get(`/api/specimens/${id}`).expect(200)).body.label).toBe('by a script');
    const other = await newStation(server);
    await script(token).get(`/api/guides/${other.guideId}`).expect(404);
  });

  it('to read asks, weighs and walks, and changes nothing', async () => {
    const { token } = await made('read');
    await script(token).get('/api/specimens').expect(200);
    await script(token).post(`/api/guides/${guideId}/standing`).send({ readings: [] }).expect(200);
    for (const asked of [
      script(token).put(`/api/specimens/${randomUUID()}`).send(write(guideId)),
      script(token).post('/api/first-look'),
      script(token).post('/api/photos').attach('photo', Buffer.from('x'), 'x.jpg'),
    ])
      expect((await asked.expect(403)).body).toMatchObject({ code: 'not-allowed' });
  });

  it('does nothing that is a person’s own affair', async () => {
    const { token, id } = await made('write');
    for (const asked of [
      script(token).get('/api/account/tokens'),
      script(token).post('/api/account/tokens').send({ name: 'more', scope: 'write' }),
      script(token).delete(`/api/account/tokens/${id}`),
      script(token).post('/api/account/password').send({ current: 'long enough', next: 'taken over' }),
    ])
      await asked.expect(403);
  });

  it('is kept as a hash, listed without itself, and ended at once', async () => {
    const { token, id } = await made('read', 'to be ended');
    const { rows } = await server.pool.query<{ row: string }>('select row_to_json(api_token)::text as row from api_token');
    expect(rows.length).toBeGreaterThan(0);
    expect(rows.some(({ row }) => row.includes(token.split('_').at(-1)!))).toBe(false);
    await script(token).get('/api/specimens').expect(200);
    const { tokens } = (await visitor.get('/api/account/tokens').expect(200)).body as {
      tokens: { id: string; usedAt?: string }[];
    };
    expect(tokens.find((one) => one.id === id)).toMatchObject({ name: 'to be ended', scope: 'read', usedAt: expect.any(String) });
    expect(JSON.stringify(tokens)).not.toContain(token);
    await visitor.delete(`/api/account/tokens/${id}`).expect(200);
    expect((await script(token).get('/api/specimens').expect(401)).body.code).toBe('bad-token');
  });

  it.each(['', 'nonsense', `plesion_${'0'.repeat(32)}_${'A'.repeat(43)}`])(
    'that is none (“%s”) lets nobody in',
    async (token) => {
      await script(token).get('/api/specimens').expect(401);
    },
  );

  it('is shown in the description of the wire', async () => {
    const { body } = await server.visitor().get('/api/openapi.json').expect(200);
    expect(body.components.securitySchemes.token).toMatchObject({ type: 'http', scheme: 'bearer' });
    expect(body.paths['/api/specimens'].get.security).toEqual([{ session: [] }, { token: [] }]);
    expect(body.paths['/api/account/tokens'].post.security).toEqual([{ session: [] }]);
  });
});
