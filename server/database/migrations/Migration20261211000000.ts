import { Migration } from '@mikro-orm/migrations';

/** Few captures have natural marks or parents that are known; those are found without reading the others. */
export class Migration20261211000000 extends Migration {
  override up(): void {
    this.addSql(
      `create index capture_with_natural_marks on capture (station_id) where not hidden and jsonb_array_length(coalesce(content->'naturalMarks', '[]'::jsonb)) > 0;`,
    );
    for (const parent of ['mother', 'father'])
      this.addSql(
        `create index capture_of_${parent} on capture (station_id, (content->'parents'->>'${parent}')) where content->'parents' is not null;`,
      );
  }

  override down(): void {
    for (const index of ['capture_of_father', 'capture_of_mother', 'capture_with_natural_marks'])
      this.addSql(`drop index ${index};`);
  }
}
