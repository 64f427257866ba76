import { formsIn, groupByFacet, groupByRank, type Grouping } from '../evidence';
import type { CompiledGuide } from '../guide/working';
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
