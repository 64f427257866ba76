import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import pino from 'pino';
import { createApp } from './app';
import { readConfig } from './config';
import { openDatabase, openPool } from './database/orm';
import { openMetrics } from './observe/metrics';
import { loadDemo } from './demo';
import { Jobs } from './jobs/jobs';
import { openKeyPool } from './keys/pool';
import { openLearnPool } from './learn/pool';
import { openPagePool } from './page/pool';
import { openAnalysisPool } from './analysis/pool';

const config = readConfig(process.env);
const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
const { version } = JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as { version: string };

/** Codes to end with: what may be mended by itself, and what has to be set otherwise first (sysexits, EX_CONFIG). */
const LATER = 1;
const HOPELESS = 78;

const fail = (sentence: string, code: number): never => {
  process.stderr.write(`${sentence}\n`);
  process.exit(code);
};

const orm = await openDatabase(config.databaseUrl).catch((error: Error) =>
  fail(
    `The database does not answer (${error.message}). Check that DATABASE_URL names a PostgreSQL that runs, or unset it to use Plesion’s own.`,
    LATER,
  ),
);
const pool = openPool(config.databaseUrl, (error) =>
  log.warn({ message: error.message }, 'a connection to the database was lost'),
);
const weighing = openAnalysisPool(fileURLToPath(new URL('./analysis/analysis.worker.ts', import.meta.url)));
const learning = openLearnPool(fileURLToPath(new URL('./learn/learn.worker.ts', import.meta.url)));
const keying = openKeyPool(fileURLToPath(new URL('./keys/make.worker.ts', import.meta.url)));
const paging = openPagePool(fileURLToPath(new URL('./page/page.worker.ts', import.meta.url)));
const jobs = new Jobs();
await loadDemo(orm.em.fork(), weighing);

const metrics = config.metricsPort === undefined ? undefined : openMetrics(weighing.waiting);
const app = createApp({
  orm,
  pool,
  weighing,
  learning,
  keying,
  paging,
  jobs,
  sessionSecret: config.sessionSecret,
  version,
  log,
  metrics,
  webRoot: config.webRoot,
  publicUrl: config.publicUrl,
  trustProxy: config.trustProxy,
});
const server = app.listen(config.port, config.host);
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

let stopping = false;
const stop = async () => {
  if (stopping) return;
  stopping = true;
  server.close();
  server.closeAllConnections();
  jobs.close();
  await Promise.allSettled([weighing.close(), learning.close(), keying.close(), paging.close(), pool.end(), orm.close(true)]);
  process.exit(0);
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
