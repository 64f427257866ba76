import { measureSets, type TakenSets } from './measureSets';
import { placesOf } from './points';
import type { PixelPoint, PointSet } from './schema';

/** Directions about which the thing may have been tilted, over half a turn. */
const AXES = 12;

/**
 * How much a tilt that nobody noticed may have changed a value: the plane of the thing,
 * and the scale beside it, is turned about each of twelve axes and put right again, as
 * seen from far away (a length across the axis is seen short by the cosine).
 *
 * @param degrees of tilt, below 90.
 * @returns the largest change, in the value's unit; 0 with a grid, which puts the plane right; undefined where there is no value.
 */
export function tiltCost(taken: TakenSets, degrees: number): number | undefined {
  const flat = valueOf(taken);
  if (flat === undefined) return undefined;
  if (taken.scale?.kind === 'grid' || taken.quantity.kind === 'count') return 0;
  const longer = 1 / Math.cos((degrees * Math.PI) / 180);
  let most = 0;
  for (let i = 0; i < AXES; i++) {
    const value = valueOf(tilted(taken, (i * Math.PI) / AXES, longer));
    if (value !== undefined) most = Math.max(most, Math.abs(value - flat));
  }
  return most;
}

/** Points may lie outside the photo once they are put right: how large it is plays no part. */
const valueOf = ({ sets, quantity, scale }: TakenSets): number | undefined =>
  measureSets({ sets, quantity, scale }).values[0]?.value;

function tilted(taken: TakenSets, axis: number, longer: number): TakenSets {
  const [c, s] = [Math.cos(axis), Math.sin(axis)];
  const right = ([x, y]: PixelPoint): PixelPoint => {
    // Along the axis as it is, across it longer.
    const [along, across] = [x * c + y * s, (y * c - x * s) * longer];
    return [along * c - across * s, along * s + across * c];
  };
  const { scale } = taken;
  return {
    ...taken,
    sets: taken.sets.map((set): PointSet =>
      Object.fromEntries(
        Object.entries(set).map(([id, place]) => [
          id,
          typeof place[0] === 'number' ? right(place as PixelPoint) : placesOf(place).map(right),
        ]),
      ),
    ),
    ...(scale?.kind === 'lengths'
      ? {
          scale: {
            ...scale,
            references: scale.references.map((one) => ({
              ...one,
              ends: one.ends.map(right) as [PixelPoint, PixelPoint],
            })),
          },
        }
      : {}),
  };
}
