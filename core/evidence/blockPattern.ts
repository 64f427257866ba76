import { type CompiledBlock, type CompiledGuide, keepNewest } from '../guide/working';
import { cholesky, logDeterminant, lowerIndex, lowerSize, symmetric } from '../linear';

/** Which value of a block was read, and how well. */
export interface ReadPlace {
  /** Place of its character in the block. */
  at: number;
  /** Standard error beyond what the block's own specimens were measured with. */
  error: number;
}

/** A covariance as densities ask for it. */
export interface Factored {
  /** The lower factor, by rows. */
  lower: Float64Array;
  /** ln of the covariance's determinant. */
  lnDeterminant: number;
}

/** What a block's densities need that depends on which values were read, not on what they are. */
export interface BlockPattern {
  /** One for each row of the block. */
  rows: readonly Factored[];
  /** About the middle of all rows: what is not in the guide. */
  middle: { centre: readonly number[]; spread: Factored };
}

/** Patterns kept of one guide; with errors of their own most are asked for once. */
const KEPT = 64;
const known = new WeakMap<CompiledGuide, Map<string, BlockPattern>>();

/** Worked out once for the same values read with the same errors. */
export function patternOf(compiled: CompiledGuide, measured: CompiledBlock, read: readonly ReadPlace[]): BlockPattern {
  const patterns = known.get(compiled) ?? new Map<string, BlockPattern>();
  known.set(compiled, patterns);
  let key = measured.block.id;
  for (const { at, error } of read) key += ` ${at}±${error}`;
  return keepNewest(patterns, key, KEPT, () => makePattern(compiled, measured, read));
}

function makePattern({ base }: CompiledGuide, { block, rows, rowOf }: CompiledBlock, read: readonly ReadPlace[]): BlockPattern {
  const order = read.length;
  const shared = covarianceOf(block.covariance, read);
  const sharedFactor = factored(shared, order);
  const weights = new Float64Array(rows.length);
  rowOf.forEach((row, f) => row >= 0 && (weights[row] += base[f]));
  const total = weights.reduce((a, b) => a + b, 0) || 1;
  const centre = read.map(({ at }) => rows.reduce((sum, form, row) => sum + (weights[row] / total) * form.mean[at], 0));
  const spread = shared.slice();
  rows.forEach((form, row) => {
    read.forEach(({ at }, i) => {
      for (let j = 0; j <= i; j++) {
        spread[lowerIndex(i, j)] += (weights[row] / total) * (form.mean[at] - centre[i]) * (form.mean[read[j].at] - centre[j]);
      }
    });
  });
  return {
    rows: rows.map(({ covariance }) => (covariance ? factored(covarianceOf(covariance, read), order) : sharedFactor)),
    middle: { centre, spread: factored(spread, order) },
  };
}

function factored(covariance: Float64Array, order: number): Factored {
  const lower = factorOf(covariance, order);
  return { lower, lnDeterminant: logDeterminant(lower, order) };
}

/** The part of a covariance that was read, with the readings' own errors on its diagonal. */
export function covarianceOf(lower: ArrayLike<number>, read: readonly ReadPlace[]): Float64Array {
  const out = new Float64Array(lowerSize(read.length));
  read.forEach(({ at, error }, i) => {
    for (let j = 0; j <= i; j++) out[lowerIndex(i, j)] = symmetric(lower, at, read[j].at);
    out[lowerIndex(i, i)] += error * error;
  });
  return out;
}

/** Times the diagonal is raised before a matrix is given up on. */
const RAISES = 12;

/**
 * The factor, with the diagonal raised a little where rounding made the matrix
 * indefinite. Guides whose covariance is not positive definite are refused when
 * they are read; of one that came in all the same, only the diagonal is used.
 */
export function factorOf(lower: Float64Array, order: number): Float64Array {
  let raised = lower;
  for (let raise = 0, by = 1e-9; raise < RAISES; raise++, by *= 10) {
    const factor = cholesky(raised, order);
    if (factor) return factor;
    raised = lower.slice();
    for (let i = 0; i < order; i++) raised[lowerIndex(i, i)] = raised[lowerIndex(i, i)] * (1 + by) + by * 1e-12;
  }
  const diagonal = new Float64Array(lowerSize(order));
  for (let i = 0; i < order; i++) diagonal[lowerIndex(i, i)] = Math.sqrt(Math.max(Math.abs(lower[lowerIndex(i, i)]), 1e-12));
  return diagonal;
}
