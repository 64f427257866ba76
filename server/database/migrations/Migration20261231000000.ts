import { Migration } from '@mikro-orm/migrations';

/** Calls against what they turned out to be, as they were worked out: made anew where the specimen or the word on it is newer. */
export class Migration20261231000000 extends Migration {
  override up(): void {
    this.addSql(`create table judged_call (
      station_id uuid not null references station (id) on delete cascade,
      specimen_id uuid not null,
      verification_id uuid not null,
      specimen_version int not null,
      guide_id uuid not null,
      judged jsonb,
      primary key (station_id, specimen_id),
      foreign key (station_id, specimen_id) references specimen (station_id, id) on delete cascade
    );`);
    this.addSql('create index judged_call_of_guide on judged_call (station_id, guide_id);');
  }

  override down(): void {
    this.addSql('drop table judged_call;');
  }
}
