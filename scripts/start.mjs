import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { needClient, webRoot } from './lib/client.mjs';
import { startOffice } from './lib/office.mjs';
import { needPackages } from './lib/packages.mjs';
import { dataFolder, startPostgres } from './lib/postgres.mjs';
import { child } from './lib/run.mjs';
import { keepUp } from './lib/keepUp.mjs';
import { serverFile } from './lib/server.mjs';
import { main, say, Stop } from './lib/say.mjs';

/** Signs session cookies; made once and kept beside the data. */
function sessionSecret(folder) {
  if (process.env.SESSION_SECRET) return process.env.SESSION_SECRET;
  const file = join(folder, 'session-secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  return readFileSync(file, 'utf8');
}

/** Say that the port is taken before a minute of work, not after it. */
const needPort = (port, host) =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on('error', (error) =>
      reject(
        new Stop(
          error.code === 'EADDRINUSE'
            ? `Port ${port} is in use. Stop what uses it, or choose another: PORT=${port + 1} npm start`
            : `Port ${port} cannot be used: ${error.message}`,
        ),
      ),
    );
    probe.listen(port, host, () => probe.close(resolve));
  });

await main(async () => {
  const port = Number(process.env.PORT ?? 4180);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Stop(`PORT is “${process.env.PORT}”; it must be a number from 1 to 65535.`);
  await needPort(port, process.env.HOST ?? '127.0.0.1');
  await needPackages();
  needClient();
  const folder = dataFolder();
  mkdirSync(folder, { recursive: true });
  const database = process.env.DATABASE_URL ? undefined : await startPostgres(join(folder, 'postgres'));
  const office = process.env.OFFICE_URL ? undefined : await startOffice(folder);
  const env = {
    NODE_ENV: 'production',
    PORT: String(port),
    WEB_ROOT: webRoot,
    SESSION_SECRET: sessionSecret(folder),
    FILES_FOLDER: process.env.FILES_FOLDER ?? join(folder, 'files'),
    OFFICE_URL: process.env.OFFICE_URL ?? office.url,
    DATABASE_URL: process.env.DATABASE_URL ?? (await database.ensure('plesion')),
  };
  const server = serverFile('server/main.ts');
  const code = await keepUp(() => child(process.execPath, [server], { env }), database);
  office?.stop();
  database?.stop();
  if (code === undefined) say('\nStopped.');
  process.exit(code ?? 0);
});
