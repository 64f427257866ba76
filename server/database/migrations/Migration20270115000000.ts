import { Migration } from '@mikro-orm/migrations';

/** Files of any kind that show how something turned out. */
export class Migration20270115000000 extends Migration {
  override up(): void {
    this.addSql(`create table attachment (
      station_id uuid not null references station (id),
      hash text not null,
      bytes bigint not null,
      created_at timestamptz not null,
      primary key (station_id, hash)
    );`);
    this.addSql('alter table verification add column file_hash text, add column file_name text;');
    this.addSql('alter table verification add foreign key (station_id, file_hash) references attachment (station_id, hash);');
    this.addSql('create index verification_file on verification (station_id, file_hash) where file_hash is not null;');
  }

  override down(): void {
    this.addSql('alter table verification drop column file_hash, drop column file_name;');
    this.addSql('drop table attachment;');
  }
}
