import { formsIn, groupByFacet, groupByRank, type Grouping } from '../evidence';
import type { CompiledGuide, Guide } from '../guide/working';
import type { PracticeLevel } from './schema';

/** The groups that a level tells apart. */
export const groupsAt = (compiled: CompiledGuide, level: PracticeLevel): Grouping =>
  level.kind === 'rank' ? groupByRank(compiled, level.rank) : groupByFacet(compiled, level.facet);

/** A group with its forms. */
export interface Side {
  group: { id: string; label: string };
  forms: number[];
}

export function groupIn(grouping: Grouping, id: string): Side {
  const at = grouping.groups.findIndex((group) => group.id === id);
  return { group: grouping.groups[at], forms: formsIn(grouping, at) };
}

/** A group as one would say it: by its vernacular name where it has one. */
export const sayGroup = (guide: Pick<Guide, 'taxa'>, { id, label }: { id: string; label: string }): string =>
  guide.taxa.find((taxon) => taxon.id === id)?.vernacular ?? label;
