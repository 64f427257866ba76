import { randomUUID } from 'node:crypto';
import { demoSpecimens } from '@plesion/demo';
import pg from 'pg';
import { openServer } from '../e2e/station';
import { openPlace } from '../server/test/place';
import { Client } from './client';

const CLIENTS = 100;
const READERS = 8;
const SECONDS = 8;
/** Specimens of the station whose daybook is read. */
const DAYBOOK = 100_000;

interface Measured {
  /** Answers a second. */
  rate: number;
  /** Milliseconds that 99 in 100 were answered within. */
  p99: number;
  median: number;
}

/** So many ask, each again as soon as it is answered. */
async function press(clients: number, ask: () => Promise<void>): Promise<Measured> {
  const times: number[] = [];
  const until = performance.now() + SECONDS * 1000;
  await Promise.all(
    Array.from({ length: clients }, async () => {
      for (let from = performance.now(); from < until; from = performance.now()) {
        await ask();
        times.push(performance.now() - from);
      }
    }),
  );
  times.sort((a, b) => a - b);
  const at = (share: number) => times[Math.min(times.length - 1, Math.floor(times.length * share))];
  return { rate: times.length / SECONDS, p99: at(0.99), median: at(0.5) };
}

/** Many people at once, beside the bare database in the same run. */
export async function reportLoad(print: (line?: string) => void): Promise<void> {
  const name = 'bench';
  const place = await openPlace(name);
  const server = await openServer(place);
  const pool = new pg.Pool({ connectionString: place.database.href, max: 10 });
  try {
    const client = new Client(server.url);
    const login = { station: name, name, password: 'long enough' };
    await client.ask('POST', '/api/stations', JSON.stringify(login));
    const { guides } = JSON.parse(await client.ask('GET', '/api/guides')) as { guides: { id: string; slug: string }[] };
    const idOf = (slug: string) => guides.find((guide) => guide.slug === slug)!.id;
    const people = demoSpecimens.map(({ guide, situation, readings, label }) => ({ guide, situation, readings, label }));
    let next = 0;
    const written = () => {
      const { guide, situation, readings, label } = people[next++ % people.length];
      return JSON.stringify({
        version: 0,
        guideId: idOf(guide),
        label: `${label} ${next}`,
        situation,
        readings,
        determinations: [],
        hidden: false,
      });
    };
    await pool.query('create table bare (station_id uuid, id uuid, body json, primary key (station_id, id))');
    const station = randomUUID();
    const bare = await press(CLIENTS, async () => {
      await pool.query('insert into bare values ($1, $2, $3)', [station, randomUUID(), written()]);
    });
    const put = await press(CLIENTS, async () => {
      await client.ask('PUT', `/api/specimens/${randomUUID()}`, written());
    });
    const standing = await press(CLIENTS, async () => {
      const { guide, situation, readings } = people[next++ % people.length];
      await client.ask('POST', `/api/guides/${idOf(guide)}/standing`, JSON.stringify({ situation, readings }));
    });
    const fresh = await press(CLIENTS, async () => {
      // Nobody has asked this before: a length of its own.
      const { guide, situation, readings } = people[next++ % people.length];
      const own = readings.map((reading) =>
        reading.value === undefined || Number.isInteger(reading.value)
          ? reading
          : { ...reading, value: reading.value * (1 + Math.random() / 1e3) },
      );
      await client.ask('POST', `/api/guides/${idOf(guide)}/standing`, JSON.stringify({ situation, readings: own }));
    });
    await fillDaybook(pool, name);
    const pages = [
      '',
      '?search=petralda',
      '?search=place%2012&named=yes',
      '?named=no&from=2021-01-01&to=2022-01-01',
      '?place=Place%207',
    ];
    const daybook = await press(READERS, async () => {
      await client.ask('GET', `/api/specimens${pages[next++ % pages.length]}`);
    });
    print();
    print(`Many at once, for ${SECONDS} seconds each, on a database of its own:`);
    const line = (what: string, { rate, median, p99 }: Measured, more = '') =>
      print(
        `${what.padEnd(52)} ${rate.toFixed(0).padStart(6)}/s   median ${median.toFixed(0)} ms, 99 in 100 within ${p99.toFixed(0)} ms${more}`,
      );
    line(`bare inserts of the same bytes, ${CLIENTS} at once`, bare);
    line(`specimens written, ${CLIENTS} at once`, put, `   ${(put.rate / bare.rate).toFixed(3)} of bare   (aim: 0.25; 300 ms)`);
    line(`standings of demo specimens, ${CLIENTS} at once`, standing, '   (aim: 400/s)');
    line(`standings never asked before, ${CLIENTS} at once`, fresh);
    line(`daybook of ${DAYBOOK} specimens, ${READERS} at once`, daybook, '   (aim: 100 ms)');
  } finally {
    await pool.end();
    await server.close();
    await place.close();
  }
}

async function fillDaybook(pool: pg.Pool, name: string): Promise<void> {
  await pool.query(
    `insert into specimen (id, station_id, version, label, place, seen_on, named, hidden, search, situation, readings, determinations, summary, recorded_by, created_at, updated_at)
     select gen_random_uuid(), (select station_id from account where name = $1), 1, 'L' || i, 'Place ' || i % 37, date '2020-01-01' + (i % 2000), i % 3 = 0, i % 50 = 0,
       'l' || i || ' place ' || i % 37 || ' petralda ' || md5(i::text), '{}', '[]', '[]',
       '{"name":"x","qualifier":"none","facets":{},"p":0,"leadingForm":"","text":""}', 'ann', now(), now()
     from generate_series(1, $2::int) i`,
    [name, DAYBOOK],
  );
  await pool.query('vacuum analyze specimen');
}
