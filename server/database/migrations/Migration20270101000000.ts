import { Migration } from '@mikro-orm/migrations';

/** What others make of a record: who was asked, and what each said, once. */
export class Migration20270101000000 extends Migration {
  override up(): void {
    this.addSql(`create table opinion_ask (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      specimen_id uuid not null,
      asked_by text not null,
      asked_of jsonb not null,
      question text,
      at timestamptz not null,
      decided_by text,
      decided_at timestamptz,
      decided_why text,
      withdrawn boolean not null default false,
      link_hash text,
      link_until timestamptz,
      primary key (station_id, id),
      foreign key (station_id, specimen_id) references specimen (station_id, id) on delete cascade
    );`);
    this.addSql('create index opinion_ask_of on opinion_ask (station_id, specimen_id, at desc);');
    this.addSql('create index opinion_ask_open on opinion_ask (station_id, at) where decided_at is null and not withdrawn;');
    this.addSql('create unique index opinion_ask_link on opinion_ask (station_id, link_hash) where link_hash is not null;');
    this.addSql(`create table opinion (
      station_id uuid not null,
      ask_id uuid not null,
      given_by text not null,
      id uuid not null,
      outside boolean not null,
      opinion jsonb not null,
      at timestamptz not null,
      primary key (station_id, ask_id, given_by, outside),
      foreign key (station_id, ask_id) references opinion_ask (station_id, id) on delete cascade
    );`);
  }

  override down(): void {
    this.addSql('drop table opinion;');
    this.addSql('drop table opinion_ask;');
  }
}
