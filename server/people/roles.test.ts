import { endpoints } from '@plesion/contract/endpoints';
import type { Endpoint } from '@plesion/contract';
import { leastRole, mayAsk, ROLES } from '@plesion/contract/roles';
import { join, newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

const ID = '0192f3a0-0000-7001-8000-00000000ff01';
const all = Object.entries(endpoints as Record<string, Endpoint>).filter(([, { open }]) => !open);

let server: TestServer;
const visitors = new Map<string, Visitor>();
beforeAll(async () => {
  server = await openTestServer();
  const { visitor: keeper } = await newStation(server);
  visitors.set('keeper', keeper);
  for (const role of ROLES) if (role !== 'keeper') visitors.set(role, (await join(server, keeper, role)).visitor);
});
afterAll(() => server.close());

/** Asked with nothing of sense: who may is told that, or given it; who may not is told that before anything is read. */
const ask = (visitor: Visitor, { method, path }: Endpoint) => {
  const at = path.replace(/:hash/g, 'a'.repeat(64)).replace(/:\w+/g, ID);
  const verb = method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
  return verb === 'get' ? visitor.get(at) : visitor[verb](at).send({ nothing: 'of sense' });
};

describe.each(ROLES)('as %s', (role) => {
  it('every endpoint that is not for this role refuses, and every other does not', async () => {
    const wrong: string[] = [];
    // What ends the session, or the membership, of who asks comes by its own test.
    for (const [name, endpoint] of all) {
      const { status, body } = await ask(visitors.get(role)!, endpoint);
      const refused = status === 403 && (body as { code?: string }).code === 'not-your-role';
      if (refused !== !mayAsk(role, endpoint)) wrong.push(`${name}: ${status}`);
    }
    expect(wrong).toEqual([]);
  });
});

it('what writes is for members at the least, but for what is said to be a learner’s', () => {
  const learners = all
    .filter(([, endpoint]) => endpoint.method !== 'GET' && !endpoint.asks && leastRole(endpoint) === 'learner')
    .map(([name]) => name);
  expect(learners.sort()).toEqual([
    ...['answerPracticeSet', 'beginPasskey', 'beginPracticeSet', 'cancelJob', 'changePassword', 'changeStation'],
    ...['endPasskey', 'endSession', 'endToken', 'giveOpinion', 'makeFurtherStation', 'makePasskey', 'makeToken'],
    ...['practiceAnswers', 'remark', 'removeMember', 'withdrawRemark'],
  ]);
  const keepers = all.filter(([, endpoint]) => leastRole(endpoint) === 'keeper').map(([name]) => name);
  expect(keepers).toEqual(expect.arrayContaining(['setStation', 'invite', 'setMember', 'importStation', 'exportStation']));
});
