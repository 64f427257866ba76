import { Migration } from '@mikro-orm/migrations';

/** What was measured on a photo: the points as they were set, and what they came to. */
export class Migration20261205000000 extends Migration {
  override up(): void {
    this.addSql(`create table measurement (
      station_id uuid not null references station (id) on delete cascade,
      id uuid not null,
      version int not null,
      specimen_id uuid not null,
      photo char(64),
      size jsonb,
      character varchar(80) not null,
      protocol jsonb not null,
      sets jsonb not null,
      scale jsonb,
      value jsonb not null,
      pointing jsonb not null,
      note text,
      measured_by varchar(60) not null,
      hidden boolean not null default false,
      created_at timestamptz not null,
      updated_at timestamptz not null,
      primary key (station_id, id),
      foreign key (station_id, specimen_id) references specimen (station_id, id) on delete cascade
    );`);
    this.addSql('create index measurement_of_specimen on measurement (station_id, specimen_id, hidden, created_at);');
    this.addSql(
      'create index measurement_of_person on measurement (station_id, measured_by, created_at desc) where jsonb_array_length(sets) > 1;',
    );
    this.addSql('create index measurement_of_character on measurement (station_id, character, hidden, created_at);');
  }

  override down(): void {
    this.addSql('drop table measurement;');
  }
}
