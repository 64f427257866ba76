import { Migration } from '@mikro-orm/migrations';

/** Guides that are being written, and every change to them in the order it was made. */
export class Migration20270111000000 extends Migration {
  override up(): void {
    this.addSql(`create table draft (
      station_id uuid not null references station (id),
      id uuid not null,
      guide_id uuid,
      base_version int,
      title text not null,
      content jsonb not null,
      version int not null,
      hidden boolean not null,
      made_by text not null,
      created_at timestamptz not null,
      updated_at timestamptz not null,
      primary key (station_id, id),
      foreign key (station_id, guide_id) references guide (station_id, id)
    );`);
    this.addSql(`create table draft_edit (
      station_id uuid not null,
      draft_id uuid not null,
      n int not null,
      batch uuid not null,
      made_by text not null,
      at timestamptz not null,
      device text not null,
      edits jsonb not null,
      primary key (station_id, draft_id, n),
      unique (station_id, draft_id, batch),
      foreign key (station_id, draft_id) references draft (station_id, id) on delete cascade
    );`);
  }

  override down(): void {
    this.addSql('drop table draft_edit;');
    this.addSql('drop table draft;');
  }
}
