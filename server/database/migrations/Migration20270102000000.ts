import { Migration } from '@mikro-orm/migrations';

/** What reviewers say of names, and what they have before them of each record: worked out once for a version of it. */
export class Migration20270102000000 extends Migration {
  override up(): void {
    this.addSql(`create table review (
      station_id uuid not null,
      id uuid not null,
      specimen_id uuid not null,
      specimen_version int not null,
      determination text not null,
      word text not null check (word in ('agree', 'name', 'view', 'pass')),
      name jsonb,
      view text,
      note text,
      made_by text not null,
      at timestamptz not null,
      withdrawn_at timestamptz,
      primary key (station_id, id),
      foreign key (station_id, specimen_id) references specimen (station_id, id) on delete cascade
    );`);
    this.addSql('create index review_of on review (station_id, specimen_id, at desc);');
    this.addSql('create index review_by on review (station_id, made_by, at);');
    this.addSql(`create table review_look (
      station_id uuid not null,
      specimen_id uuid not null,
      specimen_version int not null,
      guide_version int not null,
      look jsonb,
      primary key (station_id, specimen_id),
      foreign key (station_id, specimen_id) references specimen (station_id, id) on delete cascade
    );`);
  }

  override down(): void {
    this.addSql('drop table review_look;');
    this.addSql('drop table review;');
  }
}
