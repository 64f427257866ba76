import { Migration } from '@mikro-orm/migrations';

/** Sets of practice items that are given to others; who began them, and what was said. */
export class Migration20261229000000 extends Migration {
  override up(): void {
    this.addSql(`create table practice_set (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      version int not null,
      title text not null,
      guide_id uuid not null,
      guide_version int not null,
      kind text not null,
      minutes int,
      items jsonb not null,
      given boolean not null,
      closed boolean not null,
      told boolean not null,
      hidden boolean not null,
      made_by text not null,
      updated_at timestamptz not null,
      primary key (station_id, id)
    );`);
    this.addSql(`create table practice_attempt (
      station_id uuid not null,
      set_id uuid not null,
      account text not null,
      begun_at timestamptz not null,
      primary key (station_id, set_id, account),
      foreign key (station_id, set_id) references practice_set (station_id, id) on delete cascade
    );`);
    this.addSql(`create table practice_set_answer (
      station_id uuid not null,
      set_id uuid not null,
      account text not null,
      n int not null,
      answer jsonb not null,
      scored jsonb not null,
      seconds double precision not null,
      at timestamptz not null,
      primary key (station_id, set_id, account, n),
      foreign key (station_id, set_id, account) references practice_attempt (station_id, set_id, account) on delete cascade
    );`);
    this.addSql('create index practice_set_newest on practice_set (station_id, updated_at desc);');
  }

  override down(): void {
    this.addSql('drop table practice_set_answer;');
    this.addSql('drop table practice_attempt;');
    this.addSql('drop table practice_set;');
  }
}
