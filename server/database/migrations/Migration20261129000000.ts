import { Migration } from '@mikro-orm/migrations';

/** Long work with what it was asked and what it gave; who does it, and when, is told by the worker's own tables. */
export class Migration20261129000000 extends Migration {
  override up(): void {
    this.addSql(`create table job (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      kind varchar(20) not null,
      account_name varchar(255) not null,
      asked json,
      state varchar(10) not null,
      progress double precision not null default 0,
      result json,
      problem json,
      created_at timestamptz not null default now(),
      beat_at timestamptz,
      ended_at timestamptz,
      primary key (station_id, id)
    );`);
    // Those under way are few; those that ended are looked through for the old ones.
    this.addSql("create index job_running on job (station_id) where state = 'running';");
    this.addSql('create index job_ended on job (ended_at) where ended_at is not null;');
  }

  override down(): void {
    this.addSql('drop table job;');
  }
}
