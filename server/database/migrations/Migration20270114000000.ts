import { Migration } from '@mikro-orm/migrations';

/** Pens of a keeper's book. No two that are in use have one name. */
export class Migration20270114000000 extends Migration {
  override up(): void {
    this.addSql(`create table pen (
      station_id uuid not null references station (id),
      id uuid not null,
      guide_id uuid not null,
      version int not null,
      hidden boolean not null,
      recorded_by text not null,
      created_at timestamptz not null,
      updated_at timestamptz not null,
      content jsonb not null,
      primary key (station_id, id),
      foreign key (station_id, guide_id) references guide (station_id, id)
    );`);
    this.addSql(`create unique index pen_name on pen (station_id, guide_id, lower(content->>'name')) where not hidden;`);
  }

  override down(): void {
    this.addSql('drop table pen;');
  }
}
