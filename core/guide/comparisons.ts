import type { Score } from './schema';
import { type FormIndex, formsUnder } from './scopes';
import type { Resolved } from './tables';

/** "Longer than in B" is taken to mean P(A > B) = .9: its standard normal quantile. */
const Z_STATED = 1.2815515655446004;

type Spread = { mean: number; sd: number; n?: number };
const isSpread = (value: Resolved): value is Spread => value !== undefined && 'mean' in value;

/**
 * Bring comparisons between taxa ("longer than in B") into the resolved values of
 * one character: the less known of the two (fewer specimens behind it; A when
 * neither says) is shifted until P(A > B) = .9. A taxon with no value
 * of its own takes B's spread. What is said already with more certainty stays.
 *
 * @param top the comparison in force for each form, where there is one.
 * @param resolved on the working scale; changed copies are returned.
 * @returns the values, and which forms were inferred or shifted.
 */
export function withComparisons(
  resolved: readonly Resolved[],
  top: readonly (Score | undefined)[],
  canvas: FormIndex,
  base: Float64Array,
): { resolved: Resolved[]; inferred: Uint8Array } {
  const out = resolved.slice();
  const inferred = new Uint8Array(resolved.length);
  for (const score of new Set(top)) {
    if (score?.value.kind !== 'comparison') continue;
    const { than, relation } = score.value;
    const subject = top.flatMap((own, f) => (own === score ? [f] : []));
    const own = new Set(subject);
    const other = formsUnder(canvas, than).filter((f) => !own.has(f));
    relate(out, inferred, { subject, other, sign: relation === 'above' ? 1 : -1, base });
  }
  return { resolved: out, inferred };
}

function relate(
  out: Resolved[],
  inferred: Uint8Array,
  { subject, other, sign, base }: { subject: number[]; other: number[]; sign: 1 | -1; base: Float64Array },
): void {
  const b = pooled(out, other, base);
  if (!b) return;
  for (const f of subject) {
    const a = out[f];
    if (isSpread(a)) continue;
    out[f] = { mean: b.mean + sign * Z_STATED * Math.SQRT2 * b.sd, sd: b.sd };
    inferred[f] = 1;
  }
  const stated = subject.filter((f) => !inferred[f]);
  const a = pooled(out, stated, base);
  if (!a) return;
  const apart = Z_STATED * Math.hypot(a.sd, b.sd);
  const short = apart - sign * (a.mean - b.mean);
  if (short <= 0) return;
  const shifted = (a.n ?? 0) <= (b.n ?? 0) ? { forms: stated, by: sign * short } : { forms: other, by: -sign * short };
  for (const f of shifted.forms) {
    const known = out[f];
    if (!isSpread(known)) continue;
    out[f] = { ...known, mean: known.mean + shifted.by };
    inferred[f] = 1;
  }
}

/** The mixture of some forms' values by their base weights; n is the least behind any of them. */
function pooled(resolved: readonly Resolved[], forms: readonly number[], base: Float64Array): Spread | undefined {
  const known = forms.flatMap((f) => {
    const value = resolved[f];
    return isSpread(value) ? [{ value, weight: base[f] }] : [];
  });
  const total = known.reduce((sum, { weight }) => sum + weight, 0);
  if (total <= 0) return undefined;
  const mean = known.reduce((sum, { value, weight }) => sum + (weight / total) * value.mean, 0);
  const variance = known.reduce(
    (sum, { value, weight }) => sum + (weight / total) * (value.sd ** 2 + (value.mean - mean) ** 2),
    0,
  );
  return { mean, sd: Math.sqrt(variance), n: Math.min(...known.map(({ value }) => value.n ?? 0)) };
}
