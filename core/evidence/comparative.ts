import { normalBelow } from '../probability';
import { type CompiledGuide, isUnder, type Table, type ValuesTable, frequencyAt, reliabilityOf } from '../guide/working';
import type { Evidence } from './model';
import type { Reading, RelativeValue } from '../observation';

/**
 * Evidence of "larger than the known one beside it" or "darker above than below":
 * P(X − Y > 0) with X of each form in turn and Y of the neighbour named, or of
 * another character of the same individual. The judgement itself is right with
 * the character's reliability; ties of ordered states count half.
 */
export function comparativeColumn(compiled: CompiledGuide, reading: Reading): Evidence {
  const comparison = reading.comparison!;
  const table = compiled.tables.get(reading.character)!;
  const rho = reliabilityOf(compiled.guide, table.character);
  const other = 'character' in comparison.than ? compiled.tables.get(comparison.than.character)! : table;
  const neighbours = neighbourWeights(compiled, comparison);
  const larger = compiled.forms.map((_, f) =>
    neighbours
      ? neighbours.reduce((sum, weight, g) => sum + (weight > 0 ? weight * chanceLarger(table, f, other, g) : 0), 0)
      : chanceLarger(table, f, other, f),
  );
  const likelihood = larger.map((p) => {
    const said = comparison.relation === 'larger' ? p : 1 - p;
    return rho * said + (1 - rho) * (1 - said);
  });
  const scored = compiled.forms.map((_, f) => table.scored[f] === 1);
  const weight = scored.reduce((sum, known, f) => sum + (known ? compiled.base[f] : 0), 0);
  const predictive = scored.reduce((sum, known, f) => sum + (known ? compiled.base[f] * likelihood[f] : 0), 0) / (weight || 1);
  return {
    bits: Float64Array.from(likelihood, (l, f) => Math.log2(scored[f] || weight === 0 ? l : predictive)),
    outside: Math.log2(0.5),
  };
}

/** How probable each form is for the neighbour named; undefined when the same individual is meant. */
function neighbourWeights({ guide, forms, base }: CompiledGuide, { than }: RelativeValue): number[] | undefined {
  if ('character' in than) return undefined;
  const meant = forms.map((form) => ('form' in than ? form.id === than.form : isUnder(guide, form.taxon, than.taxon)));
  const total = meant.reduce((sum, is, f) => sum + (is ? base[f] : 0), 0);
  return meant.map((is, f) => (is ? base[f] / total : 0));
}

function chanceLarger(x: Table, f: number, y: Table, g: number): number {
  if (x.type === 'values' && y.type === 'values') return chanceAbove(x, f, y, g);
  if (x.type !== 'states' || y.type !== 'states') return 0.5;
  let chance = 0;
  x.states.forEach((_, s) => {
    y.states.forEach((_other, t) => {
      const both = frequencyAt(x, s, f) * frequencyAt(y, t, g);
      chance += s > t ? both : s === t ? both / 2 : 0;
    });
  });
  return chance;
}

/** P(X > Y) of two values; where one is told on a log scale and the other is not, by quadrature over the one that is. */
function chanceAbove(x: ValuesTable, f: number, y: ValuesTable, g: number): number {
  if (x.log === y.log) return normalBelow(x.mean[f] - y.mean[g], 0, Math.hypot(x.sd[f], y.sd[g]));
  if (!x.log) return 1 - chanceAbove(y, g, x, f);
  let chance = 0;
  let weight = 0;
  for (let k = 0; k < NODES; k++) {
    const z = -REACH + ((k + 0.5) * 2 * REACH) / NODES;
    const density = Math.exp((-z * z) / 2);
    chance += density * normalBelow(Math.exp(x.mean[f] + z * x.sd[f]), y.mean[g], y.sd[g]);
    weight += density;
  }
  return chance / weight;
}

const NODES = 60;
const REACH = 5;
