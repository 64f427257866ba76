import type { ChildProcess } from 'node:child_process';
import { type AddressInfo, connect, createServer, type Server } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';
import type { Place } from '../../server/test/place';
import { startServer } from '../station';

/** Several server processes behind one address; each can be killed, and comes again by itself. */
export interface Fleet {
  /** The one address. */
  url: string;
  /** The address of each process. */
  members: string[];
  /** Kill one at once, with all that it is doing. */
  kill(member: number): void;
  /** Every process answers. */
  ready(): Promise<void>;
  close(): Promise<void>;
}

/** Milliseconds between two looks, and before a process that died is started again. */
const AGAIN = 200;

/** A port that nothing listens at; a process that is started again has the same. */
const freePort = () =>
  new Promise<number>((resolve, reject) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
    probe.on('error', reject);
  });

export async function openFleet(size: number, place: Pick<Place, 'database' | 'files'>): Promise<Fleet> {
  const [port, ...members] = await Promise.all(Array.from({ length: size + 1 }, freePort));
  const processes: (ChildProcess | undefined)[] = [];
  let closed = false;
  const start = (member: number) => {
    if (closed) return;
    const server = startServer(place, {
      LOG_LEVEL: 'silent',
      PORT: String(members[member]),
      PUBLIC_URL: `http://127.0.0.1:${port}`,
    });
    // What it says is read away, so that it does not stand still when nobody listens.
    server.stdout?.resume();
    server.stderr?.resume();
    processes[member] = server;
    server.on('exit', () => void setTimeout(start, AGAIN, member).unref());
  };
  members.forEach((_, member) => start(member));
  const address = await balance(port, members);
  return {
    url: `http://127.0.0.1:${port}`,
    members: members.map((own) => `http://127.0.0.1:${own}`),
    kill: (member) => void processes[member]?.kill('SIGKILL'),
    async ready() {
      for (const own of members) while (!(await answers(own))) await pause(AGAIN);
    },
    async close() {
      closed = true;
      address.close();
      await Promise.all(
        processes.map(async (server) => {
          if (!server || server.exitCode !== null || server.signalCode !== null) return;
          const gone = new Promise((resolve) => server.on('exit', resolve));
          server.kill('SIGTERM');
          await gone;
        }),
      );
    },
  };
}

const answers = async (port: number) => {
  try {
    return (await fetch(`http://127.0.0.1:${port}/api/ready`)).ok;
  } catch {
    return false;
  }
};

/** Each connection goes to the next process in turn that takes it. */
async function balance(port: number, members: readonly number[]): Promise<Server> {
  let turn = 0;
  const address = createServer((near) => {
    near.on('error', () => near.destroy());
    const reach = (left: number) => {
      const far = connect(members[turn++ % members.length], '127.0.0.1');
      far.once('connect', () => {
        far.removeAllListeners('error');
        far.on('error', () => near.destroy());
        near.pipe(far).pipe(near);
        near.on('close', () => far.destroy());
        far.on('close', () => near.destroy());
      });
      far.once('error', () => (left > 0 ? reach(left - 1) : near.destroy()));
    };
    reach(members.length);
  });
  await new Promise<void>((resolve) => address.listen(port, '127.0.0.1', resolve));
  return address;
}
