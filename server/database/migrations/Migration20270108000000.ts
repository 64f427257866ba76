import { Migration } from '@mikro-orm/migrations';

/** What a keeper's book says of an individual: sex, parents, strain, pen, and what it shows. */
export class Migration20270108000000 extends Migration {
  override up(): void {
    this.addSql('alter table individual add column kept jsonb;');
    this.addSql('create index individual_kept on individual (station_id, guide_id) where kept is not null and not hidden;');
  }

  override down(): void {
    this.addSql('drop index individual_kept;');
    this.addSql('alter table individual drop column kept;');
  }
}
