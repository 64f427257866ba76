import pg from 'pg';
import { openServer } from '../e2e/station';
import { openPlace } from '../server/test/place';
import { Client } from './client';

const NAME = 'bench';

/** A station of its own on a server of its own: whoever asks it, its database, and its id. */
export interface OnStation {
  client: Client;
  pool: pg.Pool;
  station: string;
}

/** What is done with a new station, which is gone afterwards. */
export async function onStation(act: (on: OnStation) => Promise<void>): Promise<void> {
  const place = await openPlace(NAME);
  const server = await openServer(place);
  const pool = new pg.Pool({ connectionString: place.database.href, max: 4 });
  try {
    const client = new Client(server.url);
    await client.ask('POST', '/api/stations', JSON.stringify({ station: NAME, name: NAME, password: 'long enough' }));
    const { rows } = await pool.query<{ id: string }>('select station_id as id from account where name = $1', [NAME]);
    await act({ client, pool, station: rows[0].id });
  } finally {
    await pool.end();
    await server.close();
    await place.close();
  }
}
