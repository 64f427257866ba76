import { Migration } from '@mikro-orm/migrations';

/** Ground of a station's own to draw records on. */
export class Migration20261210000000 extends Migration {
  override up(): void {
    this.addSql(`create table base_map (
      station_id uuid primary key references station (id) on delete cascade,
      content jsonb not null,
      account text not null,
      at timestamptz not null
    );`);
  }

  override down(): void {
    this.addSql('drop table base_map;');
  }
}
