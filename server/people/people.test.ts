import type { Invitation, Member } from '@plesion/contract/people';
import type { Role } from '@plesion/contract/roles';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let keeper: Visitor;
let guideId: string;
let keeperName: string;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor: keeper, guideId, name: keeperName } = await newStation(server));
});

const PASSWORD = 'long enough';
let joined = 0;
const linkFor = async (body: object, own = keeper) =>
  (await own.post('/api/invitations').send(body).expect(201)).body as Invitation & { token: string };
const at = (token: string) => `/api/invitations/links/${token}`;
const membersOf = async (own = keeper) => ((await own.get('/api/members').expect(200)).body as { members: Member[] }).members;

/** Somebody who has come in by a link. */
async function come(role: Role, name = `rhea quill ${++joined}`): Promise<Visitor> {
  const { token } = await linkFor({ role });
  const visitor = server.visitor();
  const { body } = await visitor.post(at(token)).send({ name, password: PASSWORD }).expect(201);
  expect(body.account).toMatchObject({ name, role });
  return visitor;
}
const idOf = async (name: string) => (await membersOf()).find((one) => one.name === name)!.id;

describe('a link', () => {
  it('says what it is to, brings one in as what it says, once', async () => {
    const { token, until, role } = await linkFor({ role: 'learner' });
    expect(role).toBe('learner');
    const days = (new Date(until).getTime() - Date.now()) / 86_400_000;
    expect(Math.round(days)).toBe(14);
    const one = server.visitor();
    expect((await one.get(at(token)).expect(200)).body).toMatchObject({ role: 'learner', by: keeperName });
    expect((await one.post(at(token)).send({ password: PASSWORD }).expect(400)).body).toMatchObject({ field: 'name' });
    // A try that failed leaves it good.
    await one.post(at(token)).send({ name: 'wren', password: 'short' }).expect(400);
    await one.post(at(token)).send({ name: keeperName, password: PASSWORD }).expect(400);
    await one.post(at(token)).send({ name: 'Tove Arne', password: PASSWORD }).expect(201);
    expect((await one.get('/api/session').expect(200)).body).toMatchObject({ account: { name: 'Tove Arne', role: 'learner' } });
    const again = server.visitor();
    for (const answer of [again.get(at(token)), again.post(at(token)).send({ name: 'else', password: PASSWORD })])
      expect((await answer.expect(404)).body).toMatchObject({ code: 'lapsed', message: expect.stringMatching(/good no more/) });
    expect(await membersOf(one)).toMatchObject([
      { name: keeperName, role: 'keeper', you: false },
      { name: 'Tove Arne', role: 'learner', initials: 'TA', you: true },
    ]);
  });

  it('is used by one of many that come at once', async () => {
    const { token } = await linkFor({ role: 'member' });
    const came = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        server
          .visitor()
          .post(at(token))
          .send({ name: `crowd ${keeperName} ${i}`, password: PASSWORD }),
      ),
    );
    expect(came.map(({ status }) => status).sort()).toEqual([201, ...Array.from({ length: 7 }, () => 404)]);
    expect(await membersOf()).toHaveLength(2);
  });

  it('lapses, and can be withdrawn', async () => {
    const [a, b] = [await linkFor({ role: 'member' }), await linkFor({ role: 'member' })];
    const listed = async () =>
      ((await keeper.get('/api/invitations').expect(200)).body as { invitations: Invitation[] }).invitations;
    expect((await listed()).map(({ id }) => id).sort()).toEqual([a.id, b.id].sort());
    expect(JSON.stringify(await listed())).not.toContain(a.token);
    await keeper.delete(`/api/invitations/${a.id}`).expect(200);
    await keeper.get(at(a.token)).expect(404);
    await server.pool.query("update invitation set until = now() - interval '1 second' where id = $1", [b.id]);
    await keeper.get(at(b.token)).expect(404);
    expect(await listed()).toEqual([]);
    await keeper.get(at('no-link-at-all')).expect(404);
  });

  it('gives somebody a new password, and signs out who knew the old one', async () => {
    const name = 'Sorrel Vane';
    const old = await come('member', name);
    const { token, renews } = await linkFor({ renews: await idOf(name) });
    expect(renews).toBe(name);
    const fresh = server.visitor();
    expect((await fresh.get(at(token)).expect(200)).body).toMatchObject({ renews: name });
    await fresh.post(at(token)).send({ password: 'another one' }).expect(201);
    await old.get('/api/session').expect(401);
    const sign = (password: string) => server.visitor().post('/api/session').send({ name, password });
    await sign(PASSWORD).expect(401);
    await sign('another one').expect(200);
  });
});

