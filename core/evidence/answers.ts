import type { Answer } from './schema';
import { type CompiledGuide, type StatesTable, type Table, type ValuesTable, likelihoodAt } from '../guide/working';
import { type Grouping, groupMasses, leaderIn, ranked } from './levels';
import type { Reading } from '../observation';
import { type WeighedPosterior, withReading } from './posterior';

/**
 * Every state, or for a value what is usual for each of the two in front, and the
 * leader that would follow: the standing as it would be with that reading added.
 */
export function answersTo(compiled: CompiledGuide, table: Table, full: WeighedPosterior, grouping: Grouping): Answer[] {
  const after = (given: Omit<Reading, 'character'>) => {
    const leader = leaderIn(grouping, withReading(compiled, full, { character: table.character.id, ...given }).p);
    return { group: leader.id, label: leader.label, p: leader.p };
  };
  if (table.type === 'values')
    return usualValues(table, full, grouping).map((value) => ({ answer: String(value), ...after({ value }) }));
  const isCount = table.character.kind === 'count';
  return table.states.map((state, s) => ({
    answer: state,
    chance: chanceOf(table, s, full),
    ...after(isCount ? { value: Number(state) } : { states: [state] }),
  }));
}

function chanceOf(table: StatesTable, s: number, full: WeighedPosterior): number {
  const forms = table.scored.length;
  let chance = full.outside * table.outside[s];
  for (let f = 0; f < forms; f++) chance += full.p[f] * likelihoodAt(table, s, f);
  return Math.min(1, chance);
}

/** The mean of each of the two groups in front, in the character's unit. */
function usualValues(table: ValuesTable, full: WeighedPosterior, grouping: Grouping): number[] {
  const masses = groupMasses(grouping, full.p);
  return ranked(masses)
    .slice(0, 2)
    .flatMap((group) => {
      if (masses[group] <= 0) return [];
      let mean = 0;
      for (let f = 0; f < full.p.length; f++) if (grouping.of[f] === group) mean += (full.p[f] / masses[group]) * table.mean[f];
      return [Number((table.log ? Math.exp(mean) : mean).toPrecision(3))];
    });
}
