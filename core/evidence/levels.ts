import type { Level } from './schema';
import { type CompiledGuide, FACETS, type FacetName, RANKS, type Rank, taxonAtRank, taxonIndex } from '../guide/working';

/** Forms sorted into the groups of one level. */
export interface Grouping {
  level: Level;
  /** Group of each form; -1 where the form has no value of the facet. */
  of: Int32Array;
  groups: { id: string; label: string }[];
}

/** The levels of a guide: its ranks from broad to narrow, then its facets. */
export function levelsOf(compiled: CompiledGuide): Grouping[] {
  const { guide, forms, naming } = compiled;
  const ranks = RANKS.filter((rank) => naming.taxa.some((taxon) => taxon.rank === rank));
  const facets = FACETS.filter((facet) => guide.facets[facet] && forms.some((form) => form.facets[facet]));
  return [...ranks.map((rank) => groupByRank(compiled, rank)), ...facets.map((facet) => groupByFacet(compiled, facet))];
}

/** A form whose lineage has no taxon at the rank stands under its own terminal taxon. */
export function groupByRank({ naming }: CompiledGuide, rank: Rank): Grouping {
  const taxa = taxonIndex(naming);
  return grouping(
    { kind: 'rank', rank },
    naming.of.map((own) => {
      const taxon = taxonAtRank(naming, own, rank) ?? taxa.get(own)!;
      return { id: taxon.id, label: taxon.name };
    }),
  );
}

/** A guide without the facet has no groups of it. */
export function groupByFacet({ guide, forms }: CompiledGuide, facet: FacetName): Grouping {
  const labels = new Map(guide.facets[facet]?.map((value) => [value.id, value.label]));
  return grouping(
    { kind: 'facet', facet },
    forms.map((form) => {
      const value = form.facets[facet];
      return value === undefined ? undefined : { id: value, label: labels.get(value) ?? value };
    }),
  );
}

function grouping(level: Level, keys: ({ id: string; label: string } | undefined)[]): Grouping {
  const at = new Map<string, number>();
  const groups: Grouping['groups'] = [];
  const of = Int32Array.from(keys, (key) => {
    if (!key) return -1;
    const known = at.get(key.id);
    if (known !== undefined) return known;
    at.set(key.id, groups.length);
    groups.push(key);
    return groups.length - 1;
  });
  return { level, of, groups };
}

/** The probability of each group. */
export function groupMasses(grouping: Grouping, p: Float64Array): Float64Array {
  const masses = new Float64Array(grouping.groups.length);
  for (let f = 0; f < p.length; f++) if (grouping.of[f] >= 0) masses[grouping.of[f]] += p[f];
  return masses;
}

/** The probability that some forms hold together. */
export const massOf = (p: Float64Array, forms: readonly number[]): number => forms.reduce((sum, f) => sum + p[f], 0);

/** The forms of one group. */
export function formsIn(grouping: Grouping, group: number): number[] {
  const forms: number[] = [];
  grouping.of.forEach((g, f) => g === group && forms.push(f));
  return forms;
}

/** The most probable group of a level, with every group's probability beside it. */
export function leaderIn(grouping: Grouping, p: Float64Array) {
  const masses = groupMasses(grouping, p);
  let lead = 0;
  for (let g = 1; g < masses.length; g++) if (masses[g] > masses[lead]) lead = g;
  return { ...grouping.groups[lead], lead, p: masses[lead], masses };
}

/** Group numbers from most to least probable. */
export function ranked(masses: Float64Array): number[] {
  return Array.from(masses.keys()).sort((a, b) => masses[b] - masses[a]);
}
