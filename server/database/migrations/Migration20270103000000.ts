import { Migration } from '@mikro-orm/migrations';

/**
 * What the bearer of a mark turned out to be, and a picture that shows it; what a specimen stands under on lists where
 * it turned out to be another than its name; and that an outcome moved it there.
 */
export class Migration20270103000000 extends Migration {
  override up(): void {
    this.addSql('alter table verification alter column specimen_id drop not null, add column mark text, add column photo text;');
    this.addSql('alter table verification add check ((specimen_id is null) <> (mark is null));');
    this.addSql(
      'create index verification_of_mark on verification (station_id, mark, wrong, at desc) where mark is not null and withdrawn_by is null and not same_call;',
    );
    this.addSql('alter table specimen add column listed_instead text;');
    this.addSql("alter table correction add column cause text not null default '';");
    this.addSql('alter table correction drop constraint correction_pkey;');
    this.addSql('alter table correction add primary key (station_id, kind, record_id, version, cause);');
  }

  override down(): void {
    this.addSql("delete from correction where cause <> '';");
    this.addSql('alter table correction drop constraint correction_pkey;');
    this.addSql('alter table correction add primary key (station_id, kind, record_id, version);');
    this.addSql('alter table correction drop column cause;');
    this.addSql('alter table specimen drop column listed_instead;');
    this.addSql('delete from verification where mark is not null;');
    this.addSql('alter table verification drop column photo, drop column mark, alter column specimen_id set not null;');
  }
}
