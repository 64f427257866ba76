import { formsIn, frequenciesOver, type Grouping } from '../evidence';
import { type CompiledGuide, reliabilityOf } from '../guide/working';
import { isDrawn, type Plan } from '../plates';
import { groupsAt } from './groups';
import type { PracticeLevel } from './schema';

/** Two groups, and how far the drawings tell them apart. */
export interface Pair {
  /** In the order of the alphabet. */
  of: [string, string];
  /** Over all characters that are drawn: the sum of what does not overlap, as far as it is read rightly. */
  apart: number;
  /** Of shape alone, which a learner is led in by, then pattern, then colour. */
  byGroup: { shape: number; pattern: number; colour: number };
}

/** Beyond so many groups the commonest are practised in pairs: a person learns a few dozen pairs at a time. */
const MOST = 24;

const known = new WeakMap<CompiledGuide, Map<string, Pair[]>>();

/** All pairs of groups of a level that can be drawn. */
export function pairsOf(compiled: CompiledGuide, plan: Plan, level: PracticeLevel): Pair[] {
  const byLevel = known.get(compiled) ?? new Map<string, Pair[]>();
  known.set(compiled, byLevel);
  const name = level.kind === 'rank' ? level.rank : `facet ${level.facet}`;
  const found = byLevel.get(name) ?? pairsAnew(compiled, plan, groupsAt(compiled, level));
  byLevel.set(name, found);
  return found;
}

function pairsAnew(compiled: CompiledGuide, plan: Plan, grouping: Grouping): Pair[] {
  const { guide } = compiled;
  const sides = grouping.groups
    .map(({ id }, g) => {
      const forms = formsIn(grouping, g);
      return { id, forms, weights: forms.map((f) => compiled.base[f]) };
    })
    .map((side) => ({ ...side, weight: side.weights.reduce((sum, weight) => sum + weight, 0) }))
    .filter(({ weight }) => weight > 0)
    .sort((a, b) => b.weight - a.weight)
    .slice(0, MOST)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  const tables = [...compiled.tables.values()]
    .filter(({ character }) => isDrawn(guide, plan, character.id))
    .map((table) => ({ table, frequencies: frequenciesOver(table, sides, guide.settings.tail) }));
  return sides.flatMap((a, i) =>
    sides.slice(i + 1).map((b, k): Pair => {
      const byGroup = { shape: 0, pattern: 0, colour: 0 };
      let apart = 0;
      for (const { table, frequencies } of tables) {
        const { group } = table.character;
        const own = (1 - shared(frequencies[i], frequencies[i + 1 + k])) * reliabilityOf(guide, table.character);
        apart += own;
        if (group === 'shape' || group === 'pattern' || group === 'colour') byGroup[group] += own;
      }
      return { of: [a.id, b.id], apart, byGroup };
    }),
  );
}

/** The overlap coefficient of two sides, 0..1 (Weitzman 1970). */
function shared(p: Float64Array, q: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < p.length; k++) sum += Math.min(p[k], q[k]);
  return Math.min(1, sum);
}
