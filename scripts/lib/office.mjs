import { createServer } from 'node:net';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { child } from './run.mjs';
import { serverFile } from './server.mjs';

/** Milliseconds before an office that stopped is started again. */
const AGAIN = 1_000;

const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

/** The ringing office that stands in for a real one, on a loopback port of its own; its books lie in the data folder. */
export async function startOffice(folder) {
  const port = await freePort();
  const env = { OFFICE_PORT: String(port), OFFICE_BOOKS: join(folder, 'office.json') };
  let stopped = false;
  let office;
  const program = serverFile('server/officeStandIn/main.ts');
  const start = () => {
    if (stopped) return;
    office = child(process.execPath, [program], { env });
    office.on('exit', () => void pause(AGAIN).then(start));
  };
  start();
  return {
    url: `http://127.0.0.1:${port}`,
    stop() {
      stopped = true;
      office.kill('SIGTERM');
    },
  };
}
