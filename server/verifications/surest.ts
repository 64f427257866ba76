/** What was said of what something turned out to be counts: it was not taken back, and does not rest on the same call. */
export const COUNTS = 'v.withdrawn_by is null and not v.same_call';

/** The surest word on the specimen `s`, or on the individual it is of; the newest of those. */
export const surest = (columns: string): string => `(
  select ${columns} from specimen_word v where v.station_id = s.station_id and v.specimen_id = s.id and ${COUNTS}
  order by v.wrong, v.at desc limit 1
)`;

/** The surest word on the bearer of the mark of `m`, the newest of those. */
export const surestOfMark = (columns: string): string => `(
  select ${columns} from verification v where v.station_id = m.station_id and v.mark = m.mark and ${COUNTS}
  order by v.wrong, v.at desc limit 1
)`;

/** The same on the bearers of all marks of a station of which there is one. */
export const surestOfMarks = (columns: string): string => `
  select distinct on (v.mark) v.mark, ${columns} from verification v
  where v.station_id = ? and v.mark is not null and ${COUNTS} order by v.mark, v.wrong, v.at desc
`;
