/** The surest word on each specimen of a station (`?`), the newest of those; what was taken back, or rests on the same call, is none. */
export const SUREST = `
  select distinct on (specimen_id) specimen_id, id, kind, taxon, facets, wrong, on_day, at from verification
  where station_id = ? and withdrawn_by is null and not same_call order by specimen_id, wrong, at desc`;
