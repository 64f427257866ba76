import type { StatesTable, Table, ValuesTable } from '../guide/working';
import { tailedLogDensity } from './density';
import { type Grouping, groupMasses, leaderIn, ranked } from './levels';
import { softmax, type Standing } from './standing';

/** What one answer to a look would do. */
export interface Answer {
  /** State, count, or a value in the character's unit. */
  answer: string;
  /** How probable the answer is as things stand; absent for values, which have no one probability. */
  chance?: number;
  /** What would lead then, and how probable it would be. */
  group: string;
  label: string;
  p: number;
}

/** Every state, or for a value what is usual for each of the two in front, and the leader that would follow. */
export function answersTo(table: Table, full: Standing, grouping: Grouping, temper: number): Answer[] {
  return table.type === 'states' ? stateAnswers(table, full, grouping, temper) : valueAnswers(table, full, grouping, temper);
}

function stateAnswers(table: StatesTable, full: Standing, grouping: Grouping, temper: number): Answer[] {
  const forms = table.scored.length;
  return table.states.map((state, s) => {
    const column = table.bits.subarray(s * forms, (s + 1) * forms);
    let chance = full.outside * table.outside[s];
    for (let f = 0; f < forms; f++) chance += full.p[f] * 2 ** column[f];
    return { answer: state, chance, ...leaderAfter(full, grouping, column, Math.log2(table.outside[s]), temper) };
  });
}

function valueAnswers(table: ValuesTable, full: Standing, grouping: Grouping, temper: number): Answer[] {
  const masses = groupMasses(grouping, full.p);
  return ranked(masses)
    .slice(0, 2)
    .flatMap((group) => {
      if (masses[group] <= 0) return [];
      let mean = 0;
      for (let f = 0; f < full.p.length; f++) if (grouping.of[f] === group) mean += (full.p[f] / masses[group]) * table.mean[f];
      const bits = (centre: number, sd: number) =>
        (tailedLogDensity(((mean - centre) / sd) ** 2, 0.02) - Math.log(sd)) * Math.LOG2E;
      const column = Float64Array.from(table.mean, (centre, f) => bits(centre, table.sd[f]));
      const shown = table.log ? Math.exp(mean) : mean;
      const after = leaderAfter(full, grouping, column, bits(table.centre, table.spread * 1.5), temper);
      return [{ answer: String(Number(shown.toPrecision(3))), ...after }];
    });
}

function leaderAfter(full: Standing, grouping: Grouping, column: Float64Array, outside: number, temper: number) {
  const { p } = softmax(
    full.bits.map((b, f) => b + temper * column[f]),
    full.outsideBits + temper * outside,
  );
  const leader = leaderIn(grouping, p);
  return { group: leader.id, label: leader.label, p: leader.p };
}
