import { Migration } from '@mikro-orm/migrations';

const TOLD = ['change', 'verification', 'opinion_ask', 'opinion', 'review', 'remark'];

/** What records held before they were changed, and from which device each thing was done. */
export class Migration20270107000000 extends Migration {
  override up(): void {
    this.addSql(`create table earlier_state (
      station_id uuid not null references station (id),
      kind text not null,
      record_id uuid not null,
      version int not null,
      content jsonb not null,
      primary key (station_id, kind, record_id, version)
    );`);
    for (const table of ['verification', 'opinion_ask']) this.addSql(`alter table ${table} add column withdrawn_at timestamptz;`);
    for (const table of TOLD) this.addSql(`alter table ${table} add column device text not null default '';`);
  }

  override down(): void {
    this.addSql('drop table earlier_state;');
    for (const table of ['verification', 'opinion_ask']) this.addSql(`alter table ${table} drop column withdrawn_at;`);
    for (const table of TOLD) this.addSql(`alter table ${table} drop column device;`);
  }
}
