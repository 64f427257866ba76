import { Migration } from '@mikro-orm/migrations';

/**
 * Calls against what they turned out to be, as they were worked out: a row goes when its specimen, or a word on it, is
 * written, and is made anew when it is asked for. What a page counts stands in columns of its own.
 */
export class Migration20261231000000 extends Migration {
  override up(): void {
    this.addSql(`create table judged_call (
      station_id uuid not null references station (id) on delete cascade,
      specimen_id uuid not null,
      verification_id uuid not null,
      specimen_version int not null,
      guide_id uuid,
      called text,
      truth text,
      is_right boolean,
      by text,
      season int,
      p real,
      judged jsonb,
      primary key (station_id, specimen_id),
      foreign key (station_id, specimen_id) references specimen (station_id, id) on delete cascade
    );`);
    this.addSql('create index judged_call_of_guide on judged_call (station_id, guide_id);');
    this.addSql(
      'create index verification_surest on verification (station_id, specimen_id, wrong, at desc) where withdrawn_by is null and not same_call;',
    );
  }

  override down(): void {
    this.addSql('drop index verification_surest;');
    this.addSql('drop table judged_call;');
  }
}
