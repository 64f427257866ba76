import type { Session } from '@plesion/contract';
import type { Member } from '@plesion/contract/people';
import { join, newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

const PASSWORD = 'long enough';

let server: TestServer;
/** A keeper of one station; and of another. */
let wren: { visitor: Visitor; name: string };
let tove: { visitor: Visitor; name: string };
beforeAll(async () => {
  server = await openTestServer({ demo: true });
});
afterAll(() => server.close());
beforeEach(async () => {
  await server.pool.query('delete from tries');
  [wren, tove] = [await newStation(server), await newStation(server)];
});

const linkOf = async (keeper: Visitor, body: object = { role: 'member' }) =>
  `/api/invitations/links/${((await keeper.post('/api/invitations').send(body).expect(201)).body as { token: string }).token}`;
const session = async (visitor: Visitor) => (await visitor.get('/api/session').expect(200)).body as Session;
const enter = async (name: string, password = PASSWORD) => {
  const visitor = server.visitor();
  await visitor.post('/api/session').send({ name, password }).expect(200);
  return visitor;
};
/** Wren belongs to Tove's station too, as a member. */
const bothFor = async () => {
  const before = await session(wren.visitor);
  const link = await linkOf(tove.visitor);
  const { body } = await wren.visitor.post(link).send({ as: 'signed-in' }).expect(201);
  return { home: before.station, there: (body as Session).station, link };
};

describe('somebody who is signed in', () => {
  it('comes into another station by a link with the account they have, and is in both', async () => {
    const { home, there, link } = await bothFor();
    expect(await session(wren.visitor)).toMatchObject({
      account: { name: wren.name, role: 'member' },
      station: there,
      others: [{ id: home.id, name: home.name, role: 'keeper' }],
    });
    const { members } = (await tove.visitor.get('/api/members').expect(200)).body as { members: Member[] };
    expect(members.map(({ name, role }) => [name, role])).toEqual([
      [tove.name, 'keeper'],
      [wren.name, 'member'],
    ]);
    // The link is used up.
    await server.visitor().get(link).expect(404);
    const again = await linkOf(tove.visitor);
    expect((await wren.visitor.post(again).send({ as: 'signed-in' }).expect(409)).body.code).toBe('belongs-already');
    await server.visitor().get(again).expect(200);
  });

  it('changes between them, and may do in each what they are there', async () => {
    const { home, there } = await bothFor();
    await wren.visitor.get('/api/invitations').expect(403);
    const change = (stationId: string, status = 200) =>
      wren.visitor.put('/api/session/station').send({ stationId }).expect(status);
    expect((await change(home.id)).body).toMatchObject({
      station: home,
      account: { role: 'keeper' },
      others: [{ id: there.id }],
    });
    await wren.visitor.get('/api/invitations').expect(200);
    const stranger = (await session((await newStation(server)).visitor)).station.id;
    await change(stranger, 404);
    expect((await session(wren.visitor)).station).toEqual(home);
    // Signing in brings one to the station one was in last.
    expect((await session(await enter(wren.name))).station).toEqual(home);
    await change(there.id);
    expect((await session(await enter(wren.name))).station).toEqual(there);
  });

  it('sees all places where they are signed in, whatever the station, and ends them with a new password', async () => {
    const elsewhere = await enter(wren.name);
    await bothFor();
    const { sessions } = (await wren.visitor.get('/api/account/sessions').expect(200)).body as { sessions: unknown[] };
    expect(sessions).toHaveLength(2);
    await wren.visitor.post('/api/account/password').send({ current: PASSWORD, next: 'quite another' }).expect(200);
    await elsewhere.get('/api/session').expect(401);
    await enter(wren.name, 'quite another');
  });

  it('makes one more station, and keeps it', async () => {
    const { station } = await session(wren.visitor);
    const { body } = await wren.visitor
      .post('/api/session/stations')
      .send({ station: `${station.name} two` })
      .expect(201);
    expect(body).toMatchObject({
      account: { name: wren.name, role: 'keeper' },
      station: { name: `${station.name} two` },
      others: [{ id: station.id }],
    });
    expect((await wren.visitor.get('/api/guides').expect(200)).body.guides.length).toBeGreaterThan(3);
    const taken = await wren.visitor.post('/api/session/stations').send({ station: station.name }).expect(400);
    expect(taken.body.code).toBe('names-unusable');
    expect((await wren.visitor.post('/api/session/stations').send({ station: 'x' }).expect(400)).body.field).toBe('station');
  });
});

it('their name taken in the other station is said by its field, and another is good there', async () => {
  const link = await linkOf(tove.visitor);
  const namesake = `${wren.name} x`;
  const { visitor: other } = await join(server, tove.visitor, 'member');
  const { members } = (await tove.visitor.get('/api/members').expect(200)).body as { members: Member[] };
  await server.pool.query('update account set name = $1 where id = $2', [wren.name, members[1].id]);
  expect((await wren.visitor.post(link).send({ as: 'signed-in' }).expect(400)).body).toMatchObject({
    code: 'name-taken',
    field: 'name',
  });
  const { body } = await wren.visitor.post(link).send({ as: 'signed-in', name: namesake }).expect(201);
  expect(body.account.name).toBe(namesake);
  // By the name they sign in with they still come in.
  expect((await session(await enter(wren.name))).account.name).toBe(namesake);
  expect((await session(other)).others).toEqual([]);
});

it('who leaves one station is still in the other; who leaves the last is nobody, and their name is free', async () => {
  const { home, there } = await bothFor();
  const { members } = (await tove.visitor.get('/api/members').expect(200)).body as { members: Member[] };
  const own = members.find(({ name }) => name === wren.name)!;
  await tove.visitor.delete(`/api/members/${own.id}`).expect(200);
  await wren.visitor.get('/api/session').expect(401);
  const back = await enter(wren.name);
  expect(await session(back)).toMatchObject({ station: home, others: [] });
  await back.put('/api/session/station').send({ stationId: there.id }).expect(404);
  const { visitor: leaving, name } = await join(server, tove.visitor, 'member');
  const all = ((await leaving.get('/api/members').expect(200)).body as { members: Member[] }).members;
  await leaving.delete(`/api/members/${all.find(({ you }) => you)!.id}`).expect(200);
  await server.visitor().post('/api/session').send({ name, password: PASSWORD }).expect(401);
  await server
    .visitor()
    .post(await linkOf(tove.visitor))
    .send({ name, password: PASSWORD })
    .expect(201);
});

it('no keeper gives a new password to somebody who belongs to another station too', async () => {
  // A link that was made while they belonged to one station only does not serve afterwards.
  const { visitor, name } = await join(server, tove.visitor, 'member');
  const idOf = async () =>
    ((await tove.visitor.get('/api/members').expect(200)).body as { members: Member[] }).members.find((one) => one.name === name)!
      .id;
  const early = await linkOf(tove.visitor, { renews: await idOf() });
  await visitor
    .post(await linkOf(wren.visitor))
    .send({ as: 'signed-in' })
    .expect(201);
  const refused = await tove.visitor
    .post('/api/invitations')
    .send({ renews: await idOf() })
    .expect(409);
  expect(refused.body).toMatchObject({ code: 'belongs-elsewhere', message: expect.stringContaining(name) });
  expect((await server.visitor().post(early).send({ password: 'stolen entry' }).expect(409)).body.code).toBe('belongs-elsewhere');
  await server.visitor().post('/api/session').send({ name, password: 'stolen entry' }).expect(401);
  await enter(name);
});

it('nobody comes in as “whoever is signed in” without being so, nor as the demo, nor by a link for a password', async () => {
  const link = await linkOf(tove.visitor);
  await server.visitor().post(link).send({ as: 'signed-in' }).expect(401);
  const { body: made } = await wren.visitor.post('/api/account/tokens').send({ name: 'script', scope: 'write' }).expect(201);
  const script = () =>
    server
      .visitor()
      .post(link)
      .set('authorization', `Bearer ${(made as { token: string }).token}`);
  await script().send({ as: 'signed-in' }).expect(401);
  const demo = server.visitor();
  await demo.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
  expect((await demo.post(link).send({ as: 'signed-in' }).expect(403)).body.code).toBe('demo-account');
  await demo.post('/api/session/stations').send({ station: 'of everybody' }).expect(403);
  const { members } = (await tove.visitor.get('/api/members').expect(200)).body as { members: Member[] };
  const renewing = await linkOf(tove.visitor, { renews: members[0].id });
  expect((await wren.visitor.post(renewing).send({ as: 'signed-in' }).expect(400)).body.field).toBe('password');
  await server.visitor().get(link).expect(200);
  await server.visitor().get(renewing).expect(200);
});

it('of many who come by one link as themselves, one is in', async () => {
  const link = await linkOf(tove.visitor);
  const others = await Promise.all(Array.from({ length: 5 }, () => enter(wren.name)));
  const answers = await Promise.all(others.map((visitor) => visitor.post(link).send({ as: 'signed-in' })));
  expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
  const { members } = (await tove.visitor.get('/api/members').expect(200)).body as { members: Member[] };
  expect(members).toHaveLength(2);
});
