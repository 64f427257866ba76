import { Migration } from '@mikro-orm/migrations';

/** What specimens turned out to be: rows are added and taken back, never changed. */
export class Migration20261230000000 extends Migration {
  override up(): void {
    this.addSql(`create table verification (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      specimen_id uuid not null,
      kind text not null,
      taxon text not null,
      facets jsonb not null,
      wrong double precision not null,
      on_day date not null,
      note text,
      same_call boolean not null,
      made_by text not null,
      at timestamptz not null,
      withdrawn_by text,
      primary key (station_id, id),
      foreign key (station_id, specimen_id) references specimen (station_id, id) on delete cascade
    );`);
    this.addSql('create index verification_of on verification (station_id, specimen_id, at desc);');
  }

  override down(): void {
    this.addSql('drop table verification;');
  }
}
