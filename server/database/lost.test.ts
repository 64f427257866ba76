import { randomUUID } from 'node:crypto';
import { connect, createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import pg from 'pg';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';
import { databaseProblem } from './lost';

/** A way to the database that can be cut, and is then as if there were none. */
function line() {
  const sockets = new Set<Socket>();
  let target: URL;
  let server: Server;
  let port = 0;
  const listen = () =>
    new Promise<void>((resolve) => {
      server = createServer((near) => {
        const far = connect(Number(target.port), target.hostname);
        for (const [one, other] of [
          [near, far],
          [far, near],
        ]) {
          sockets.add(one);
          one.pipe(other);
          one.on('error', () => other.destroy()).on('close', () => other.destroy());
        }
      });
      server.listen(port, '127.0.0.1', () => {
        ({ port } = server.address() as AddressInfo);
        resolve();
      });
    });
  return {
    async lay(url: URL) {
      target = new URL(url);
      await listen();
      const own = new URL(url);
      own.port = String(port);
      own.hostname = '127.0.0.1';
      return own;
    },
    cut() {
      const closed = new Promise((resolve) => server.close(resolve));
      for (const socket of sockets) socket.destroy();
      sockets.clear();
      return closed;
    },
    mend: listen,
  };
}

describe('a database that is lost', () => {
  const wire = line();
  let server: TestServer;
  let visitor: Visitor;
  let guideId: string;
  beforeAll(async () => {
    server = await openTestServer({ through: (url) => wire.lay(url) });
    ({ visitor, guideId } = await newStation(server));
  });
  afterAll(async () => {
    await server.close();
    await wire.cut();
  });

  it('is said so, with when to come again; and once it is back all goes on', async () => {
    const id = randomUUID();
    const put = () => visitor.put(`/api/specimens/${id}`).send(write(guideId, { label: 'kept' }));
    await wire.cut();
    for (const asked of [put(), visitor.get('/api/specimens'), server.visitor().get('/api/ready')]) {
      const answer = await asked.expect(503);
      expect(answer.headers['retry-after']).toBe('2');
      expect(answer.body).toEqual({
        code: 'database-lost',
        message: 'The station’s database cannot be reached just now. Nothing was saved; try again in a moment.',
      });
    }
    // The server itself is up all the while.
    await server.visitor().get('/api/health').expect(200);
    await wire.mend();
    expect((await put().expect(200)).body).toMatchObject({ version: 1, label: 'kept' });
    await server.visitor().get('/api/ready').expect(200);
  });

  it('that ends every connection while nobody asks ends nothing else', async () => {
    await visitor.get('/api/specimens').expect(200);
    const admin = new pg.Client({ connectionString: process.env.TEST_DATABASE_URL });
    await admin.connect();
    const [{ name }] = await server.orm.em.getConnection().execute<{ name: string }[]>('select current_database() as name');
    await admin.query('select pg_terminate_backend(pid) from pg_stat_activity where datname = $1', [name]);
    await admin.end();
    await new Promise(setImmediate);
    // The first may still hold a connection that has just been ended; it is told to come again, and the next is served.
    const first = await visitor.get('/api/specimens');
    expect([200, 503]).toContain(first.status);
    await visitor.get('/api/specimens').expect(200);
  });
});

describe('an error of the database', () => {
  it.each([
    [{ code: '57P01', message: 'terminating connection due to administrator command' }, 'database-lost'],
    [{ message: 'Connection terminated unexpectedly' }, 'database-lost'],
    [{ message: 'x', cause: { code: 'ECONNREFUSED' } }, 'database-lost'],
    [{ message: '', errors: [{ code: 'ECONNREFUSED' }] }, 'database-lost'],
    [{ code: '57014', message: 'canceling statement due to statement timeout' }, 'too-slow'],
    [{ code: '40P01', message: 'deadlock detected' }, 'in-the-way'],
  ])('%j is to be tried again', (error, code) => {
    expect(databaseProblem(error)).toMatchObject({ status: 503, body: { code } });
  });

  it.each([[{ code: '23505', message: 'duplicate key' }], [new TypeError('x is not a function')], [undefined], ['text']])(
    '%p is none of these',
    (error) => expect(databaseProblem(error)).toBeUndefined(),
  );
});
