import { Migration } from '@mikro-orm/migrations';

/** Who made a photo of a specimen. */
export class Migration20261206000000 extends Migration {
  override up(): void {
    this.addSql('alter table media add column credit text;');
  }

  override down(): void {
    this.addSql('alter table media drop column credit;');
  }
}
