import { Migration } from '@mikro-orm/migrations';

/** Pairings of a keeper's book, with their clutches. */
export class Migration20270109000000 extends Migration {
  override up(): void {
    this.addSql(`create table pairing (
      station_id uuid not null references station (id),
      id uuid not null,
      guide_id uuid not null,
      version int not null,
      hidden boolean not null,
      recorded_by text not null,
      created_at timestamptz not null,
      updated_at timestamptz not null,
      content jsonb not null,
      primary key (station_id, id),
      foreign key (station_id, guide_id) references guide (station_id, id)
    );`);
    this.addSql('create index pairing_of_guide on pairing (station_id, guide_id);');
  }

  override down(): void {
    this.addSql('drop table pairing;');
  }
}
