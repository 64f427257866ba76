import { Migration } from '@mikro-orm/migrations';

/** What a station answers where one taxon is taken for another. */
export class Migration20270105000000 extends Migration {
  override up(): void {
    this.addSql(`create table stock_answer (
      station_id uuid not null,
      id uuid not null,
      guide_id uuid not null,
      called text not null,
      truth text not null,
      text text not null,
      made_by text not null,
      at timestamptz not null,
      primary key (station_id, id),
      foreign key (station_id, guide_id) references guide (station_id, id) on delete cascade
    );`);
    this.addSql('create unique index stock_answer_of on stock_answer (station_id, guide_id, called, truth);');
  }

  override down(): void {
    this.addSql('drop table stock_answer;');
  }
}
