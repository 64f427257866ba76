import { Migration } from '@mikro-orm/migrations';

/** Of an answer in practice: the group that the truth was held against, and whether the mark that was gone by was read as it is. */
export class Migration20261220000000 extends Migration {
  override up(): void {
    this.addSql('alter table practice_answer add column other text, add column mark_right boolean;');
  }

  override down(): void {
    this.addSql('alter table practice_answer drop column other, drop column mark_right;');
  }
}
