import { Migration } from '@mikro-orm/migrations';

/** Keys with every version they had, lots, and how far a specimen was keyed. */
export class Migration20261126000000 extends Migration {
  override up(): void {
    this.addSql(`create table identification_key (
      id uuid primary key,
      station_id uuid not null references station (id) on delete cascade,
      guide_id uuid references guide (id),
      title text not null,
      summary text,
      version int not null,
      hash text not null,
      couplets int not null,
      endpoints int not null,
      faults int not null,
      hidden boolean not null default false,
      updated_at timestamptz not null
    );`);
    this.addSql('create index identification_key_of_station on identification_key (station_id, hidden, guide_id, title);');
    this.addSql(`create table identification_key_version (
      key_id uuid not null references identification_key (id) on delete cascade,
      version int not null,
      station_id uuid not null references station (id) on delete cascade,
      content json not null,
      making jsonb,
      created_at timestamptz not null,
      primary key (key_id, version)
    );`);
    this.addSql(`create table lot (
      id uuid primary key,
      station_id uuid not null references station (id) on delete cascade,
      guide_id uuid not null references guide (id),
      version int not null,
      label text not null,
      specimens jsonb not null,
      walk jsonb,
      note text,
      hidden boolean not null default false,
      created_at timestamptz not null,
      updated_at timestamptz not null
    );`);
    this.addSql('create index lot_of_station on lot (station_id, hidden, guide_id, updated_at desc);');
    this.addSql('alter table specimen add column walk jsonb;');
  }

  override down(): void {
    this.addSql('alter table specimen drop column walk;');
    this.addSql('drop table lot;');
    this.addSql('drop table identification_key_version;');
    this.addSql('drop table identification_key;');
  }
}
