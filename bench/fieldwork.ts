import type pg from 'pg';
import { onStation } from './onStation';
import { timed } from './timed';

const CAPTURES = 200_000;
const VISITS = 4_000;
const TIMES = 200;

/** A station with 200,000 captures: Field, the bearer of a ring, and a search by part of its number, beside the bare statement. */
export async function reportFieldwork(print: (line?: string) => void): Promise<void> {
  await onStation(async ({ client, pool, station }) => {
    await fill(pool, station);
    const ring = (i: number) => `H ${String((i * 7919) % 90_000).padStart(6, '0')}`;
    const part = (i: number) => String(100 + ((i * 37) % 900));
    const today = '2026-06-15';
    const asked = [
      {
        what: 'Field opens',
        ask: () => client.ask('GET', `/api/field?today=${today}`),
        bare: () =>
          pool.query(
            `select what, count(*) from capture where station_id = $1 and not hidden and at >= $2 and at < $3 group by what`,
            [station, '2026-01-01', '2027-01-01'],
          ),
      },
      {
        what: 'the bearer of a ring',
        ask: (i: number) => client.ask('GET', `/api/marks/${encodeURIComponent(ring(i))}`),
        bare: (i: number) =>
          pool.query('select * from capture where station_id = $1 and mark = $2 order by at', [station, ring(i)]),
      },
      {
        what: 'a search by part of a ring',
        ask: (i: number) => client.ask('GET', `/api/captures?ring=${part(i)}&limit=40`),
        bare: (i: number) =>
          pool.query(
            'select * from capture where station_id = $1 and not hidden and mark like $2 order by at desc, id desc limit 40',
            [station, `%${part(i)}%`],
          ),
      },
      {
        what: 'all places of the map',
        ask: () => client.ask('GET', '/api/places'),
        bare: () =>
          pool.query(
            `select visit.site_id, date_trunc('month', capture.at), count(*) from capture
             join visit on visit.station_id = capture.station_id and visit.id = capture.visit_id
             where capture.station_id = $1 and not capture.hidden group by 1, 2`,
            [station],
          ),
      },
      {
        what: 'what lists are made of',
        ask: () => client.ask('GET', '/api/lists'),
        bare: () =>
          pool.query(
            `select content->>'taxon', min(at) from capture where station_id = $1 and not hidden and content->>'taxon' is not null group by 1`,
            [station],
          ),
      },
    ];
    print();
    print(`Fieldwork of a station with ${CAPTURES} captures, one at a time, ${TIMES} times each (aim: 100 ms):`);
    for (const { what, ask, bare } of asked) {
      const [ours, sql] = [await timed(ask), await timed(bare)];
      print(
        `${what.padEnd(30)} p50 ${ours.p50.toFixed(1).padStart(6)} ms, p99 ${ours.p99.toFixed(1).padStart(6)} ms; bare SQL ${sql.p50.toFixed(1)} and ${sql.p99.toFixed(1)} ms`,
      );
    }
  });
}

async function fill(pool: pg.Pool, station: string): Promise<void> {
  const head = `1, false, 'ann', now(), now()`;
  await pool.query(
    `insert into site (station_id, id, version, hidden, recorded_by, created_at, updated_at, content)
     select $1, gen_random_uuid(), ${head}, jsonb_build_object('name', 'Site ' || i, 'licences', '[]'::jsonb) from generate_series(1, 12) i`,
    [station],
  );
  await pool.query(
    `insert into visit (station_id, id, version, hidden, recorded_by, created_at, updated_at, content, site_id, started_at, ended_at)
     select $1, gen_random_uuid(), ${head},
       jsonb_build_object('siteId', site, 'startedAt', at, 'people', '["ann"]'::jsonb, 'method', 'watch', 'overrides', '[]'::jsonb, 'endedAt', at),
       site, at, at
     from (select (select array_agg(id) from site where station_id = $1) as sites) all_sites,
       generate_series(1, $2::int) i,
       lateral (select sites[1 + i % 12] as site, timestamptz '2016-01-01' + i * interval '23 hours' as at) one`,
    [station, VISITS],
  );
  await pool.query(
    `insert into capture (station_id, id, version, hidden, recorded_by, created_at, updated_at, content, visit_id, at, what, mark)
     select $1, gen_random_uuid(), ${head},
       jsonb_build_object('visitId', visit.id, 'at', visit.started_at, 'what', what, 'mark', mark, 'readings', '[]'::jsonb, 'overrides', '[]'::jsonb,
         'name', 'kind ' || i % 40, 'sex', case when i % 3 = 0 then 'male' else 'unknown' end),
       visit.id, visit.started_at, what, mark
     from (select array_agg(id order by started_at) as ids from visit where station_id = $1) v
       cross join generate_series(1, $2::int) i
       cross join lateral (select 'H ' || lpad((i % 90000)::text, 6, '0') as mark, case when i < 90000 then 'ringed' else 'again' end as what) m
       join visit on visit.station_id = $1 and visit.id = ids[1 + (i * ${VISITS}::bigint / ($2::int + 1))::int]`,
    [station, CAPTURES],
  );
  await pool.query(
    `insert into ring_string (station_id, id, version, hidden, recorded_by, created_at, updated_at, content)
     select $1, gen_random_uuid(), ${head}, jsonb_build_object('letters', 'H', 'digits', 6, 'first', 88000 + i * 200, 'last', 88199 + i * 200, 'size', 'C', 'ringer', 'ann', 'loadedOn', '2026-01-01', 'unused', '[]'::jsonb)
     from generate_series(0, 9) i`,
    [station],
  );
  await pool.query('vacuum analyze capture, visit');
}
