import { Migration } from '@mikro-orm/migrations';

/**
 * The number of a change is drawn while the transaction commits, and not before: the
 * lock that keeps numbers in the order of commits is then held for no longer than the
 * commit itself, however slow whoever writes is.
 */
export class Migration20261201000000 extends Migration {
  override up(): void {
    this.addSql('create sequence change_waiting;');
    this.addSql(`create function number_change() returns trigger language plpgsql as $$
      declare
        next bigint;
      begin
        update station set changes = changes + 1 where id = new.station_id returning changes into next;
        update change set seq = next where station_id = new.station_id and seq = new.seq;
        return null;
      end $$;`);
    this.addSql(`create constraint trigger change_numbered after insert on change
      deferrable initially deferred for each row when (new.seq < 0) execute function number_change();`);
  }

  override down(): void {
    this.addSql('drop trigger change_numbered on change;');
    this.addSql('drop function number_change;');
    this.addSql('drop sequence change_waiting;');
  }
}
