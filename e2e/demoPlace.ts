import { execFileSync } from 'node:child_process';
import { leavePlace, openPlace, type Place } from '../server/test/place';
import { openServer } from './station';

let place: Place | undefined;

/**
 * Before the browser tests: a place in which the server has made its demo, once. Each test begins
 * with a copy of it instead of making it again; that it is made from nothing is seen by
 * the tests of several processes, and here.
 */
export default async function fill(): Promise<void> {
  process.env.SERVER_FILE = execFileSync(process.execPath, ['scripts/server.mjs'], { encoding: 'utf8' });
  place = await openPlace('demo');
  await (await openServer(place)).close();
  leavePlace('DEMO', place);
}

export const empty = async (): Promise<void> => place?.close();
