import { landmarksIn, type Line, type Quantity } from '../guide/working';
import type { Problem } from '../problem';
import { between } from './between';
import { type CountingError, onSide } from './count';
import { dipRatio } from './dip';
import { angleAt, areaWithin, type At, type Estimate, over, pathLength, reach } from './estimate';
import { type Ground, groundOf } from './ground';
import { elongation, roundness } from './outline';
import { type Pointing, pointingOf, pointingSquares } from './pointing';
import { outlineCrosses, placesOf, pointsBeyond, pointsOutside } from './points';
import { raggedness } from './raggedness';
import type { Measured, MeasureRequest, PixelPoint, PointSet } from './schema';
import { countOf, type Found, pointsOf, told } from './told';

/** What came out, and what did not and why. */
export interface Measuring {
  values: Measured[];
  warnings: Problem[];
  /** The pointing error that was used, in pixels. */
  pointing: Pointing;
}

/**
 * Pixels in, values with their errors out.
 *
 * Each quantity is worked out of the points; their pointing error goes through it by its exact
 * slopes (delta method), that of the scale is added. Several sets are averaged: with up to three,
 * by the pointing error pooled over all landmarks; from four on, and for curves and outlines, by the
 * spread of the values themselves with Student's t (the two sources of error joined by Welch 1947 and
 * Satterthwaite 1946). Intervals hold 95 %. Lengths in mm and areas in mm² with a scale, in px and px²
 * without one; angles in °; the rest has no unit.
 *
 * @param counting how often the counter is wrong; never, where absent.
 * @returns what cannot be worked out is left out, with the reason by its field; the rest is kept.
 */
export function measure(request: MeasureRequest, counting?: CountingError): Measuring {
  const warnings: Problem[] = [];
  const sets = [request.points, ...(request.repeats ?? [])].map((set, r) => {
    const outside = pointsOutside(set, request.photo, fieldOf(r));
    warnings.push(...outside.problems);
    return outside.rest;
  });
  const known =
    request.pointingSd === undefined ? undefined : { sd: request.pointingSd, df: request.pointingDf ?? Number.POSITIVE_INFINITY };
  const pointing = pointingOf(pointingSquares(sets), known);
  const ground = groundOf(request, pointing.sd, warnings);
  const frames = sets.map((set, r) => {
    if (ground.kind !== 'plane') return frameOf(set, ground);
    const beyond = pointsBeyond(set, ground.plane, fieldOf(r));
    warnings.push(...beyond.problems);
    return frameOf(beyond.rest, ground);
  });
  const values = request.quantities.flatMap((quantity, q) => {
    const field = `quantities[${q}]`;
    const found = frames.flatMap((frame, r) => {
      const one = estimate(quantity, frame, ground, fieldOf(r, field));
      if ('code' in one) warnings.push(one);
      else if (one.uneven) warnings.push(sidesDiffer(quantity, one.uneven, fieldOf(r, field)));
      return 'code' in one ? [] : [one];
    });
    if (found.length === 0) return [];
    const out = quantity.kind === 'count' ? countOf(quantity, found, counting) : told(quantity, found, ground, pointing);
    if (Number.isFinite(out.value) && Number.isFinite(out.sd)) return [out];
    warnings.push({
      code: 'no-value',
      message: `“${quantity.id}” has no value: two of its points lie on one another, or it has no extent.`,
      field,
    });
    return [];
  });
  return { values, warnings, pointing };
}

/** The field of a set: the first, or a repeat. */
const fieldOf = (r: number, first = 'points') => (r === 0 ? first : `repeats[${r - 1}]`);

const sidesDiffer = ({ id }: Quantity, [left, right]: [number, number], field: string): Problem => ({
  code: 'sides-differ',
  message: `“${id}”: ${left} left of the axis and ${right} right of it. Look whether one was passed over; if they do differ, a note of it is worth more than their mean.`,
  field,
});

function estimate(quantity: Quantity, frame: Frame, ground: Ground, field: string): Found | Problem {
  const missing = landmarksIn(quantity).find((id) => !frame.has(id));
  if (missing !== undefined)
    return { code: 'landmark-missing', message: `“${quantity.id}” needs “${missing}”, which is not set.`, field };
  const short = TOO_FEW[quantity.kind];
  const several = landmarksIn(quantity).find((id) => frame.numbers(id).length < (short?.[0] ?? 1));
  if (short && several !== undefined && several === pointsOf(quantity))
    return { code: 'too-few-points', message: `“${several}” ${short[1]}`, field };
  const single = linesIn(quantity).find(({ points }) => points.flatMap(frame.numbers).length < 2);
  if (single)
    return { code: 'too-few-points', message: `“${single.points.join(', ')}” is one point: a length needs two.`, field };
  const crossed =
    'outline' in quantity && outlineCrosses(frame.numbers(quantity.outline).map(frame.pixel), quantity.outline, field);
  if (crossed) return crossed;
  if (quantity.kind === 'count') {
    const markers = frame.numbers(quantity.markers).map(frame.pixel);
    const [from, to] = quantity.axis?.map((id) => frame.pixel(frame.numbers(id)[0])) ?? [];
    if (!from || !to || !quantity.side) return { value: markers.length, pointed: 0, scaled: 0 };
    const on = (side: 'left' | 'right') => onSide(markers, from, to, side).length;
    if (quantity.side !== 'each') return { value: on(quantity.side), pointed: 0, scaled: 0 };
    const [left, right] = [on('left'), on('right')];
    return { value: (left + right) / 2, pointed: 0, scaled: 0, ...(left === right ? {} : { uneven: [left, right] }) };
  }
  if (quantity.kind !== 'form') return spread(workedOut(quantity, frame), frame, ground);
  const found = between(
    frame.at,
    frame.numbers(quantity.outline),
    quantity.between.map(({ points }) => points) as [PixelPoint[], PixelPoint[]],
  );
  const [from, to] = quantity.between.map(({ label }) => label);
  if (found.off > FAR_OFF * found.apart)
    return {
      code: 'form-unlike',
      message: `“${quantity.id}” lies between “${from}” and “${to}” in no way: it is too unlike both. Is it begun at its foot, and gone round once?`,
      field,
    };
  return spread(found, frame, ground);
}

