import { Migration } from '@mikro-orm/migrations';

/** Photos become files; those that lie in rows are moved by the server once it runs, and how much there is is known without them. */
export class Migration20261202000000 extends Migration {
  override up(): void {
    this.addSql('alter table photo alter column whole drop not null, alter column thumb drop not null;');
    this.addSql('alter table photo add column bytes bigint not null default 0;');
    this.addSql('update photo set bytes = coalesce(octet_length(original), 0) + octet_length(whole) + octet_length(thumb);');
    this.addSql('create index photo_in_row on photo (station_id) where whole is not null;');
  }

  /** Refused by the database where photos have become files already: they cannot be brought back from here. */
  override down(): void {
    this.addSql('alter table photo alter column whole set not null, alter column thumb set not null;');
    this.addSql('drop index photo_in_row;');
    this.addSql('alter table photo drop column bytes;');
  }
}
