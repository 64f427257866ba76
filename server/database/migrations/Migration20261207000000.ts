import { Migration } from '@mikro-orm/migrations';

const head = `
  station_id uuid not null references station (id) on delete cascade,
  id uuid not null,
  version int not null,
  hidden boolean not null default false,
  recorded_by text not null,
  created_at timestamptz not null,
  updated_at timestamptz not null,
  content jsonb not null`;

/** Fieldwork: sites, visits, captures, strings of rings, counts, and the station's sheet. */
export class Migration20261207000000 extends Migration {
  override up(): void {
    this.addSql(`create table site (${head}, primary key (station_id, id));`);
    this.addSql(`create table visit (${head},
      site_id uuid not null,
      started_at timestamptz not null,
      ended_at timestamptz,
      primary key (station_id, id),
      foreign key (station_id, site_id) references site (station_id, id)
    );`);
    this.addSql('create index visit_newest on visit (station_id, hidden, started_at desc, id desc);');
    this.addSql('create index visit_of_site on visit (station_id, site_id, started_at desc);');
    this.addSql(`create table capture (${head},
      visit_id uuid not null,
      at timestamptz not null,
      what text not null,
      mark text,
      due date,
      primary key (station_id, id),
      foreign key (station_id, visit_id) references visit (station_id, id)
    );`);
    this.addSql('create index capture_newest on capture (station_id, hidden, at desc, id desc);');
    this.addSql('create index capture_of_visit on capture (station_id, visit_id, at desc);');
    this.addSql('create index capture_of_mark on capture (station_id, mark, at) where mark is not null;');
    this.addSql('create index capture_ringed on capture (station_id, mark collate "C") where what = $$ringed$$ and not hidden;');
    this.addSql('create index capture_again on capture (station_id, at desc) where what = $$again$$ and not hidden;');
    this.addSql('create index capture_due on capture (station_id, due) where due is not null and not hidden;');
    this.addSql('create index capture_found on capture using gin (station_id, mark gin_trgm_ops);');
    this.addSql(`create table ring_string (${head}, primary key (station_id, id));`);
    this.addSql(`create table field_count (${head}, site_id uuid, at timestamptz not null, primary key (station_id, id));`);
    this.addSql('create index field_count_newest on field_count (station_id, hidden, at desc, id desc);');
    this.addSql(`create table field_sheet (${head}, primary key (station_id, id));`);
  }

  override down(): void {
    for (const table of ['field_sheet', 'field_count', 'ring_string', 'capture', 'visit', 'site'])
      this.addSql(`drop table ${table};`);
  }
}
