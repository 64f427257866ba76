import { fQuantile } from '../probability';
import { intervalOf } from './scale';

/** How well the same thing is measured again. */
export interface Reliability {
  /** Things measured, and measurements in all. */
  things: number;
  n: number;
  /** Technical error of measurement: the standard deviation of one measurement about its thing, in the unit. */
  tem: number;
  /** The same as a share of the mean. */
  relative: number;
  /** Repeatability ICC(1), with its 95 % interval; absent where all things are alike. */
  icc?: { value: number; interval: [number, number] };
}

/**
 * Technical error of measurement and repeatability from things measured twice or more
 * (one-way analysis of variance; Lessells & Boag 1987, with n₀ where they are not measured
 * equally often). The interval of the ICC is Searle's (1971), exact for equal numbers.
 *
 * @param groups one list for each thing; those measured once tell nothing and are left out.
 * @returns undefined where fewer than two things were measured twice.
 */
export function reliabilityOf(groups: readonly (readonly number[])[]): Reliability | undefined {
  const used = groups.filter((group) => group.length > 1);
  const k = used.length;
  if (k < 2) return undefined;
  const n = used.reduce((sum, group) => sum + group.length, 0);
  const grand = used.flat().reduce((sum, value) => sum + value, 0) / n;
  let within = 0;
  let among = 0;
  for (const group of used) {
    const mean = group.reduce((sum, value) => sum + value, 0) / group.length;
    within += group.reduce((sum, value) => sum + (value - mean) ** 2, 0);
    among += group.length * (mean - grand) ** 2;
  }
  const [msWithin, msAmong] = [within / (n - k), among / (k - 1)];
  const n0 = (n - used.reduce((sum, { length }) => sum + length ** 2, 0) / n) / (k - 1);
  const tem = Math.sqrt(msWithin);
  const base = { things: k, n, tem, relative: tem / Math.abs(grand) };
  if (msAmong === 0 && msWithin === 0) return base;
  if (msWithin === 0) return { ...base, icc: { value: 1, interval: [1, 1] } };
  const iccOf = (ratio: number) => (ratio - 1) / (ratio + n0 - 1);
  const ratio = msAmong / msWithin;
  return {
    ...base,
    icc: {
      value: iccOf(ratio),
      interval: [iccOf(ratio / fQuantile(0.975, k - 1, n - k)), iccOf(ratio * fQuantile(0.975, n - k, k - 1))],
    },
  };
}

/** How two people, or two methods, differ. */
export interface Agreement {
  n: number;
  /** Mean of the first less the second, with its 95 % interval. */
  bias: number;
  biasInterval: [number, number];
  /** Within these lie 95 in 100 of the differences. */
  limits: [number, number];
}

/**
 * Limits of agreement of two people who measured the same things (Bland & Altman 1986).
 *
 * @param pairs at least three. @returns undefined for fewer.
 */
export function agreementOf(pairs: readonly (readonly [number, number])[]): Agreement | undefined {
  const n = pairs.length;
  if (n < 3) return undefined;
  const differences = pairs.map(([a, b]) => a - b);
  const bias = differences.reduce((sum, d) => sum + d, 0) / n;
  const sd = Math.sqrt(differences.reduce((sum, d) => sum + (d - bias) ** 2, 0) / (n - 1));
  return {
    n,
    bias,
    biasInterval: intervalOf(bias, sd / Math.sqrt(n), n - 1),
    limits: [bias - 1.96 * sd, bias + 1.96 * sd],
  };
}