/** An outline that is further off the way from one form to the other, in its length, is like neither. */
const FAR_OFF = 2 / 3;

/** Points that a kind needs, and what is said where there are fewer. */
const TOO_FEW: Partial<Record<Quantity['kind'], [number, string]>> = {
  area: [3, 'has fewer than three points: go round it.'],
  elongation: [3, 'has fewer than three points: go round it.'],
  form: [5, 'has fewer than five points: go round it from its foot.'],
  roundness: [3, 'has fewer than three points: go round it.'],
  dip: [3, 'has fewer than three points: from rim to rim by way of the bottom.'],
  raggedness: [5, 'has fewer than five points: follow the edge.'],
};

const linesIn = (quantity: Quantity): Line[] =>
  quantity.kind === 'length'
    ? [quantity.line]
    : quantity.kind === 'ratio'
      ? [quantity.numerator, quantity.denominator]
      : quantity.kind === 'reach' && quantity.denominator
        ? [quantity.denominator]
        : [];

/** Every point of a set has a number; a name is one of them, or several in turn. */
interface Frame {
  has: (id: string) => boolean;
  numbers: (id: string) => number[];
  at: At;
  pixel: At;
}

function frameOf(set: PointSet, ground: Ground): Frame {
  const pixels: PixelPoint[] = [];
  const byName = new Map<string, number[]>();
  for (const [id, place] of Object.entries(set)) {
    byName.set(
      id,
      placesOf(place).map((point) => pixels.push(point) - 1),
    );
  }
  const placed = ground.kind === 'plane' ? pixels.map(ground.plane.toPlane) : pixels;
  return {
    has: (id) => (byName.get(id)?.length ?? 0) > 0,
    numbers: (id) => byName.get(id)!,
    at: (i) => placed[i],
    pixel: (i) => pixels[i],
  };
}

function workedOut(quantity: Exclude<Quantity, { kind: 'count' | 'form' }>, { numbers, at }: Frame): Estimate {
  const one = (id: string) => numbers(id)[0];
  const line = ({ points }: Line) => pathLength(at, points.flatMap(numbers));
  switch (quantity.kind) {
    case 'length':
      return line(quantity.line);
    case 'ratio':
      return over(line(quantity.numerator), line(quantity.denominator));
    case 'reach': {
      const far = reach(at, one(quantity.tip), one(quantity.past), one(quantity.from), one(quantity.to));
      return quantity.denominator ? over(far, line(quantity.denominator)) : far;
    }
    case 'angle':
      return angleAt(at, one(quantity.points[0]), one(quantity.points[1]), one(quantity.points[2]));
    case 'area':
      return areaWithin(at, numbers(quantity.outline));
    case 'elongation':
      return elongation(at, numbers(quantity.outline));
    case 'roundness':
      return roundness(at, numbers(quantity.outline));
    case 'dip':
      return dipRatio(at, numbers(quantity.path));
    case 'raggedness':
      return raggedness(at, numbers(quantity.path));
  }
}

/** The value in its unit, and how it spreads by pointing and by the scale. */
function spread(found: Estimate, frame: Frame, ground: Ground): Found & { bend: number } {
  const { value, slopes, bend, power } = found;
  let pointed = 0;
  if (ground.kind !== 'plane') {
    for (const [x, y] of slopes.values()) pointed += x * x + y * y;
    if (ground.kind === 'pixels' || power === 0) return { value, pointed, scaled: 0, bend };
    const k = ground.size.mm ** power;
    return {
      value: value * k,
      pointed: pointed * k * k,
      scaled: (value * k * power * ground.size.relative) ** 2,
      bend: bend * k,
    };
  }
  const { plane, sd } = ground;
  const byPlane = new Array<number>(8).fill(0);
  let stretch = 0;
  for (const [i, [x, y]] of slopes) {
    const pixel = frame.pixel(i);
    const [[a, b], [c, d]] = plane.slope(pixel);
    pointed += (x * a + y * c) ** 2 + (x * b + y * d) ** 2;
    stretch += Math.abs(a * d - b * c) / slopes.size;
    const [X, Y] = plane.byPlane(pixel);
    byPlane.forEach((_, k) => (byPlane[k] += x * X[k] + y * Y[k]));
  }
  let scaled = 0;
  byPlane.forEach((p, i) => byPlane.forEach((q, j) => (scaled += p * q * plane.covariance[i][j])));
  return { value, pointed, scaled: scaled * sd * sd, bend: bend * stretch };
}
