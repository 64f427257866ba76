import { Migration } from '@mikro-orm/migrations';

/** Of an answer in practice: what the drawing shows in the mark that was gone by, where that is a number. */
export class Migration20261221000000 extends Migration {
  override up(): void {
    this.addSql('alter table practice_answer add column mark_shown double precision;');
  }

  override down(): void {
    this.addSql('alter table practice_answer drop column mark_shown;');
  }
}
