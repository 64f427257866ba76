import { Migration } from '@mikro-orm/migrations';

/** Tables whose key was an id alone; what refers to them says the station too, so that a station’s rows can lie together. */
const KEYS: [table: string, key: string][] = [
  ['account', 'id'],
  ['guide', 'id'],
  ['guide_version', 'guide_id, version'],
  ['specimen', 'id'],
  ['identification_key', 'id'],
  ['identification_key_version', 'key_id, version'],
  ['lot', 'id'],
  ['individual', 'id'],
];

/** Unique together until now, beside the key: the key itself from here on. */
const SPARE = [
  ['specimen', 'specimen_of_station'],
  ['lot', 'lot_of_station_id'],
  ['individual', 'individual_station_id_id_key'],
];

interface Reference {
  table: string;
  column: string;
  to: string;
  deleted?: 'cascade';
  /** Name of the constraint that said the station already; absent where the id alone was said. */
  was?: string;
}

const REFERENCES: Reference[] = [
  { table: 'api_token', column: 'account_id', to: 'account', deleted: 'cascade' },
  { table: 'guide_version', column: 'guide_id', to: 'guide', deleted: 'cascade' },
  { table: 'specimen', column: 'guide_id', to: 'guide' },
  { table: 'specimen', column: 'individual_id', to: 'individual', was: 'specimen_individual' },
  { table: 'identification_key', column: 'guide_id', to: 'guide' },
  { table: 'identification_key_version', column: 'key_id', to: 'identification_key', deleted: 'cascade' },
  { table: 'lot', column: 'guide_id', to: 'guide' },
  { table: 'lot_specimen', column: 'lot_id', to: 'lot', deleted: 'cascade', was: 'lot_specimen_station_id_lot_id_fkey' },
  {
    table: 'lot_specimen',
    column: 'specimen_id',
    to: 'specimen',
    deleted: 'cascade',
    was: 'lot_specimen_station_id_specimen_id_fkey',
  },
  { table: 'individual', column: 'guide_id', to: 'guide' },
  { table: 'media', column: 'specimen_id', to: 'specimen', deleted: 'cascade', was: 'media_station_id_specimen_id_fkey' },
];

const inStation = ({ table, column, to, deleted }: Reference, name: string) =>
  `alter table ${table} add constraint ${name} foreign key (station_id, ${column}) references ${to} (station_id, id)${
    deleted ? ` on delete ${deleted}` : ''
  };`;
const nameOf = ({ table, column }: Reference) => `${table}_${column}_in_station`;

/** Every key begins with the station, so that the database can be divided by it; see docs/scale.md. */
export class Migration20261130000000 extends Migration {
  override up(): void {
    // With each constraint goes what refers to it.
    for (const [table, name] of SPARE) this.addSql(`alter table ${table} drop constraint ${name} cascade;`);
    for (const [table] of KEYS) this.addSql(`alter table ${table} drop constraint ${table}_pkey cascade;`);
    for (const [table, key] of KEYS) this.addSql(`alter table ${table} add primary key (station_id, ${key});`);
    for (const reference of REFERENCES) this.addSql(inStation(reference, nameOf(reference)));
    // What is looked for by guide is looked for in a station.
    this.addSql('drop index specimen_guide;');
    this.addSql('create index specimen_guide on specimen (station_id, guide_id);');
  }

  override down(): void {
    this.addSql('drop index specimen_guide;');
    this.addSql('create index specimen_guide on specimen (guide_id);');
    for (const reference of REFERENCES) this.addSql(`alter table ${reference.table} drop constraint ${nameOf(reference)};`);
    for (const [table] of KEYS) this.addSql(`alter table ${table} drop constraint ${table}_pkey cascade;`);
    for (const [table, key] of KEYS) this.addSql(`alter table ${table} add primary key (${key});`);
    for (const [table, name] of SPARE) this.addSql(`alter table ${table} add constraint ${name} unique (station_id, id);`);
    for (const reference of REFERENCES) {
      const { table, column, to, deleted, was } = reference;
      this.addSql(
        was
          ? inStation(reference, was)
          : `alter table ${table} add foreign key (${column}) references ${to} (id)${deleted ? ` on delete ${deleted}` : ''};`,
      );
    }
  }
}
