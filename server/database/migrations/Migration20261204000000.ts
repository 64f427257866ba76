import { Migration } from '@mikro-orm/migrations';

/**
 * The daybook is leafed through from a specimen on: its order has no ties and no gaps
 * for what has no date, so that a page is found along the index however far back it lies.
 */
export class Migration20261204000000 extends Migration {
  override up(): void {
    this.addSql(`alter table specimen add column day date generated always as (coalesce(seen_on, 'infinity'::date)) stored;`);
    this.addSql('drop index specimen_daybook;');
    this.addSql('create index specimen_daybook on specimen (station_id, hidden, day desc, created_at desc, id desc);');
  }

  override down(): void {
    this.addSql('drop index specimen_daybook;');
    this.addSql('alter table specimen drop column day;');
    this.addSql('create index specimen_daybook on specimen (station_id, hidden, seen_on desc nulls first, created_at desc);');
  }
}
