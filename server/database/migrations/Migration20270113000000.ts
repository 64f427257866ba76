import { Migration } from '@mikro-orm/migrations';

/** A draft is written out now and then; between, what was changed on it is kept. */
export class Migration20270113000000 extends Migration {
  override up(): void {
    this.addSql('alter table draft add column behind int not null default 0;');
  }

  override down(): void {
    this.addSql('alter table draft drop column behind;');
  }
}
