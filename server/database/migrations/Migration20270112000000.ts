import { Migration } from '@mikro-orm/migrations';

/** Guides offered to the other stations, withdrawn, taken in; who looked a draft over, and a version before it was published. */
export class Migration20270112000000 extends Migration {
  override up(): void {
    this.addSql(`create table guide_sharing (
      station_id uuid not null,
      guide_id uuid not null,
      offered_at timestamptz,
      offered_by text,
      withdrawn_at timestamptz,
      withdrawn_by text,
      withdrawn_why text,
      taken_from uuid,
      taken_version int,
      primary key (station_id, guide_id),
      foreign key (station_id, guide_id) references guide (station_id, id) on delete cascade
    );`);
    // The one list that looks across stations.
    this.addSql(`create index guide_sharing_offered on guide_sharing (offered_at desc) where offered_at is not null;`);
    this.addSql(`create table draft_review (
      station_id uuid not null,
      draft_id uuid not null,
      n int not null,
      draft_version int not null,
      made_by text not null,
      at timestamptz not null,
      fit boolean not null,
      words text not null,
      primary key (station_id, draft_id, n),
      foreign key (station_id, draft_id) references draft (station_id, id) on delete cascade
    );`);
    this.addSql('alter table guide_version add column reviewed jsonb;');
    // It is read whole, and written anew with each change: to take it apart costs four times as much.
    this.addSql('alter table draft alter column content type json;');
  }

  override down(): void {
    this.addSql('alter table draft alter column content type jsonb;');
    this.addSql('alter table guide_version drop column reviewed;');
    this.addSql('drop table draft_review;');
    this.addSql('drop table guide_sharing;');
  }
}
