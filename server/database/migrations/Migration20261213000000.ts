import { Migration } from '@mikro-orm/migrations';

/** Names that were corrected: what a record went by before, and since; the grid that places of sensitive taxa are told by; answers in practice. */
export class Migration20261213000000 extends Migration {
  override up(): void {
    this.addSql(`create table correction (
      station_id uuid not null references station (id) on delete cascade,
      kind text not null,
      record_id uuid not null,
      version int not null,
      day date not null,
      site_id uuid,
      recorded_by text not null,
      was jsonb,
      became jsonb,
      account text not null,
      at timestamptz not null,
      primary key (station_id, kind, record_id, version)
    );`);
    this.addSql('alter table station add column grid double precision not null default 0.1;');
    this.addSql(`create table practice_answer (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      account text not null,
      guide_id uuid not null,
      guide_version int not null,
      seed text not null,
      asked jsonb not null,
      answer jsonb not null,
      truth text not null,
      p double precision not null,
      bits double precision not null,
      correct boolean not null,
      at timestamptz not null,
      primary key (station_id, id)
    );`);
    this.addSql('create index practice_answer_own on practice_answer (station_id, account, at desc);');
    this.addSql('create index correction_newest on correction (station_id, at desc);');
  }

  override down(): void {
    this.addSql('alter table station drop column grid;');
    this.addSql('drop table practice_answer;');
    this.addSql('drop table correction;');
  }
}
