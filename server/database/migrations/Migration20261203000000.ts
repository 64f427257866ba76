import { Migration } from '@mikro-orm/migrations';

/** How many specimens a station has is counted as they are written: it is asked before each new one. */
export class Migration20261203000000 extends Migration {
  override up(): void {
    this.addSql('alter table station add column specimens integer not null default 0;');
    this.addSql('update station set specimens = (select count(*) from specimen where station_id = station.id);');
    this.addSql(`create or replace function number_change() returns trigger language plpgsql as $$
      declare
        next bigint;
      begin
        update station set changes = changes + 1,
          specimens = specimens + case when new.kind = 'specimen' and new.version = 1 then 1 else 0 end
        where id = new.station_id returning changes into next;
        update change set seq = next where station_id = new.station_id and seq = new.seq;
        return null;
      end $$;`);
  }

  override down(): void {
    this.addSql(`create or replace function number_change() returns trigger language plpgsql as $$
      declare
        next bigint;
      begin
        update station set changes = changes + 1 where id = new.station_id returning changes into next;
        update change set seq = next where station_id = new.station_id and seq = new.seq;
        return null;
      end $$;`);
    this.addSql('alter table station drop column specimens;');
  }
}
