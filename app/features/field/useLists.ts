import { type First, firstsOf, type Listed, listOf, type Moved, movedBy } from '@plesion/core/fieldwork';
import type { Correction, ListedName, ListedRecord } from '@plesion/contract';
import { useQuery } from '@tanstack/react-query';
import { fieldApi } from '../records/fieldDrafts';

/** What lists are made of, by guide and taxon; at hand without a network once it was seen. */
export const useListed = () =>
  useQuery({
    queryKey: ['lists'],
    queryFn: ({ signal }) => fieldApi('lists', {}, signal),
    staleTime: 5 * 60_000,
  });

/** Taxa of different guides are different ones, however they are called. */
const named = ({ guideId, taxon, name, group, ...rest }: ListedRecord): Listed => ({
  ...rest,
  ...(taxon || name ? { taxon: nameOf({ guideId, taxon, name }) } : {}),
  ...(group ? { group: nameOf({ guideId, group }) } : {}),
});

const nameOf = ({ guideId, taxon, name, group }: ListedName): string | undefined =>
  (taxon ?? group) ? `${guideId} ${taxon ?? group}` : name && `by name ${name.toLowerCase()}`;

export interface ListFilter {
  guideId?: string;
  site?: string;
  year?: string;
  by?: string;
}

const fits = (record: ListedRecord, { guideId, site, year, by }: ListFilter): boolean =>
  (!guideId || record.guideId === guideId) &&
  (!site || record.site === site) &&
  (!year || record.day.startsWith(year)) &&
  (!by || record.by === by);

/** A list under a filter: each taxon with the record it stands on, the newest first. */
export function listUnder(records: readonly ListedRecord[], filter: ListFilter): ListedRecord[] {
  const own = records.filter((record) => fits(record, filter));
  const byId = new Map(own.map((record) => [record.id, record]));
  return [...listOf(own.map(named)).values()].map(({ id }) => byId.get(id)!).sort((a, b) => b.day.localeCompare(a.day));
}

/** What corrections moved on a list under a filter, the newest first. */
export function movesUnder(
  { records, corrections }: { records: readonly ListedRecord[]; corrections: readonly Correction[] },
  filter: ListFilter,
): { correction: Correction; moved: Moved }[] {
  const list = listOf(records.filter((record) => fits(record, filter)).map(named));
  const { guideId, ...rest } = filter;
  return corrections
    .filter(({ day, site, recordedBy: by, kind, id, was, became }) => {
      const guides = [was?.guideId, became?.guideId];
      return fits({ day, site, by, kind, id }, rest) && (!guideId || guides.includes(guideId));
    })
    .map((correction) => {
      const [was, became] = [correction.was, correction.became].map((name) => name && nameOf(name));
      return { correction, moved: movedBy(list, was, became) };
    });
}

const WORDS: Record<First, string> = {
  'for-me': 'your first',
  'for-the-site': 'the first here',
  'of-the-year': 'the first this year',
};

/** What a record is the first of, in words; nothing where it is none. */
export function sayFirsts(record: ListedRecord, records: readonly ListedRecord[]): string | undefined {
  const found = firstsOf(named(record), records.map(named)).map((first) => WORDS[first]);
  return found.length ? `${found.join(', ')}` : undefined;
}
