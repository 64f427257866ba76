import type { Standing } from './standing';

/** A side of the beam: some forms of the guide, or what is not in the guide. */
export type Side = { forms: number[] } | 'outside';

export interface Beam {
  /** Bits that stood before any reading: map, date, abundance, and how far each side's forms are spread. */
  start: number;
  /** Bits of each weighed reading, in their order; for the left side above 0. */
  contributions: number[];
  /** start + Σ contributions = log2 of the odds left : right. */
  sum: number;
}

/**
 * Each reading's bits between two sides, so that they add up exactly to the log
 * odds whatever the order of reading. For a side A of several forms,
 * log P(A, r) = Σ q(f) [log π(f) + Σ w log L(r|f) − log q(f)] with q the
 * posterior within A (the evidence bound of variational inference, tight at q:
 * Neal & Hinton 1998); a reading's part of it is Σ q(f) w log L(r|f).
 */
export function beamBetween(full: Standing, left: Side, right: Side): Beam {
  const a = partsOf(full, left);
  const b = partsOf(full, right);
  const contributions = a.readings.map((bits, i) => bits - b.readings[i]);
  const start = a.start - b.start;
  return { start, contributions, sum: contributions.reduce((sum, bits) => sum + bits, start) };
}

function partsOf(full: Standing, side: Side): { start: number; readings: number[] } {
  if (side === 'outside') {
    return {
      start: full.prior.outside,
      readings: full.weighed.map(({ column, weight }) => weight * column.outside),
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
    readings: full.weighed.map(({ column, weight }) => weight * mean((f) => column.bits[f])),
  };
}
