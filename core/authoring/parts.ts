import type { Score } from '../guide/schema';
import { FACETS, sayFacets, sayMonthDay } from '../guide/working';
import { stableJson } from '../stableJson';
import type { Draft } from './draftSchema';
import type { Working } from './workingDraft';

/** A part of a taxon that a score is of: a sex, a stage, a region, a time of the year, a circumstance; all of it where empty. */
export type Part = Omit<Score['scope'], 'taxon'>;

/** Nothing for all of a taxon. */
function partOf({ scope }: Pick<Score, 'scope'>): Part | undefined {
  const part = { ...scope };
  delete part.taxon;
  return Object.keys(part).length > 0 ? part : undefined;
}

/** The same for parts that are alike. */
export const partKey = (part: Part): string => stableJson(part);

/** Parts that a source has scores of, with how many, those with the most first; all of a taxon is not among them. */
export function partsIn({ ofParts }: Working['scores'], source: string): { part: Part; n: number }[] {
  const found = new Map<string, { part: Part; n: number }>();
  for (const score of ofParts.values()) {
    if (score.source !== source) continue;
    const part = partOf(score);
    if (!part) continue;
    const key = partKey(part);
    const known = found.get(key);
    if (known) known.n++;
    else found.set(key, { part, n: 1 });
  }
  return [...found.values()].sort((a, b) => b.n - a.n);
}

/** Of which form a score is, where and when: `Sula alba, female, in Ostren`. */
export const sayScope = (guide: Words, scope: Score['scope'], names: ReadonlyMap<string, string>): string =>
  [scope.taxon === undefined ? 'All' : (names.get(scope.taxon) ?? scope.taxon), sayPart(guide, scope)].filter(Boolean).join(', ');

type Words = Pick<Draft, 'facets' | 'regions' | 'circumstances'>;

/** A part in words: `female, in Ostren, 1 Apr to 31 Aug`; nothing for all of a taxon. */
export function sayPart(guide: Words, { facets = {}, regions, dates, circumstances }: Part): string {
  const label = (list: readonly { id: string; label: string }[] | undefined, id: string) =>
    list?.find((one) => one.id === id)?.label ?? id;
  const singles = FACETS.map((facet) => (facets[facet] ?? []).map((value) => sayFacets(guide, { [facet]: value })).join(' or '));
  return [
    ...singles,
    regions && `in ${regions.map((id) => label(guide.regions, id)).join(' or ')}`,
    dates && `${sayMonthDay(dates.from)} to ${sayMonthDay(dates.to)}`,
    circumstances && `when ${circumstances.map((id) => label(guide.circumstances, id)).join(' and ')}`,
  ]
    .filter(Boolean)
    .join(', ');
}
