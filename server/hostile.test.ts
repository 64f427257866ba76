import type { AddressInfo } from 'node:net';
import { randomUUID } from 'node:crypto';
import { type HostileRequest, hostileSample } from './test/hostile';
import { newStation, openTestServer, ORIGIN, type TestServer, type Visitor, write } from './test/testServer';

/** Who asks at once. */
const CALLERS = 12;

let server: TestServer;
let visitor: Visitor;
let ids: string[];
let base: string;
let cookie: string;
let close: () => Promise<unknown>;

beforeAll(async () => {
  server = await openTestServer({ works: true });
  const station = await newStation(server);
  ({ visitor } = station);
  const { keys } = (await visitor.get('/api/keys')).body as { keys: { id: string }[] };
  const specimen = randomUUID();
  await visitor.put(`/api/specimens/${specimen}`).send(write(station.guideId)).expect(200);
  ids = [station.guideId, keys[0].id, specimen, randomUUID()];
  const listener = server.app.listen(0, '127.0.0.1');
  // As the server has it: one that hangs up on who is slow to go on answers nothing to what came just then.
  listener.keepAliveTimeout = 120_000;
  await new Promise((resolve) => listener.once('listening', resolve));
  base = `http://127.0.0.1:${(listener.address() as AddressInfo).port}`;
  close = () => new Promise((resolve) => (listener.close(resolve), listener.closeAllConnections()));
  const name = `mallory ${randomUUID()}`;
  const made = await fetch(`${base}/api/stations`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: ORIGIN },
    body: JSON.stringify({ station: name, name, password: 'long enough' }),
  });
  cookie = made.headers.get('set-cookie')!.split(';')[0];
});
afterAll(async () => {
  await close();
  await server.close();
});

async function ask({ method, path, query, headers, body }: HostileRequest, who: string | undefined) {
  const search = query.map(
    ([key, value]) => `${encodeURIComponent(key.toWellFormed())}=${encodeURIComponent(value.toWellFormed())}`,
  );
  const answer = await fetch(`${base}${path}${search.length ? `?${search.join('&')}` : ''}`, {
    method,
    headers: { ...headers, origin: ORIGIN, ...(who ? { cookie: who } : {}) },
    ...(body === undefined ? {} : { body }),
  });
  const text = await answer.text();
  return { status: answer.status, text, json: /json/.test(answer.headers.get('content-type') ?? '') };
}

/** Asked by several at once; what was answered to each. */
async function askAll(requests: readonly HostileRequest[], who?: string) {
  const left = requests.map((request, i) => ({ request, i }));
  const answers: Awaited<ReturnType<typeof ask>>[] = [];
  await Promise.all(
    Array.from({ length: CALLERS }, async () => {
      for (let one = left.pop(); one; one = left.pop()) answers[one.i] = await ask(one.request, who);
    }),
  );
  return answers;
}

describe('whatever is sent', () => {
  // Signing in and out would change who asks; they are asked without a session below.
  const DOOR = [
    ...['signIn', 'signOut', 'makeStation', 'join'],
    ...['changeStation', 'makeFurtherStation', 'askPasskey', 'enterByPasskey'],
  ];

  it('1,500 requests over every endpoint are answered without a fault of the server, each refusal with a sentence', async () => {
    const requests = hostileSample(1500, 2026, ids, DOOR);
    const answers = await askAll(requests, cookie);
    const faults = answers.flatMap(({ status, text }, i) =>
      status >= 500 && status !== 503 ? [{ ...requests[i], status, text }] : [],
    );
    expect(faults).toEqual([]);
    // On a machine that is busy with other things one may be told to come again: seldom, and with a reason that passes.
    const later = answers.flatMap(({ status, text }) => (status === 503 ? [(JSON.parse(text) as { code: string }).code] : []));
    expect(later.length).toBeLessThan(requests.length / 100);
    expect(later.filter((code) => !['database-lost', 'too-slow', 'in-the-way'].includes(code))).toEqual([]);
    const refused = answers.filter(({ status }) => status >= 400);
    expect(refused.length).toBeGreaterThan(400);
    expect(answers.flatMap(({ status, json, text }, i) => (status >= 400 && !json ? [{ ...requests[i], text }] : []))).toEqual(
      [],
    );
    for (const { text } of refused) {
      const { code, message } = JSON.parse(text) as { code: string; message: string };
      expect(code).toMatch(/^[a-z-]+$/);
      expect(message).toMatch(/\.$/);
      expect(text).not.toMatch(/node_modules|at .+:\d+:\d+|x{200}/);
    }
    // Not all of it was refused: the shapes are those of the contract.
    expect(answers.filter(({ status }) => status < 300).length).toBeGreaterThan(220);
  });

  it('is not read from who has no session', async () => {
    const requests = hostileSample(300, 7, ids, [
      ...DOOR,
      'health',
      'ready',
      'openapi',
      'invitedTo',
      'linkedRecord',
      'linkedPhoto',
      'giveLinkedOpinion',
    ]);
    const answers = await askAll(requests);
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([401, 400]));
    const behind = answers.filter(({ status }) => status === 400).map(({ text }) => (JSON.parse(text) as { code: string }).code);
    // An address that cannot be read is nobody's.
    expect(new Set(behind)).toEqual(new Set(['bad-request']));
  });
});
