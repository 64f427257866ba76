import { type Endpoint, addressOf } from '@plesion/contract';
import { endpoints } from '@plesion/contract/endpoints';
import { openApi } from '@plesion/contract/openapi';
import { demoLooks } from '@plesion/demo/colony';
import { demoSpecimens } from '@plesion/demo';
import { GuideEntity, GuideVersionEntity, SpecimenEntity } from '../database/entities';
import { loadDemo } from '../demo';
import { newStation, openTestServer, type TestServer } from '../test/testServer';

/** Records of which it is known what they were. */
const KNOWN = 172;

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer({ demo: true });
});
afterAll(() => server.close());

const ID = '0192f3a0-0000-7001-8000-000000000001';

describe('the door', () => {
  it('lets nobody in to anything without a session', async () => {
    const closed = Object.entries(endpoints).filter(([, endpoint]) => !(endpoint as Endpoint).open);
    expect(closed.length).toBeGreaterThan(8);
    for (const [name, endpoint] of closed) {
      const method = endpoint.method.toLowerCase() as 'get' | 'post' | 'put';
      const visitor = server.visitor();
      const answer = await visitor[method](addressOf(endpoint, { params: { id: ID, hash: ID, mark: 'H 1' } })).send({});
      expect([name, answer.status, answer.body.code]).toEqual([name, 401, 'signed-out']);
    }
  });

  it('answers health and describes itself to anyone', async () => {
    await server.visitor().get('/api/health').expect(200, { ok: true, version: 'test' });
    const { body } = await server.visitor().get('/api/openapi.json').expect(200);
    expect(body).toEqual(JSON.parse(JSON.stringify(openApi('test'))));
    expect(Object.keys(body.paths)).toEqual(
      expect.arrayContaining(['/api/session', '/api/guides/{id}/standing', '/api/specimens/{id}', '/api/export/occurrences.csv']),
    );
  });

  it('signs in to the demo, with a cookie that scripts cannot read', async () => {
    const visitor = server.visitor();
    const answer = await visitor.post('/api/session').send({ name: 'Demo', password: 'demo' }).expect(200);
    expect(answer.headers['set-cookie'][0]).toMatch(/^plesion\.session=.*HttpOnly.*SameSite=Lax/);
    expect(answer.body).toMatchObject({ account: { name: 'demo' }, station: { demo: true } });
    const { body } = await visitor.get('/api/specimens').expect(200);
    // The photographed tern is put there by the camera.
    expect(body.total).toBe(demoSpecimens.length + 1 + KNOWN + demoLooks.length);
    await visitor.delete('/api/session').expect(200);
    await visitor.get('/api/specimens').expect(401);
  });

  it('loads the demo only once', async () => {
    await loadDemo(server.orm.em.fork(), server);
    const visitor = server.visitor();
    await visitor.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
    expect((await visitor.get('/api/specimens')).body.total).toBe(demoSpecimens.length + 1 + KNOWN + demoLooks.length);
  });

  it('adds to an older demo what it has not yet, and leaves the rest alone', async () => {
    const em = server.orm.em.fork();
    const cones = await em.findOneOrFail(GuideEntity, { slug: 'tent-cones' });
    const crab = demoSpecimens.find(({ guide }) => guide === 'ledge-crabs')!.id;
    await em.nativeUpdate(SpecimenEntity, { id: crab }, { label: 'changed by a visitor' });
    await em.nativeDelete(SpecimenEntity, { guideId: cones.id });
    await em.nativeDelete(GuideVersionEntity, { guideId: cones.id });
    await em.nativeDelete(GuideEntity, { id: cones.id });
    await loadDemo(server.orm.em.fork(), server);
    const again = server.orm.em.fork();
    expect(await again.count(GuideEntity, { slug: 'tent-cones' })).toBe(1);
    expect(await again.count(SpecimenEntity, { id: { $in: demoSpecimens.map(({ id }) => id) } })).toBe(demoSpecimens.length);
    expect((await again.findOneOrFail(SpecimenEntity, { id: crab })).label).toBe('changed by a visitor');
  });

  it('starts again whatever visitors did to the photographed tern', async () => {
    const em = server.orm.em.fork();
    const { id } = await em.findOneOrFail(SpecimenEntity, { label: 'Pier tern' });
    for (const done of [{ hidden: true }, { hidden: false, label: 'my tern' }]) {
      await em.nativeUpdate(SpecimenEntity, { id }, done);
      await loadDemo(server.orm.em.fork(), server);
      expect(await server.orm.em.fork().findOneOrFail(SpecimenEntity, { id })).toMatchObject(done);
    }
    expect(await em.count(SpecimenEntity, { label: 'Pier tern' })).toBe(0);
  });

  it('refuses a wrong password without saying whether the account exists', async () => {
    const wrong = await server.visitor().post('/api/session').send({ name: 'demo', password: 'no' }).expect(401);
    const nobody = await server.visitor().post('/api/session').send({ name: 'nobody', password: 'no' }).expect(401);
    expect(wrong.body).toEqual(nobody.body);
  });

  it('keeps no password, and makes a station once', async () => {
    const { name } = await newStation(server);
    const [row] = await server.orm.em
      .getConnection()
      .execute<{ password_hash: string }[]>('select password_hash from person where name = ?', [name]);
    expect(row.password_hash).toMatch(/^\$argon2id\$/);
    const again = await server
      .visitor()
      .post('/api/stations')
      .send({ station: 'another', name: name.toUpperCase(), password: 'long enough' })
      .expect(400);
    // Neither which of the two it is, nor that anybody has it.
    expect(again.body).toEqual({
      code: 'names-unusable',
      message: 'These names cannot be used here. Choose another name for the station, or for the account.',
    });
    const [{ count }] = await server.orm.em
      .getConnection()
      .execute<{ count: string }[]>("select count(*) from station where name = 'another'");
    expect(Number(count)).toBe(0);
  });

  it.each([
    [{ station: 'a', name: 'bo', password: 'long enough' }, 'station'],
    [{ station: 'aa', name: 'bo', password: 'short' }, 'password'],
    [{ station: 'aa', name: 'bo' }, 'password'],
    [{ station: 'aa', name: 'bo', password: 'long enough', role: 'king' }, 'role'],
  ])('says which field of %j is wrong', async (body, field) => {
    const answer = await server.visitor().post('/api/stations').send(body).expect(400);
    expect(answer.body).toMatchObject({ code: 'bad-shape', field });
  });

  it('lengthens a session that is used once a day, and writes nothing for it else', async () => {
    const { visitor, name } = await newStation(server);
    const row = async () =>
      (
        await server.pool.query<{ sid: string; expire: Date; xmin: string }>(
          `select sid, expire, xmin::text from session where sess -> 'caller' ->> 'accountId' = (select id::text from account where name = $1)`,
          [name],
        )
      ).rows[0];
    await visitor.get('/api/guides').expect(200);
    const before = await row();
    expect((await visitor.get('/api/guides').expect(200)).headers['set-cookie']).toBeUndefined();
    expect(await row()).toEqual(before);
    // As if it had been used last on another day.
    await server.pool.query(
      `update session set expire = expire - interval '5 days', sess = jsonb_set(sess::jsonb, '{usedOn}', '"2020-01-01"')::json where sid = $1`,
      [before.sid],
    );
    expect((await visitor.get('/api/guides').expect(200)).headers['set-cookie']).toHaveLength(1);
    expect((await row()).expire.getTime()).toBeGreaterThanOrEqual(before.expire.getTime());
  });

  it('tells of broken JSON and of paths that lead nowhere', async () => {
    const broken = await server.visitor().post('/api/session').type('json').send('{"name":').expect(400);
    expect(broken.body).toMatchObject({ code: 'bad-json', field: 'body' });
    const nowhere = await server.visitor().get('/api/nothing').expect(404);
    expect(nowhere.body.code).toBe('no-endpoint');
  });

  it('holds off an address that guesses, and nobody else', async () => {
    const { name } = await newStation(server);
    const from = (address: string) => {
      const visitor = server.visitor();
      return (password: string) => visitor.post('/api/session').set('x-forwarded-for', address).send({ name, password });
    };
    const guesser = from('203.0.113.7');
    const statuses = [];
    for (let i = 0; i < 22; i++) statuses.push((await guesser(`guess ${i}`)).status);
    expect(statuses.slice(0, 20)).toEqual(Array(20).fill(401));
    const { headers, body } = await guesser('long enough').expect(429);
    expect(body).toMatchObject({ code: 'too-many-tries', message: expect.stringMatching(/quarter of an hour/) });
    expect(headers['retry-after']).toBeDefined();
    await from('203.0.113.8')('long enough').expect(200);
  });

  it('holds off guesses at one account from everywhere, but not its own password', async () => {
    const { name } = await newStation(server);
    const attempt = (address: string, password: string) =>
      server.visitor().post('/api/session').set('x-forwarded-for', address).send({ name, password });
    const statuses = [];
    for (let i = 0; i < 62; i++) statuses.push((await attempt(`198.51.100.${i}`, 'guess')).status);
    expect(statuses.slice(0, 60)).toEqual(Array(60).fill(401));
    expect(statuses.slice(60)).toEqual([429, 429]);
    await attempt('192.0.2.1', 'long enough').expect(200);
  });

  it('counts tries for every process that shares the database', async () => {
    const { rows } = await server.pool.query<{ key: string }>("select key from tries where key like 'address:203.0.113.7%'");
    expect(rows).toHaveLength(1);
  });
});
