import type { Quantity } from '../guide/working';
import { type CountingError, counted } from './count';
import type { Ground } from './ground';
import { LEAST_POINTING_SD, type Pointing } from './pointing';
import { intervalOf } from './scale';
import type { Measured } from './schema';

/** A value of one set, with its variance by pointing and by the scale. */
export interface Found {
  value: number;
  /** Variance by pointing of 1 px, and by the scale. */
  pointed: number;
  scaled: number;
  /** Of a count of both sides that are not alike: left and right. */
  uneven?: [number, number];
}

/** From the fourth repeat on a quantity's own spread speaks; up to then all landmarks lend theirs. */
const OWN_SPREAD = 4;

/** The outline or path that a quantity is of. */
export const pointsOf = (quantity: Quantity): string | undefined =>
  'outline' in quantity ? quantity.outline : 'path' in quantity ? quantity.path : undefined;

/** Points set so densely that the correction would be more than this share are no pointing: an edge was traced. */
const MOST_CORRECTED = 0.05;

/** A value without what pointing in all directions adds to it on the average; see `pathLength`. */
const straightened = (value: number, added: number): number =>
  Math.abs(added) > MOST_CORRECTED * Math.abs(value) ? value : value - added;

const UNITS = { mm: ['', 'mm', 'mm²'], px: ['', 'px', 'px²'] } as const;
const POWERS: Partial<Record<Quantity['kind'], 1 | 2>> = { length: 1, area: 2 };

/** The unit a quantity is told in. */
function unitOf(quantity: Quantity, ground: Ground): string {
  if (quantity.kind === 'angle') return '°';
  const power = quantity.kind === 'reach' && !quantity.denominator ? 1 : (POWERS[quantity.kind] ?? 0);
  return UNITS[ground.kind === 'pixels' ? 'px' : 'mm'][power];
}

/** The value of all sets, with its error: pooled pointing for few, their own spread for many; see {@link measure}. */
export function told(
  quantity: Quantity,
  found: readonly (Found & { bend?: number })[],
  ground: Ground,
  pointing: Pointing,
): Measured {
  const n = found.length;
  const even = found.map(({ value, bend = 0 }) => straightened(value, bend * pointing.sd ** 2));
  const value = mean(even);
  const scaled = mean(found.map((one) => one.scaled));
  const curved = pointsOf(quantity) !== undefined;
  const own = n >= OWN_SPREAD || (curved && n > 1);
  const byPixels = (sdOfPoint: number) => (mean(found.map((one) => one.pointed)) * sdOfPoint ** 2) / n;
  const spread = even.reduce((sum, one) => sum + (one - value) ** 2, 0) / (n - 1) / n;
  // Sets that agree to the pixel tell nothing of their spread: a pixel's own error stays.
  const agree = even.every((one) => one === even[0]);
  const variance = own && !agree ? spread : byPixels(own ? LEAST_POINTING_SD : pointing.sd);
  const df = own ? n - 1 : pointing.df;
  const sd = Math.sqrt(variance + scaled);
  // Only the part that was estimated has few degrees of freedom.
  const joined = variance > 0 ? df * ((variance + scaled) / variance) ** 2 : Number.POSITIVE_INFINITY;
  return {
    quantity: quantity.id,
    value,
    unit: unitOf(quantity, ground),
    sd,
    ...(Number.isFinite(joined) ? { df: joined } : {}),
    interval: within(quantity, intervalOf(value, sd, joined)),
    n,
  };
}

/** Between what a quantity lies, whatever is pointed at. */
const BOUNDS: Partial<Record<Quantity['kind'], [number, number]>> = {
  length: [0, Number.POSITIVE_INFINITY],
  ratio: [0, Number.POSITIVE_INFINITY],
  area: [0, Number.POSITIVE_INFINITY],
  angle: [0, 180],
  elongation: [1, Number.POSITIVE_INFINITY],
  roundness: [0, 1],
};

function within({ kind }: Quantity, [low, high]: [number, number]): [number, number] {
  const [least, most] = BOUNDS[kind] ?? [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
  return [Math.max(least, low), Math.min(most, high)];
}

/** How many there are, by all counts of it and by how often the counter is wrong. */
export function countOf(quantity: Quantity, found: readonly Found[], counting?: CountingError): Measured {
  const n = found.length;
  const once = counted(mean(found.map(({ value }) => value)), counting ?? { missed: 0, extra: 0 });
  const variance =
    n > 1 ? found.reduce((sum, { value }) => sum + (value - mean(found.map((f) => f.value))) ** 2, 0) / (n - 1) : 0;
  const own = n >= OWN_SPREAD || !counting;
  const sd = Math.sqrt(own ? variance / n : once.sd ** 2 / n);
  const [low, high] = intervalOf(once.value, sd, own && n > 1 ? n - 1 : undefined);
  return {
    quantity: quantity.id,
    value: once.value,
    unit: '',
    sd,
    ...(own && n > 1 ? { df: n - 1 } : {}),
    interval: [Math.max(0, low), high],
    n,
  };
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
