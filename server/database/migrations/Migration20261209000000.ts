import { Migration } from '@mikro-orm/migrations';

/** What is reported to a ringing office, and what it sends back. */
export class Migration20261209000000 extends Migration {
  override up(): void {
    this.addSql(`create table office_file (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      year int not null,
      sha256 text not null,
      content text not null,
      rows int not null,
      account text not null,
      at timestamptz not null,
      state text not null,
      tries int not null default 0,
      tried_at timestamptz,
      said text,
      receipt jsonb,
      primary key (station_id, id),
      unique (station_id, sha256)
    );`);
    this.addSql(`create index office_file_waiting on office_file (tried_at nulls first) where state = 'waiting';`);
    this.addSql(`create table recovery (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      mark text not null,
      found_on date not null,
      content jsonb not null,
      received_at timestamptz not null,
      primary key (station_id, id)
    );`);
    this.addSql('create index recovery_of_mark on recovery (station_id, mark);');
  }

  override down(): void {
    this.addSql('drop table recovery;');
    this.addSql('drop table office_file;');
  }
}
