import { Migration } from '@mikro-orm/migrations';

/** Wrong tries at the door, counted for every server process; sessions found by account; tokens for scripts. */
export class Migration20261128000000 extends Migration {
  override up(): void {
    this.addSql('create table tries (key varchar(255) primary key, points integer not null default 0, expire bigint);');
    this.addSql('create index tries_expired on tries (expire);');
    this.addSql("create index session_of_account on session ((sess -> 'caller' ->> 'accountId'));");
    // The daybook is found in by parts of words, and its places are listed, without reading it all.
    this.addSql('create extension if not exists pg_trgm;');
    this.addSql('create extension if not exists btree_gin;');
    this.addSql('create index specimen_found on specimen using gin (station_id, search gin_trgm_ops);');
    this.addSql('create index specimen_place on specimen (station_id, place) where not hidden and place is not null;');
    this.addSql(`create table api_token (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      account_id uuid not null references account (id) on delete cascade,
      name varchar(60) not null,
      scope varchar(10) not null,
      hash char(64) not null,
      created_at timestamptz not null,
      used_at timestamptz,
      primary key (station_id, id),
      unique (station_id, hash)
    );`);
  }

  override down(): void {
    this.addSql('drop table api_token;');
    this.addSql('drop index specimen_found, specimen_place;');
    this.addSql('drop index session_of_account;');
    this.addSql('drop table tries;');
  }
}
