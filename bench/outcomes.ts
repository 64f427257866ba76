import type pg from 'pg';
import { onStation } from './onStation';
import { timed } from './timed';

const RECORDS = 100_000;
const MARKS = 6;
const TIMES = 15;

/** A station with 100,000 records of which it is known what they were: calibration, hit rates, and what one is warned by, beside the bare statement. */
export async function reportOutcomes(print: (line?: string) => void): Promise<void> {
  await onStation(async ({ client, pool, station }) => {
    const { rows } = await pool.query<{ guide: string }>(
      `select id as guide from guide where station_id = $1 and slug = 'ledge-crabs'`,
      [station],
    );
    const [{ guide }] = rows;
    await fill(pool, station, guide);
    const asked = [
      {
        what: 'how names turned out',
        path: '/api/calibration',
        bare: `select count(*), avg((determinations->-1->>'p')::float) from specimen where station_id = $1`,
      },
      {
        what: 'how often each mark was right',
        path: '/api/hit-rates',
        bare: `select mark->'reading'->>'character', count(*) from judged_call, jsonb_array_elements(judged->'marks') mark where station_id = $1 group by 1`,
      },
      {
        what: 'what one is warned by',
        path: `/api/overturned?guideId=${guide}`,
        bare: `select * from judged_call where station_id = $1 and not (judged->>'right')::boolean limit 200`,
      },
    ];
    print();
    print(`A station with ${RECORDS} verified records, one at a time, ${TIMES} times each (aim: 1,000 ms):`);
    for (const { what, path, bare } of asked) {
      const ours = await timed(() => client.ask('GET', path), TIMES);
      const sql = await timed(() => pool.query(bare, [station]), TIMES);
      print(
        `${what.padEnd(30)} p50 ${ours.p50.toFixed(0).padStart(6)} ms, p99 ${ours.p99.toFixed(0).padStart(6)} ms; bare SQL ${sql.p50.toFixed(0)} ms`,
      );
    }
  });
}

async function fill(pool: pg.Pool, station: string, guide: string): Promise<void> {
  const day = `timestamptz '2020-01-01' + i * interval '30 minutes'`;
  await pool.query(
    `insert into specimen (station_id, id, version, hidden, guide_id, guide_version, label, named, search, situation, readings, determinations, summary, recorded_by, created_at, updated_at)
     select $1, gen_random_uuid(), 1, false, $2, 1, 'B ' || i, true, '', '{}', '[]',
       jsonb_build_array(jsonb_build_object('id', gen_random_uuid(), 'qualifier', 'none', 'taxon', case when i % 5 = 0 then 'velloma' else 'murica' end,
         'facets', '{}'::jsonb, 'by', 'person ' || i % 30, 'at', ${day}, 'p', 0.5 + (i % 500) / 1000.0, 'recommended', '', 'overruled', false, 'guideVersion', 1)),
       '{}', 'ann', ${day}, ${day}
     from generate_series(1, $3::int) i`,
    [station, guide, RECORDS],
  );
  await pool.query(
    `insert into verification (station_id, id, specimen_id, kind, taxon, facets, wrong, on_day, same_call, made_by, at)
     select $1, gen_random_uuid(), id, 'expert', 'murica', '{}', 0.05, '2026-06-01', false, 'ann', now() from specimen where station_id = $1`,
    [station],
  );
  // Else the plan of what follows may be one for a handful of records, and take an hour.
  await pool.query('analyze specimen, verification');
  await pool.query(
    `insert into judged_call (station_id, specimen_id, verification_id, specimen_version, guide_id, called, truth, is_right, by, season, p, judged)
     select $1, s.id, v.id, 1, $2, s.determinations->0->>'taxon', 'murica', s.determinations->0->>'taxon' = 'murica', s.determinations->0->>'by',
       extract(year from s.created_at), (s.determinations->0->>'p')::real, jsonb_build_object('determination', s.determinations->0->>'id', 'called', jsonb_build_object('taxon', s.determinations->0->>'taxon', 'facets', '{}'::jsonb),
       'by', s.determinations->0->>'by', 'at', s.determinations->0->>'at', 'p', s.determinations->0->'p', 'right', s.determinations->0->>'taxon' = 'murica', 'margin', 2,
       'marks', (select jsonb_agg(jsonb_build_object('reading', jsonb_build_object('character', 'mark ' || k), 'bits', hashtext(s.id::text || k) % 4)) from generate_series(1, ${MARKS}) k))
     from specimen s join verification v on v.station_id = s.station_id and v.specimen_id = s.id where s.station_id = $1`,
    [station, guide],
  );
  await pool.query('analyze');
}
