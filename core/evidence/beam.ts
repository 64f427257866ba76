import type { WeighedPosterior } from './posterior';

/** A reading that is evidence counts at least so much, so that it is told from one that is none. */
const LEAST_WEIGHT = 1e-3;

/** A side of the beam: some forms of the guide, or what is not in the guide. */
export type Contender = { forms: number[] } | 'outside';

export interface Beam {
  /** Bits that stood before any reading: map, date, abundance, and how far each side's forms are spread. */
  start: number;
  /** Bits of each weighed reading, in their order; for the left side above 0. */
  contributions: number[];
  /** How much of what each reading says by itself counts beside the others of its group, 0..1. */
  weights: number[];
  /** start + Σ contributions = log2 of the odds left : right. */
  sum: number;
}

/**
 * Each reading's bits between two sides, so that they add up exactly to the log
 * odds whatever the order of reading. For a side A of several forms,
 * log P(A, r) = Σ q(f) [log π(f) + Σ c(r|f) − log q(f)] with c what a reading counts and q the
 * posterior within A (the evidence bound of variational inference, tight at q:
 * Neal & Hinton 1998); a reading's part of it is Σ q(f) c(r|f).
 */
export function beamBetween(full: WeighedPosterior, left: Contender, right: Contender): Beam {
  const a = partsOf(full, left);
  const b = partsOf(full, right);
  const contributions = a.readings.map((bits, i) => bits - b.readings[i]);
  const start = a.start - b.start;
  const weights = contributions.map((bits, i) => {
    const alone = a.alone[i] - b.alone[i];
    return Math.abs(alone) < 1e-9 ? 1 : Math.min(1, Math.max(LEAST_WEIGHT, bits / alone));
  });
  return { start, contributions, weights, sum: contributions.reduce((sum, bits) => sum + bits, start) };
}

/** What a side starts from, and what each reading counts and says by itself for it. */
interface Parts {
  start: number;
  readings: number[];
  alone: number[];
}

function partsOf(full: WeighedPosterior, side: Contender): Parts {
  if (side === 'outside') {
    return {
      start: full.prior.outside,
      readings: full.weighed.map(({ counted }) => counted.outside),
      alone: full.weighed.map(({ column }) => column.outside),
    };
  }
  const most = side.forms.reduce((max, f) => Math.max(max, full.bits[f]), Number.NEGATIVE_INFINITY);
  const raw = side.forms.map((f) => 2 ** (full.bits[f] - most));
  const total = raw.reduce((sum, w) => sum + w, 0);
  const q = raw.map((w) => w / total);
  const mean = (value: (form: number) => number) => side.forms.reduce((sum, f, i) => sum + (q[i] > 0 ? q[i] * value(f) : 0), 0);
  const spread = q.reduce((sum, w) => sum - (w > 0 ? w * Math.log2(w) : 0), 0);
  return {
    start: mean((f) => full.prior.forms[f]) + spread,
    readings: full.weighed.map(({ counted }) => mean((f) => counted.bits[f])),
    alone: full.weighed.map(({ column }) => mean((f) => column.bits[f])),
  };
}
