import { readFileSync } from 'node:fs';
import { createApp } from './app';
import { readConfig } from './config';
import { openLog } from './observe/log';
import { openMetrics } from './observe/metrics';
import { alone } from './database/alone';
import { loadDemo } from './demo';
import { openParts } from './parts';
import { moveOut } from './photos/moveOut';

const config = readConfig(process.env);
const log = openLog(process.env.LOG_LEVEL ?? 'warn');
const { version } = JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as { version: string };

/** Codes to end with: what may be mended by itself, and what has to be set otherwise first (sysexits, EX_CONFIG). */
const LATER = 1;
const HOPELESS = 78;

/**
 * A connection that is asked nothing stays open longer than proxies and browsers keep theirs (mostly 60 s): else they ask on one
 * that is being closed, and what they asked is lost.
 */
const IDLE_MS = 75_000;

const fail = (sentence: string, code: number): never => {
  process.stderr.write(`${sentence}\n`);
  process.exit(code);
};

/** Several processes may start at once on an empty database; one of them makes it ready. */
const parts = await alone(config.databaseUrl, async () => {
  const opened = await openParts({ ...config, version, log });
  await loadDemo(opened.orm.em.fork(), opened);
  return opened;
}).catch((error: Error) =>
  fail(
    `The database does not answer (${error.message}). Check that DATABASE_URL names a PostgreSQL that runs, or unset it to use Plesion’s own.`,
    LATER,
  ),
);

const metrics = config.metricsPort === undefined ? undefined : openMetrics(parts.weighing.waiting);
const { sessionSecret, webRoot, publicUrl, trustProxy, quotas } = config;
const app = createApp(parts, { sessionSecret, version, log, metrics, webRoot, publicUrl, trustProxy, quotas });
const server = app.listen(config.port, config.host);
server.keepAliveTimeout = IDLE_MS;
server.headersTimeout = IDLE_MS + 1000;
metrics?.listen(config.metricsPort!, config.host).unref();
server.on('listening', () => {
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : config.port;
  process.stdout.write(`Plesion is at http://${config.host === '127.0.0.1' ? 'localhost' : config.host}:${port}\n`);
});
server.on('error', (error: NodeJS.ErrnoException) =>
  fail(
    error.code === 'EADDRINUSE'
      ? `Port ${config.port} is in use. Stop what uses it, or choose another: PORT=${config.port + 1} npm start`
      : `The server cannot listen: ${error.message}`,
    HOPELESS,
  ),
);

void moveOut(parts.orm.em.fork(), parts.files).catch((error: Error) =>
  log.warn({ message: error.message }, 'photos still lie in rows'),
);

let stopping = false;
const stop = async () => {
  if (stopping) return;
  stopping = true;
  server.close();
  server.closeAllConnections();
  await parts.close();
  process.exit(0);
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
