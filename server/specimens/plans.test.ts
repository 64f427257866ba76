import { createHash, randomUUID } from 'node:crypto';
import type { SpecimenQuery } from '@plesion/contract';
import { newStation, openTestServer, type TestServer } from '../test/testServer';
import { listTokens } from '../account/tokens';
import type { Em } from '../database/orm';
import { listGuides } from '../guides/service';
import { listIndividuals } from '../individuals/service';
import { listKeys } from '../keys/service';
import { listLots } from '../lots/service';
import { changesSince } from '../records/changes';
import { usedBy } from '../station/quota';
import { listSpecimens } from './list';

/** Specimens of the station, and of another beside it. */
const MANY = 20_000;

let server: TestServer;
let stationId: string;
beforeAll(async () => {
  server = await openTestServer();
  const own = await newStation(server);
  const other = await newStation(server);
  const station = async (name: string) =>
    (await server.pool.query<{ id: string }>('select station_id as id from account where name = $1', [name])).rows[0].id;
  stationId = await station(own.name);
  for (const [id, count] of [
    [stationId, MANY],
    [await station(other.name), MANY / 2],
  ] as const) {
    await server.pool.query(
      `insert into specimen (id, station_id, version, label, place, seen_on, named, hidden, search, situation, readings, determinations, summary, recorded_by, created_at, updated_at)
       select gen_random_uuid(), $1, 1, 'L' || i, 'Place ' || i % 37, date '2020-01-01' + (i % 2000), i % 3 = 0, i % 50 = 0,
         'l' || i || ' place ' || i % 37 || ' petralda ' || md5(i::text), '{}', '[]', '[]',
         '{"name":"x","qualifier":"none","facets":{},"p":0,"leadingForm":"","text":""}', 'ann', now(), now()
       from generate_series(1, $2::int) i`,
      [id, count],
    );
  }
  await server.pool.query('vacuum analyze specimen');
});
afterAll(() => server.close());

interface Plan {
  'Node Type': string;
  'Index Name'?: string;
  'Relation Name'?: string;
  Plans?: Plan[];
}

const nodes = (plan: Plan): Plan[] => [plan, ...(plan.Plans ?? []).flatMap(nodes)];

