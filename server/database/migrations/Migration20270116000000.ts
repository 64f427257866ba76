import { Migration } from '@mikro-orm/migrations';

/** What was done to a record, or with who belongs to the station, beyond what is written: a line each that is never changed. */
export class Migration20270116000000 extends Migration {
  override up(): void {
    this.addSql(`create table deed (
      station_id uuid not null references station (id),
      id uuid not null,
      at timestamptz not null,
      by text not null,
      device text not null default '',
      act text not null,
      kind text not null,
      record_id uuid not null,
      fields jsonb not null default '[]',
      primary key (station_id, id)
    );`);
    this.addSql('create index deed_at on deed (station_id, at);');
    this.addSql('create index deed_record on deed (station_id, record_id);');
    const columns = '(station_id, id, at, by, act, kind, record_id, fields)';
    this.addSql(`insert into deed ${columns}
      select station_id, gen_random_uuid(), withdrawn_at, withdrawn_by, 'took back', 'verification', coalesce(specimen_id, individual_id, id),
        case when mark is not null then jsonb_build_array(kind, mark)
          when individual_id is not null then jsonb_build_array(kind, '', 'individual') else jsonb_build_array(kind) end
      from verification where withdrawn_at is not null and withdrawn_by is not null;`);
    for (const [table, at, by, act, kind] of [
      ['opinion_ask', 'withdrawn_at', 'asked_by', 'took back', 'opinion'],
      ['opinion_ask', 'decided_at', 'decided_by', 'decided', 'opinion'],
      ['review', 'withdrawn_at', 'made_by', 'took back', 'review'],
      ['remark', 'withdrawn_at', 'made_by', 'took back', 'remark'],
      ['remark', 'resolved_at', 'resolved_by', 'resolved', 'remark'],
    ])
      this.addSql(`insert into deed ${columns}
        select station_id, gen_random_uuid(), ${at}, ${by}, '${act}', '${kind}', specimen_id, '[]'
        from ${table} where ${at} is not null and ${by} is not null;`);
  }

  override down(): void {
    this.addSql('drop table deed;');
  }
}
