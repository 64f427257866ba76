import { Migration } from '@mikro-orm/migrations';

/** Wrong tries at the door, counted for every server process; what is expired is forgotten as it is met. */
export class Migration20261128000000 extends Migration {
  override up(): void {
    this.addSql('create table tries (key varchar(255) primary key, points integer not null default 0, expire bigint);');
    this.addSql('create index tries_expired on tries (expire);');
  }

  override down(): void {
    this.addSql('drop table tries;');
  }
}
