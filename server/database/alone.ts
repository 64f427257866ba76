import pg from 'pg';

/** The lock that a starting server holds; the number is of no meaning, only the same for all. */
const STARTING = 7_401_926;

/**
 * Work that only one server process may do at a time on one database: bringing the
 * schema up to date, filling the demo. The others wait for it; who dies lets go.
 */
export async function alone<T>(databaseUrl: string, work: () => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: databaseUrl });
  // The lock is gone with the connection; the work itself says what is wrong with the database.
  client.on('error', () => undefined);
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [STARTING]);
    return await work();
  } finally {
    await client.end().catch(() => undefined);
  }
}