describe('roles', () => {
  it('a learner reads and practises, and writes nothing; raised to member they write, wherever they are signed in', async () => {
    const learner = await come('learner', 'Ivo Marl');
    const specimen = '0192f3a0-0000-7001-8000-00000000ee01';
    await learner.get('/api/specimens').expect(200);
    const { body } = await learner.put(`/api/specimens/${specimen}`).send(write(guideId)).expect(403);
    expect(body).toMatchObject({ code: 'not-your-role', message: expect.stringMatching(/members and up/) });
    await learner.get(`/api/specimens/${specimen}`).expect(404);
    const asked = { guideId, level: { kind: 'rank', rank: 'species' } };
    await learner.post('/api/practice/items').send(asked).expect(200);
    const id = await idOf('Ivo Marl');
    await learner.put(`/api/members/${id}`).send({ role: 'keeper' }).expect(403);
    await keeper.put(`/api/members/${id}`).send({ role: 'member' }).expect(200);
    await learner.put(`/api/specimens/${specimen}`).send(write(guideId)).expect(200);
    expect((await learner.get('/api/session').expect(200)).body.account.role).toBe('member');
    await learner.post('/api/invitations').send({ role: 'keeper' }).expect(403);
  });

  it('tokens do what who made them may, as they may now', async () => {
    const name = 'Petra Lund';
    const member = await come('member', name);
    const { body: made } = await member.post('/api/account/tokens').send({ name: 'hut', scope: 'write' }).expect(201);
    const put = (n: number) =>
      server
        .visitor()
        .put(`/api/specimens/0192f3a0-0000-7001-8000-00000000ee1${n}`)
        .set('authorization', `Bearer ${made.token}`)
        .send(write(guideId));
    await put(1).expect(200);
    await keeper
      .put(`/api/members/${await idOf(name)}`)
      .send({ role: 'learner' })
      .expect(200);
    await put(2).expect(403);
  });

  it('a station keeps a keeper, though two go at once', async () => {
    const other = await come('keeper', 'Bram Oder');
    const [a, b] = [await idOf(keeperName), await idOf('Bram Oder')];
    const gone = await Promise.all([keeper.delete(`/api/members/${a}`), other.delete(`/api/members/${b}`)]);
    expect(gone.map(({ status }) => status).sort()).toEqual([200, 409]);
    const left = gone[0].status === 200 ? other : keeper;
    const [own] = await membersOf(left);
    expect(
      (await left.put(`/api/members/${own.id}`).send({ role: 'member' }).expect(409)).body as { message: string },
    ).toMatchObject({ code: 'last-keeper' });
    expect((await left.get('/api/session').expect(200)).body.account.role).toBe('keeper');
  });

  it('who leaves is signed out everywhere, and what they recorded stays with their name', async () => {
    const member = await come('member', 'Lene Fask');
    const specimen = '0192f3a0-0000-7001-8000-00000000ee02';
    await member.put(`/api/specimens/${specimen}`).send(write(guideId)).expect(200);
    const learner = await come('learner', 'Odo Pell');
    await learner.delete(`/api/members/${await idOf('Lene Fask')}`).expect(403);
    await keeper.delete(`/api/members/${await idOf('Lene Fask')}`).expect(200);
    await member.get('/api/specimens').expect(401);
    await keeper.get(`/api/specimens/${specimen}`).expect(200);
    await learner.delete(`/api/members/${await idOf('Odo Pell')}`).expect(200);
    await learner.get('/api/session').expect(401);
    expect((await membersOf()).map(({ name }) => name)).toEqual([keeperName]);
  });

  it('nothing of one station’s people is another’s', async () => {
    const { visitor: stranger } = await newStation(server);
    const [own] = await membersOf();
    await stranger.put(`/api/members/${own.id}`).send({ role: 'learner' }).expect(404);
    await stranger.delete(`/api/members/${own.id}`).expect(404);
    await stranger.post('/api/invitations').send({ renews: own.id }).expect(404);
    const { id } = await linkFor({ role: 'member' });
    await stranger.delete(`/api/invitations/${id}`).expect(404);
    expect((await stranger.get('/api/invitations').expect(200)).body).toEqual({ invitations: [] });
  });
});
