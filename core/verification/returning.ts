import { posteriorOf, TELLS, worthBetween } from '../evidence';
import type { Character, CompiledGuide } from '../guide/working';
import { type Reading, type Situation, valueOf } from '../observation';
import { mayMean, sidesOf } from './judge';
import type { Judged, Overturned } from './schema';

/** A margin may be wider by this many bits and is as thin. */
const AS_THIN = 1;

/**
 * Calls that were overturned and whose pattern returns: what leads is what was called then, the reading that misled is
 * there again and speaks loudest for it, and the margin is as thin.
 *
 * @returns Those that are nearest to this one first.
 */
export function returningOf(
  compiled: CompiledGuide,
  situation: Situation,
  readings: readonly Reading[],
  overturned: readonly Overturned[],
): Overturned[] {
  if (readings.length === 0 || overturned.length === 0) return [];
  const full = posteriorOf(compiled, situation, readings);
  const leader = full.p.reduce((best, p, f) => (p > full.p[best] ? f : best), 0);
  return overturned
    .flatMap((one) => {
      const { called, truth, lead, margin } = one;
      const table = compiled.tables.get(lead.character);
      if (!table || !readings.some((reading) => isLike(table.character, reading, lead))) return [];
      if (!mayMean(compiled.guide, called, compiled.forms[leader])) return [];
      const { own, other } = sidesOf(compiled, called, truth);
      if (own.forms.length === 0 || other.forms.length === 0) return [];
      if (!other.forms.includes(leader)) return [];
      const { readings: worth, sum } = worthBetween(full, own.forms, other.forms);
      const [loudest] = worth;
      if (!loudest || loudest.bits > -TELLS || !isLike(table.character, loudest.reading, lead)) return [];
      return -sum > margin + AS_THIN ? [] : [{ one, far: Math.abs(-sum - margin) }];
    })
    .sort((a, b) => a.far - b.far)
    .map(({ one }) => one);
}

/** Was the same read: the same states, or a value that their errors do not tell apart? */
function isLike(character: Character, now: Reading, then: Reading): boolean {
  if (now.character !== then.character) return false;
  if (now.comparison || then.comparison) return JSON.stringify(now.comparison) === JSON.stringify(then.comparison);
  if (now.states || then.states) return [...(now.states ?? [])].sort().join() === [...(then.states ?? [])].sort().join();
  const [a, b] = [valueOf(character, now), valueOf(character, then)];
  if (!a || !b) return false;
  return Math.abs(a.value - b.value) <= 2 * Math.hypot(a.error, b.error);
}

/** An overturned call by which one can be warned: one that a mark misled. */
export function overturnedBy(
  { called, right, margin, marks, misled, told }: Judged,
  outcome: Pick<Overturned, 'specimenId' | 'kind' | 'on' | 'truth'>,
): Overturned | undefined {
  const [worst] = marks;
  if (right || !worst || worst.bits > -TELLS) return undefined;
  return { ...outcome, called, margin, lead: worst.reading, ...(misled ? { misled } : {}), ...(told ? { told } : {}) };
}
