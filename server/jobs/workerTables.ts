import { Logger, runMigrations } from 'graphile-worker';
import type { Pool } from 'pg';

/** What the worker would say is said by the server's own log. */
export const quiet = new Logger(() => () => undefined);

/** The worker's own tables; they are made and brought up to date as it says. */
export const needWorkerTables = (pool: Pool): Promise<void> => runMigrations({ pgPool: pool, logger: quiet });
