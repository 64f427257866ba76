import { type CompiledGuide, misreadingMatrix, reliabilityOf, type StatesTable } from '../guide/working';

/** The steps that what was truly there is worked out in; each comes nearer. */
const STEPS = 50;

/**
 * How often each state is met by the books and our own readings together: a Dirichlet posterior mean (Gelman et al.
 * 2013, § 3.4) with the books as a prior worth `weight` specimens. What was read may be misread: each reading counts
 * for the states that it may have been, by EM (Dempster et al. 1977) through the character's misreading.
 *
 * @param books P(state), sum 1; @param read how often each was read.
 * @returns P(state), sum 1.
 */
export function updatedStates(
  { guide }: Pick<CompiledGuide, 'guide'>,
  { character, states }: Pick<StatesTable, 'character' | 'states'>,
  books: readonly number[],
  read: readonly number[],
  weight: number,
): number[] {
  const S = states.length;
  const matrix = misreadingMatrix(S, character.kind !== 'nominal', reliabilityOf(guide, character), guide.settings.slip);
  const n = read.reduce((sum, k) => sum + k, 0);
  let p = [...books];
  for (let step = 0; step < STEPS; step++) {
    const there = books.map((share) => weight * share);
    for (let r = 0; r < S; r++) {
      const total = p.reduce((sum, share, s) => sum + share * matrix[s * S + r], 0);
      if (read[r] === 0) continue;
      // What the books rule out, and cannot be misread so, was there all the same.
      if (total === 0) there[r] += read[r];
      else for (let s = 0; s < S; s++) there[s] += (read[r] * p[s] * matrix[s * S + r]) / total;
    }
    p = there.map((k) => k / (weight + n));
  }
  return p;
}
