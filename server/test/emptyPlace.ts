import { openDatabase, openPool } from '../database/orm';
import { needWorkerTables } from '../jobs/workerTables';
import { leavePlace, openPlace, type Place } from './place';

let place: Place | undefined;

/**
 * Before the server's tests: a place with all tables and nothing in them, once. Each test begins with a copy of it
 * instead of bringing a schema up to date again; that this works from nothing is seen here, and by the migration's own tests.
 */
export default async function make(): Promise<void> {
  place = await openPlace('empty');
  const orm = await openDatabase(place.database.href);
  await orm.close(true);
  const pool = openPool(place.database.href, (error) => {
    throw error;
  });
  await needWorkerTables(pool);
  await pool.end();
  leavePlace('EMPTY', place);
}

export const empty = async (): Promise<void> => place?.close();
