import type { Settling, NextLook } from './schema';
import { type CompiledGuide, type Table, likelihoodAt } from '../guide/working';
import { density, reach, type WeightedForms } from './overlap';
import type { Reading } from '../observation';
import { weightsOfNext } from './weights';

const STEPS = 80;

/**
 * The smallest set of characters, all readable now, whose expected weight of evidence
 * for the leader (Kullback & Leibler 1951) reaches the call. Characters of one
 * dependence group are tempered as they would be when read together.
 *
 * @param sum bits in favour so far; @param enough bits at which the leader may be called.
 */
export function settlingOf(
  compiled: CompiledGuide,
  looks: readonly NextLook[],
  readings: readonly Pick<Reading, 'character' | 'status'>[],
  sides: { left: WeightedForms; right: WeightedForms },
  { sum, enough }: { sum: number; enough: number },
  tableOf: (character: string) => Table,
): Settling | undefined {
  const missing = enough - sum;
  if (missing <= 0) return undefined;
  const worth = looks
    .filter(({ setAside }) => !setAside)
    .map(({ character }) => {
      const table = tableOf(character);
      return { table, bits: expectedWeight(table, sides.left, sides.right, compiled.guide.settings.tail) };
    })
    .sort((a, b) => b.bits - a.bits);
  const chosen: { character: string }[] = [];
  let bits = 0;
  while (bits < missing && chosen.length < 8) {
    const weightOf = weightsOfNext(compiled.guide, [...readings, ...chosen]);
    const best = worth
      .filter(({ table }) => !chosen.some(({ character }) => character === table.character.id))
      .map(({ table, bits: own }) => ({
        table,
        bits: own * weightOf(table.character.id),
      }))
      .reduce((a, b) => (b.bits > (a?.bits ?? 0.05) ? b : a), undefined as { table: Table; bits: number } | undefined);
    if (!best) break;
    chosen.push({ character: best.table.character.id });
    bits += best.bits;
  }
  return { characters: chosen.map(({ character }) => character), bits, missing, reaches: bits >= missing };
}

/** Σ or ∫ p log2(p / q): the bits a reading brings on average for the side it is of. */
function expectedWeight(table: Table, a: WeightedForms, b: WeightedForms, tail: number): number {
  if (table.type === 'states') {
    const read = (side: WeightedForms, s: number) => {
      const total = side.weights.reduce((sum, w) => sum + w, 0) || 1;
      return side.forms.reduce((sum, f, i) => sum + (side.weights[i] / total) * likelihoodAt(table, s, f), 0);
    };
    return table.states.reduce((sum, _, s) => sum + read(a, s) * Math.log2(read(a, s) / read(b, s)), 0);
  }
  const { low, high } = reach(table, a.forms);
  const [p, q] = [density(table, a, tail), density(table, b, tail)];
  const step = (high - low) / STEPS;
  let sum = 0;
  for (let k = 0; k < STEPS; k++) {
    const x = low + (k + 0.5) * step;
    if (p(x) > 1e-12) sum += p(x) * Math.log2(p(x) / Math.max(q(x), 1e-30)) * step;
  }
  return sum;
}
