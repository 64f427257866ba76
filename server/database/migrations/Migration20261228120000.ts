import { Migration } from '@mikro-orm/migrations';

/** What each is in a station, with their initials; links by which others come in. */
export class Migration20261228120000 extends Migration {
  override up(): void {
    this.addSql(
      "alter table account add column role text not null default 'keeper', add column initials text not null default '';",
    );
    this.addSql("update account set initials = upper(left(regexp_replace(name, '[^[:alpha:]]', '', 'g') || 'X', 2));");
    this.addSql('create unique index account_initials on account (station_id, initials);');
    this.addSql(`
      create table invitation (
        station_id uuid not null references station (id) on delete cascade,
        id uuid not null,
        hash text not null,
        role text not null,
        account_id uuid,
        made_by text not null,
        until timestamptz not null,
        primary key (station_id, id),
        foreign key (station_id, account_id) references account (station_id, id) on delete cascade
      );`);
    this.addSql('create unique index invitation_hash on invitation (station_id, hash);');
  }

  override down(): void {
    this.addSql('drop table invitation;');
    this.addSql('drop index account_initials;');
    this.addSql('alter table account drop column role, drop column initials;');
  }
}
