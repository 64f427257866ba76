import { Migration } from '@mikro-orm/migrations';

/**
 * One feed of changes a station; lots hold their specimens in rows; specimens and lots
 * may do without a guide; individuals, and media with their originals.
 */
export class Migration20261127000000 extends Migration {
  override up(): void {
    this.addSql('alter table station add column changes bigint not null default 0;');
    this.addSql(`create table change (
      station_id uuid not null references station (id) on delete cascade,
      seq bigint not null,
      kind varchar(20) not null,
      record_id uuid not null,
      version int not null,
      account varchar(60) not null,
      fields jsonb not null,
      at timestamptz not null,
      primary key (station_id, seq)
    );`);
    this.addSql('create index change_of_record on change (station_id, record_id, seq);');
    // What stood here before the feed began is its beginning.
    this.addSql(`
      with old as (
        select station_id, 'guide' as kind, id, version, '' as account, updated_at as at from guide
        union all select station_id, 'key', id, version, '', updated_at from identification_key
        union all select station_id, 'specimen', id, version, recorded_by, updated_at from specimen
        union all select station_id, 'lot', id, version, '', updated_at from lot)
      insert into change (station_id, seq, kind, record_id, version, account, fields, at)
      select station_id, row_number() over (partition by station_id order by at, id), kind, id, version, account, '[]', at from old;`);
    this.addSql(`update station set changes = coalesce((select max(seq) from change where station_id = station.id), 0);`);

    this.addSql(`create table individual (
      id uuid primary key,
      station_id uuid not null references station (id) on delete cascade,
      guide_id uuid references guide (id),
      version int not null,
      label text not null,
      note text,
      hidden boolean not null default false,
      created_at timestamptz not null,
      updated_at timestamptz not null,
      unique (station_id, id)
    );`);
    this.addSql('create index individual_of_station on individual (station_id, hidden, updated_at desc);');

    this.addSql('alter table specimen alter column guide_id drop not null, alter column guide_version drop not null;');
    this.addSql('alter table specimen add constraint specimen_of_station unique (station_id, id);');
    this.addSql('alter table specimen add column individual_id uuid;');
    this.addSql(`alter table specimen add constraint specimen_individual
      foreign key (station_id, individual_id) references individual (station_id, id);`);
    this.addSql('create index specimen_of_individual on specimen (station_id, individual_id) where individual_id is not null;');

    this.addSql(`create table media (
      station_id uuid not null references station (id) on delete cascade,
      specimen_id uuid not null,
      position int not null,
      id uuid not null,
      kind varchar(20) not null,
      hash char(64) not null,
      view varchar(80),
      note text,
      primary key (station_id, specimen_id, position),
      foreign key (station_id, specimen_id) references specimen (station_id, id) on delete cascade
    );`);
    this.addSql('create index media_of_file on media (station_id, hash);');
    this.addSql(`insert into media (station_id, specimen_id, position, id, kind, hash)
      select station_id, id, 0, gen_random_uuid(), 'photo', photo from specimen where photo is not null;`);
    this.addSql('alter table photo add column original bytea;');

    this.addSql('alter table lot alter column guide_id drop not null;');
    this.addSql('alter table lot add constraint lot_of_station_id unique (station_id, id);');
    this.addSql(`create table lot_specimen (
      station_id uuid not null references station (id) on delete cascade,
      lot_id uuid not null,
      specimen_id uuid not null,
      position int not null,
      primary key (station_id, lot_id, specimen_id),
      foreign key (station_id, lot_id) references lot (station_id, id) on delete cascade,
      foreign key (station_id, specimen_id) references specimen (station_id, id) on delete cascade
    );`);
    this.addSql('create index lot_of_specimen on lot_specimen (station_id, specimen_id);');
    this.addSql(`insert into lot_specimen (station_id, lot_id, specimen_id, position)
      select lot.station_id, lot.id, member.id::uuid, member.place - 1
      from lot, jsonb_array_elements_text(lot.specimens) with ordinality as member (id, place)
      where exists (select 1 from specimen where specimen.id = member.id::uuid and specimen.station_id = lot.station_id);`);
    this.addSql('alter table lot drop column specimens;');
  }

  override down(): void {
    this.addSql(`alter table lot add column specimens jsonb not null default '[]';`);
    this.addSql(`update lot set specimens = coalesce(
      (select jsonb_agg(specimen_id order by position) from lot_specimen where lot_id = lot.id), '[]');`);
    this.addSql('drop table lot_specimen, media;');
    this.addSql('alter table photo drop column original;');
    this.addSql('alter table specimen drop constraint specimen_individual, drop column individual_id;');
    this.addSql('drop table individual, change;');
    this.addSql('alter table station drop column changes;');
    this.addSql('alter table lot drop constraint lot_of_station_id;');
    this.addSql('alter table specimen drop constraint specimen_of_station;');
  }
}
