import { openTestServer, type TestServer } from '../test/testServer';

/** Tables that belong to no station, and why. */
const EVERYBODYS: Record<string, string> = {
  station: 'is what the others are divided by',
  session: 'is asked for before it is known whose it is',
  person: 'is somebody, in however many stations',
  passkey: 'opens the door for a person',
  tries: 'counts those who are not in yet',
  mikro_orm_migrations: 'tells of the schema',
};

/** What refers to somebody, who is not of one station. */
const TO_PEOPLE = ['account_person_id_fkey', 'passkey_person_id_fkey'];

interface Unique {
  table: string;
  name: string;
  first: string;
}

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());
const ask = <T>(sql: string) => server.orm.em.fork().getConnection().execute<T[]>(sql);

describe('every table but those that are everybody’s', () => {
  it('says whose its rows are', async () => {
    const tables = await ask<{ table: string; station: boolean }>(`
      select t.table_name as table, exists (
        select from information_schema.columns c
        where c.table_schema = 'public' and c.table_name = t.table_name and c.column_name = 'station_id' and c.is_nullable = 'NO'
      ) as station
      from information_schema.tables t where t.table_schema = 'public' and t.table_type = 'BASE TABLE'`);
    expect(tables.length).toBeGreaterThan(12);
    const without = tables.filter(({ station }) => !station).map(({ table }) => table);
    expect(without.sort()).toEqual(Object.keys(EVERYBODYS).sort());
  });

  it('has keys and unique constraints that begin with the station', async () => {
    const unique = await ask<Unique>(`
      select c.relname as table, i.relname as name, coalesce(a.attname, '(an expression)') as first
      from pg_index x
      join pg_class c on c.oid = x.indrelid join pg_class i on i.oid = x.indexrelid
      join pg_namespace n on n.oid = c.relnamespace and n.nspname = 'public'
      left join pg_attribute a on a.attrelid = c.oid and a.attnum = x.indkey[0]
      where x.indisunique`);
    expect(unique.length).toBeGreaterThan(12);
    const others = unique.filter(({ table, first }) => !(table in EVERYBODYS) && first !== 'station_id');
    expect(others).toEqual([]);
  });

  it('refers to others within the station only', async () => {
    const references = await ask<{ name: string; columns: string[] }>(`
      select o.conname as name, array(
        select a.attname::text from unnest(o.conkey) with ordinality k (num, place)
        join pg_attribute a on a.attrelid = o.conrelid and a.attnum = k.num order by place
      ) as columns
      from pg_constraint o join pg_namespace n on n.oid = o.connamespace and n.nspname = 'public'
      where o.contype = 'f'`);
    expect(references.length).toBeGreaterThan(15);
    const others = references.filter(({ columns }) => columns[0] !== 'station_id').map(({ name }) => name);
    expect(others.sort()).toEqual(TO_PEOPLE);
  });

  it('has an index of the daybook, and of every list, that begins with the station', async () => {
    const lists = await ask<{ definition: string }>(`
      select indexdef as definition from pg_indexes
      where schemaname = 'public' and tablename in ('specimen', 'lot', 'individual', 'measurement', 'identification_key', 'media', 'change', 'lot_specimen')`);
    const others = lists.filter(({ definition }) => !/\(station_id\b/.test(definition));
    expect(others).toEqual([]);
  });
});
