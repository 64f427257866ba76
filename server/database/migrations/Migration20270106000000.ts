import { Migration } from '@mikro-orm/migrations';

/** People who belong to several stations: who signs in is one, what they are in each station another; and passkeys. */
export class Migration20270106000000 extends Migration {
  override up(): void {
    this.addSql(`create table person (
      id uuid primary key,
      name text not null,
      password_hash text not null,
      station_id uuid,
      created_at timestamptz not null
    );`);
    // One account was one person; its id is theirs, so that sessions go on.
    this.addSql('insert into person select id, name, password_hash, station_id, created_at from account;');
    this.addSql('create unique index person_name on person (lower(name));');
    this.addSql('alter table account add column person_id uuid references person (id);');
    this.addSql('update account set person_id = id;');
    this.addSql('alter table account alter column person_id set not null, drop column password_hash;');
    this.addSql('drop index account_name;');
    this.addSql('create unique index account_name on account (station_id, lower(name));');
    this.addSql('create unique index account_person on account (station_id, person_id);');
    this.addSql('create index account_of on account (person_id);');
    this.addSql(`create table passkey (
      id text primary key,
      person_id uuid not null references person (id) on delete cascade,
      name text not null,
      public_key bytea not null,
      counter bigint not null,
      transports jsonb not null,
      created_at timestamptz not null,
      used_at timestamptz
    );`);
    this.addSql('create index passkey_of on passkey (person_id);');
  }

  override down(): void {
    this.addSql('drop table passkey;');
    this.addSql("alter table account add column password_hash text not null default '';");
    this.addSql('update account set password_hash = person.password_hash from person where person.id = person_id;');
    this.addSql('drop index account_person, account_of, account_name;');
    this.addSql('alter table account drop column person_id;');
    this.addSql('drop table person;');
    this.addSql('create unique index account_name on account (lower(name));');
  }
}
