import { Migration } from '@mikro-orm/migrations';

/** Fieldwork of earlier years that was read in, and can be taken back as one. */
export class Migration20261208000000 extends Migration {
  override up(): void {
    this.addSql(`create table field_import (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      file text not null,
      account text not null,
      at timestamptz not null,
      sites int not null,
      visits int not null,
      captures int not null,
      taken_back_at timestamptz,
      primary key (station_id, id)
    );`);
    for (const table of ['site', 'visit', 'capture']) {
      this.addSql(`alter table ${table} add column import_id uuid;`);
      this.addSql(`create index ${table}_of_import on ${table} (station_id, import_id) where import_id is not null;`);
    }
  }

  override down(): void {
    for (const table of ['site', 'visit', 'capture']) this.addSql(`alter table ${table} drop column import_id;`);
    this.addSql('drop table field_import;');
  }
}
