import { Migration } from '@mikro-orm/migrations';

/** Of a walk through a key in practice: what was done at each couplet. */
export class Migration20261228000000 extends Migration {
  override up(): void {
    this.addSql('alter table practice_answer add column steps jsonb;');
  }

  override down(): void {
    this.addSql('alter table practice_answer drop column steps;');
  }
}
