import { Migration } from '@mikro-orm/migrations';

/** What people say to each other of a specimen: threads, each begun by a remark that the others reply to. */
export class Migration20270104000000 extends Migration {
  override up(): void {
    this.addSql(`create table remark (
      station_id uuid not null,
      id uuid not null,
      specimen_id uuid not null,
      reply_to uuid,
      place jsonb,
      text text not null,
      made_by text not null,
      at timestamptz not null,
      withdrawn_at timestamptz,
      resolved_by text,
      resolved_at timestamptz,
      primary key (station_id, id),
      foreign key (station_id, specimen_id) references specimen (station_id, id) on delete cascade,
      foreign key (station_id, reply_to) references remark (station_id, id) on delete cascade
    );`);
    this.addSql('create index remark_of on remark (station_id, specimen_id, at);');
    this.addSql('create index remark_reply on remark (station_id, reply_to) where reply_to is not null;');
    this.addSql('create index remark_by on remark (station_id, made_by, at desc);');
  }

  override down(): void {
    this.addSql('drop table remark;');
  }
}
