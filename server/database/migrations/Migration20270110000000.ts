import { Migration } from '@mikro-orm/migrations';

/**
 * What an individual turned out to be, which holds for each of its specimens: `specimen_word` has a row for every
 * specimen that a verification speaks of.
 */
export class Migration20270110000000 extends Migration {
  override up(): void {
    this.addSql(`alter table verification add column individual_id uuid,
      drop constraint verification_check,
      add constraint verification_of_one check (num_nonnulls(specimen_id, mark, individual_id) = 1),
      add constraint verification_individual foreign key (station_id, individual_id) references individual (station_id, id) on delete cascade;`);
    this.addSql(
      'create index verification_of_individual on verification (station_id, individual_id, wrong, at desc) where individual_id is not null;',
    );
    const columns = 'v.id, v.kind, v.taxon, v.facets, v.wrong, v.on_day, v.same_call, v.at, v.withdrawn_by';
    this.addSql(`create view specimen_word as
      select v.station_id, v.specimen_id, ${columns} from verification v where v.specimen_id is not null
      union all
      select v.station_id, s.id, ${columns} from verification v
      join specimen s on s.station_id = v.station_id and s.individual_id = v.individual_id;`);
  }

  override down(): void {
    this.addSql('drop view specimen_word;');
    this.addSql('delete from verification where individual_id is not null;');
    this.addSql('alter table verification drop constraint verification_of_one, drop column individual_id;');
    this.addSql('alter table verification add constraint verification_check check ((specimen_id is null) <> (mark is null));');
  }
}
