import { Migration } from '@mikro-orm/migrations';

/** How a specimen's readings are weighed, where not as its guide has it. */
export class Migration20261125000000 extends Migration {
  override up(): void {
    this.addSql('alter table specimen add column judgement jsonb;');
  }

  override down(): void {
    this.addSql('alter table specimen drop column judgement;');
  }
}
