import { Migration } from '@mikro-orm/migrations';

/** Names of checklists, by which anything that is met can be written down. */
export class Migration20261212000000 extends Migration {
  override up(): void {
    this.addSql(`create table checklist (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      file text not null,
      account text not null,
      at timestamptz not null,
      names int not null,
      synonyms int not null,
      not_understood jsonb not null,
      primary key (station_id, id)
    );`);
    this.addSql(`create table checklist_name (
      station_id uuid not null,
      checklist_id uuid not null,
      name text not null,
      accepted text not null,
      rank text,
      vernacular text,
      foreign key (station_id, checklist_id) references checklist (station_id, id) on delete cascade
    );`);
    this.addSql('create index checklist_name_exact on checklist_name (station_id, lower(name));');
    this.addSql('create index checklist_name_of on checklist_name (station_id, checklist_id);');
    this.addSql(
      `create index checklist_name_found on checklist_name using gin (station_id, (name || ' ' || coalesce(vernacular, '')) gin_trgm_ops);`,
    );
  }

  override down(): void {
    this.addSql('drop table checklist_name;');
    this.addSql('drop table checklist;');
  }
}