/** Every statement about specimens that listing the daybook makes, with how PostgreSQL carries it out. */
async function plansOf(query: SpecimenQuery): Promise<Plan[][]> {
  // As after a write: nothing that was counted before is of use.
  await server.pool.query('update station set changes = changes + 1 where id = $1', [stationId]);
  const em = server.orm.em.fork();
  const connection = em.getConnection();
  const execute = jest.spyOn(connection, 'execute');
  const { total } = await listSpecimens(em, stationId, query);
  expect(total).toBeGreaterThan(0);
  const statements = execute.mock.calls.map(([sql, parameters]) => [sql as string, parameters] as const);
  execute.mockRestore();
  const about = statements.filter(([sql]) => /from "?specimen/.test(sql));
  expect(about.length).toBeGreaterThan(2);
  const plans: Plan[][] = [];
  for (const [sql, parameters] of about) {
    const [row] = await connection.execute<{ 'QUERY PLAN': [{ Plan: Plan }] }[]>(`explain (format json) ${sql}`, parameters);
    plans.push(nodes(row['QUERY PLAN'][0].Plan));
  }
  return plans;
}

describe('the daybook of many specimens', () => {
  it.each<[string, SpecimenQuery, RegExp]>([
    ['as it opens', {}, /^specimen_daybook$/],
    ['searched in by part of a word', { search: '17 f3c1' }, /^specimen_found$/],
    ['of a place', { place: 'Place 7' }, /^specimen_(place|daybook)$/],
    ['of some days', { from: '2020-02-01', to: '2020-02-03' }, /^specimen_daybook$/],
    ['what is not named', { named: 'no' }, /^specimen_daybook$/],
    ['what was removed', { hidden: 'yes' }, /^specimen_daybook$/],
    ['without a guide', { guideId: 'none' }, /^specimen_(daybook|guide)$/],
  ])('%s reads along an index of the station', async (_, query, index) => {
    const plans = await plansOf(query);
    // The page itself is the first.
    expect(plans[0].flatMap((node) => node['Index Name'] ?? [])).toEqual(expect.arrayContaining([expect.stringMatching(index)]));
    for (const plan of [plans[0], plans.at(-1)!])
      expect(plan.filter((node) => node['Relation Name'] === 'specimen' && node['Node Type'] === 'Seq Scan')).toEqual([]);
  });

  it.each([{}, { hidden: 'yes' as const }, { from: '2020-02-01' }])(
    'a page far back, of %j, reads no more than the first',
    async (filter) => {
      const read = async (query: SpecimenQuery) => {
        const em = server.orm.em.fork();
        const connection = em.getConnection();
        const execute = jest.spyOn(connection, 'execute');
        await listSpecimens(em, stationId, { ...query, limit: 20 });
        const [sql, parameters] = execute.mock.calls[0];
        execute.mockRestore();
        const [row] = await connection.execute<
          { 'QUERY PLAN': [{ Plan: Plan & { 'Shared Hit Blocks': number; 'Shared Read Blocks': number } }] }[]
        >(`explain (analyze, buffers, format json) ${sql as string}`, parameters);
        const { Plan } = row['QUERY PLAN'][0];
        return Plan['Shared Hit Blocks'] + Plan['Shared Read Blocks'];
      };
      const {
        rows: [{ id }],
      } = await server.pool.query<{ id: string }>(
        'select id from specimen where station_id = $1 and hidden = $2 order by day, created_at, id offset 50 limit 1',
        [stationId, 'hidden' in filter],
      );
      // The place of the specimen is looked up thrice by its key, and each of twenty rows once, as on the first page.
      expect(await read({ ...filter, after: id })).toBeLessThan((await read(filter)) + 40);
    },
  );

  it('lists its places without reading its specimens', async () => {
    const plan = (await plansOf({})).at(-1)!;
    expect(plan.flatMap((node) => node['Index Name'] ?? [])).toEqual(expect.arrayContaining(['specimen_place']));
    const { places } = await listSpecimens(server.orm.em.fork(), stationId, {});
    expect(places).toEqual(Array.from({ length: 37 }, (_, i) => `Place ${i}`).sort());
  });

  it('counts what is leafed through once, and anew after a write', async () => {
    const counted = async (query: SpecimenQuery) => {
      const em = server.orm.em.fork();
      const execute = jest.spyOn(em.getConnection(), 'execute');
      const { total } = await listSpecimens(em, stationId, query);
      const counts = execute.mock.calls.filter(([sql]) => /count\(/.test(sql as string)).length;
      execute.mockRestore();
      return { total, counts };
    };
    const written = () => server.pool.query('update station set changes = changes + 1 where id = $1', [stationId]);
    await written();
    const first = await counted({ place: 'Place 5' });
    expect(first).toEqual({ total: expect.any(Number), counts: 1 });
    expect(await counted({ place: 'Place 5', after: randomUUID() })).toEqual({ ...first, counts: 0 });
    expect((await counted({ place: 'Place 6' })).counts).toBe(1);
    await server.pool.query(`update specimen set place = 'Elsewhere' where station_id = $1 and place = 'Place 5'`, [stationId]);
    await written();
    expect(await counted({ place: 'Place 5' })).toEqual({ total: 0, counts: 1 });
    await server.pool.query(`update specimen set place = 'Place 5' where station_id = $1 and place = 'Elsewhere'`, [stationId]);
    await written();
    expect(await counted({ place: 'Place 5' })).toEqual(first);
  });

  it('finds what holds every part asked for, and nothing of another station', async () => {
    const { specimens, total } = await listSpecimens(server.orm.em.fork(), stationId, { search: 'l77 place 3' });
    // Reckoned again over the same made-up texts.
    const digest = (i: number) => createHash('md5').update(String(i)).digest('hex');
    const found = Array.from({ length: MANY }, (_, i) => i + 1)
      .filter((i) => i % 50 !== 0)
      .map((i) => ({ i, text: `l${i} place ${i % 37} petralda ${digest(i)}` }))
      .filter(({ text }) => ['l77', 'place', '3'].every((word) => text.includes(word)));
    expect(total).toBe(found.length);
    expect(found.map(({ i }) => `L${i}`)).toEqual(expect.arrayContaining(specimens.map(({ label }) => label)));
  });
});

describe('every other list of a station', () => {
  const LISTS: [string, (em: Em) => Promise<unknown>][] = [
    ['guides', (em) => listGuides(em, stationId)],
    ['keys', (em) => listKeys(em, stationId, {})],
    ['keys to a guide', (em) => listKeys(em, stationId, { guideId: stationId })],
    ['lots', (em) => listLots(em, stationId, {})],
    ['individuals', (em) => listIndividuals(em, stationId, {})],
    ['the feed', (em) => changesSince(em, stationId, 5)],
    ['what it holds', (em) => usedBy(em, stationId)],
    ['API tokens', (em) => listTokens(em, { stationId, accountId: stationId, personId: stationId, accountName: 'ann', role: 'keeper' })],
  ];

  it.each(LISTS)('%s has an index that begins with the station', async (_, list) => {
    const em = server.orm.em.fork();
    const execute = jest.spyOn(em.getConnection(), 'execute');
    await list(em);
    const statements = execute.mock.calls.map(([sql, parameters]) => [sql as string, parameters] as const);
    execute.mockRestore();
    const along: string[] = [];
    for (const [sql, parameters] of statements) {
      // Small tables are read as they lie, index or not: here they are not to be.
      const plan = await em.transactional(async (tx) => {
        const ask = <T>(text: string, values?: unknown[]) =>
          tx.getConnection().execute<T[]>(text, values, 'all', tx.getTransactionContext());
        await ask('set local enable_seqscan = off');
        const [row] = await ask<{ 'QUERY PLAN': [{ Plan: Plan }] }>(`explain (format json) ${sql}`, parameters);
        return nodes(row['QUERY PLAN'][0].Plan);
      });
      const read = plan.filter((node) => node['Relation Name'] && !/Index|Bitmap/.test(node['Node Type']));
      expect(read.map((node) => node['Relation Name'])).toEqual([]);
      along.push(...plan.flatMap((node) => node['Index Name'] ?? []));
    }
    expect(along.length).toBeGreaterThan(0);
  });
});
