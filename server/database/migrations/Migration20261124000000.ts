import { Migration } from '@mikro-orm/migrations';

/** Stations, accounts, sessions, guides with their versions, specimens and photos. */
export class Migration20261124000000 extends Migration {
  override up(): void {
    this.addSql(`
      create table station (
        id uuid primary key, name varchar(60) not null unique, demo boolean not null default false,
        created_at timestamptz not null default now());`);
    this.addSql(`
      create table account (
        id uuid primary key, station_id uuid not null references station (id) on delete cascade,
        name varchar(60) not null, password_hash text not null, created_at timestamptz not null default now());`);
    this.addSql(`create unique index account_name on account (lower(name));`);
    this.addSql(`
      create table session (sid varchar primary key, sess json not null, expire timestamp(6) not null);`);
    this.addSql(`create index session_expire on session (expire);`);
    this.addSql(`
      create table guide (
        id uuid primary key, station_id uuid not null references station (id) on delete cascade, slug varchar(80) not null,
        title text not null, summary text not null, kind text not null, area text not null, version int not null, hash char(64) not null,
        forms int not null, characters int not null, updated_at timestamptz not null, unique (station_id, slug));`);
    this.addSql(`
      create table guide_version (
        guide_id uuid not null references guide (id) on delete cascade, version int not null,
        station_id uuid not null references station (id) on delete cascade, hash char(64) not null, content json not null,
        created_at timestamptz not null default now(), primary key (guide_id, version));`);
    this.addSql(`
      create table specimen (
        id uuid primary key, station_id uuid not null references station (id) on delete cascade,
        guide_id uuid not null references guide (id), guide_version int not null, version int not null, label varchar(120) not null,
        place varchar(200), seen_on date, named boolean not null, search text not null, situation jsonb not null, readings jsonb not null,
        determinations jsonb not null, summary jsonb not null, photo char(64), hidden boolean not null default false,
        recorded_by varchar(60) not null, created_at timestamptz not null, updated_at timestamptz not null);`);
    this.addSql(`
      create table photo (
        station_id uuid not null references station (id) on delete cascade, hash char(64) not null, width int not null, height int not null,
        whole bytea not null, thumb bytea not null, created_at timestamptz not null default now(), primary key (station_id, hash));`);
    this.addSql(`create index specimen_daybook on specimen (station_id, hidden, seen_on desc nulls first, created_at desc);`);
    this.addSql(`create index specimen_guide on specimen (guide_id);`);
  }

  override down(): void {
    this.addSql('drop table photo, specimen, guide_version, guide, session, account, station;');
  }
}
