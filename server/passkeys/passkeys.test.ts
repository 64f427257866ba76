import type { Passkey } from '@plesion/contract/passkeys';
import { softKey } from '../test/softKey';
import { newStation, openTestServer, ORIGIN, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let name: string;
beforeAll(async () => {
  server = await openTestServer({ demo: true });
});
afterAll(() => server.close());
beforeEach(async () => {
  await server.pool.query('delete from tries');
  ({ visitor, name } = await newStation(server));
});

const challenge = async (own: Visitor, path: string) =>
  ((await own.post(`${path}/options`).expect(200)).body as { challenge: string }).challenge;
const MAKE = '/api/account/passkeys';
const ENTER = '/api/session/passkey';
const keep = (made: object, status = 201, own = visitor) => own.post(MAKE).send({ name: 'a field tablet', made }).expect(status);
/** A device with a key of whoever is signed in. */
async function withKey() {
  const key = softKey(ORIGIN);
  await keep(key.make(await challenge(visitor, MAKE)));
  return key;
}
const list = async () => ((await visitor.get(MAKE).expect(200)).body as { passkeys: Passkey[] }).passkeys;

it('a device makes a key, and opens the door with it as often as it likes', async () => {
  const key = await withKey();
  expect(await list()).toMatchObject([{ id: key.id, name: 'a field tablet' }]);
  expect((await list())[0].usedAt).toBeUndefined();
  for (let i = 0; i < 2; i++) {
    const other = server.visitor();
    const shown = key.show(await challenge(other, ENTER));
    const { body } = await other.post(ENTER).send(shown).expect(200);
    expect(body.account.name).toBe(name);
    await other.get('/api/session').expect(200);
  }
  expect((await list())[0].usedAt).toBeDefined();
  // A device that has one already is told so, and makes no second.
  const { body } = await visitor.post(`${MAKE}/options`).expect(200);
  expect(body.excludeCredentials).toMatchObject([{ id: key.id }]);
});

it('that is ended opens nothing, and nobody ends that of another', async () => {
  const key = await withKey();
  const { visitor: stranger } = await newStation(server);
  await stranger.delete(`${MAKE}/${key.id}`).expect(404);
  await visitor.delete(`${MAKE}/${key.id}`).expect(200);
  const other = server.visitor();
  const shown = key.show(await challenge(other, ENTER));
  const { body } = await other.post(ENTER).send(shown).expect(401);
  expect(body).toMatchObject({ code: 'unknown-passkey' });
  await other.get('/api/session').expect(401);
});

describe('the door stays shut', () => {
  const refused = async (answer: object, own: Visitor, status: number, code: string) => {
    expect((await own.post(ENTER).send(answer).expect(status)).body.code).toBe(code);
    await own.get('/api/session').expect(401);
  };

  it('to an answer that was given before, or was not asked for', async () => {
    const key = await withKey();
    const other = server.visitor();
    const answer = key.show(await challenge(other, ENTER));
    await other.post(ENTER).send(answer).expect(200);
    await refused(answer, server.visitor(), 409, 'challenge-lapsed');
    const third = server.visitor();
    await challenge(third, ENTER);
    await refused(answer, third, 401, 'unknown-passkey');
  });

  it('to a key of another device, of another site, or a copy that lags behind', async () => {
    const [key, stranger, elsewhere] = [await withKey(), softKey(ORIGIN), softKey('http://elsewhere.test')];
    const asked = async (show: (challenge: string) => object) => {
      const other = server.visitor();
      return [show(await challenge(other, ENTER)), other] as const;
    };
    await refused(...(await asked((c) => ({ ...stranger.show(c), id: key.id, rawId: key.id }))), 401, 'unknown-passkey');
    await refused(...(await asked((c) => ({ ...elsewhere.show(c), id: key.id, rawId: key.id }))), 401, 'unknown-passkey');
    await server.pool.query('update passkey set counter = 1000 where id = $1', [key.id]);
    await refused(...(await asked((c) => key.show(c))), 401, 'unknown-passkey');
  });

  it('to an answer after five minutes', async () => {
    const key = await withKey();
    const other = server.visitor();
    const answer = key.show(await challenge(other, ENTER));
    const now = jest.spyOn(Date, 'now').mockReturnValue(Date.now() + 301_000);
    try {
      await refused(answer, other, 409, 'challenge-lapsed');
    } finally {
      now.mockRestore();
    }
  });
});

it('what a device did not make for this site is not kept, nor what was asked for the door', async () => {
  const wrong = await keep(softKey('http://elsewhere.test').make(await challenge(visitor, MAKE)), 400);
  expect(wrong.body).toMatchObject({ code: 'bad-passkey', field: 'made' });
  await keep(softKey(ORIGIN).make(await challenge(visitor, ENTER)), 409);
  await keep(softKey(ORIGIN).make('made up'), 409);
  const key = await withKey();
  expect((await keep({ ...key.make(await challenge(visitor, MAKE)) }, 400)).body.code).toBe('bad-passkey');
  expect(await list()).toHaveLength(1);
});

it('the demo makes none', async () => {
  const demo = server.visitor();
  await demo.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
  expect((await demo.post(`${MAKE}/options`).expect(403)).body.code).toBe('demo-account');
});
