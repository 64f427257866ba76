/**
 * The named specimen `s` waits for a reviewer: it has a guide and a name of it; nobody knows yet what it was; nobody
 * has agreed with its newest name, or given it one on review, or needs another view of it as it is. Three times the
 * reviewer: who gave the name does not review it, unless they took back what they said of it; who passed it on does
 * not see it again.
 */
export const WAITS = `
  not s.hidden and s.named and s.guide_id is not null and s.determinations->-1->>'taxon' is not null
  and not exists (
    select 1 from specimen_word v where v.station_id = s.station_id and v.specimen_id = s.id
      and v.withdrawn_by is null and not v.same_call
  )
  and not exists (
    select 1 from review r where r.station_id = s.station_id and r.specimen_id = s.id and r.withdrawn_at is null and (
      r.id::text = s.determinations->-1->>'id' or r.determination = s.determinations->-1->>'id' and (
        r.word = 'agree' or r.word = 'view' and r.specimen_version = s.version or r.word = 'pass' and r.made_by = ?
      )
    )
  )
  and (s.determinations->-1->>'by' <> ? or exists (
    select 1 from review r where r.station_id = s.station_id and r.specimen_id = s.id
      and r.withdrawn_at is not null and r.made_by = ?
  ))`;

export const waitsFor = (name: string): [string, string, string] => [name, name, name];
