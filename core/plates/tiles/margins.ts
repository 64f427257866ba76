import type { TileOf } from '../../guide/tileSchema';
import { add, curve, distance, minus, mix, type Point, sample, times } from '../geometry';
import type { Half } from './halves';

type Margin = NonNullable<TileOf<'blade'>['margin']>;

/** One tooth, from one notch to the next: places along it (0..1) and out of it, in its own height; corners marked. */
interface Tooth {
  /** Along half of the outline. */
  count: number;
  /** Height as a share of the whole length; below 0 the line goes in, by a share of what there is between it and the midline. */
  height: number;
  places: readonly { along: number; out: number; sharp?: true }[];
  /** Are the notches between them corners? */
  notched: boolean;
}

const TEETH: Partial<Record<Margin, Tooth>> = {
  // They look towards the tip.
  serrate: { count: 8, height: 0.05, places: [{ along: 0.9, out: 1, sharp: true }], notched: true },
  // They look outwards.
  dentate: { count: 7, height: 0.055, places: [{ along: 0.5, out: 1, sharp: true }], notched: true },
  crenate: {
    count: 7,
    height: 0.05,
    places: [
      { along: 0.22, out: 0.8 },
      { along: 0.55, out: 1 },
      { along: 0.86, out: 0.75 },
    ],
    notched: true,
  },
  undulate: {
    count: 4,
    height: 0.04,
    places: [
      { along: 0.25, out: 0.7 },
      { along: 0.5, out: 1 },
      { along: 0.75, out: 0.7 },
    ],
    notched: false,
  },
  lobed: {
    count: 3,
    height: -0.52,
    places: [
      { along: 0.3, out: 0.1 },
      { along: 0.5, out: 1 },
      { along: 0.62, out: 0.35 },
    ],
    notched: false,
  },
  spiny: {
    count: 6,
    height: 0.11,
    places: [
      { along: 0.36, out: 0.06 },
      { along: 0.56, out: 1, sharp: true },
      { along: 0.7, out: 0.08 },
    ],
    notched: false,
  },
};

/** How much of either end of a half keeps its own line. */
const ENDS = 0.06;

/** How finely a half is walked along. */
const FINE = 8;

/** A half with a margin: teeth of one kind along it. */
export function withMargin(half: Half, margin: Margin): Half {
  const tooth = TEETH[margin];
  if (!tooth) return half;
  const line = walkOf(half);
  const points: Point[] = [half.points[0]];
  const sharp = new Set<number>(half.sharp.has(0) ? [0] : []);
  const put = ({ at, out }: Place, height: number, corner?: boolean) => {
    if (corner) sharp.add(points.length);
    points.push(add(at, height < 0 ? [at[0] * height, 0] : times(out, height)));
  };
  const pitch = (1 - 2 * ENDS) / tooth.count;
  for (let i = 0; i < tooth.count; i++) {
    const from = ENDS + i * pitch;
    put(line(from), 0, tooth.notched);
    // Towards both ends there is less room.
    const shrunk = tooth.height * Math.min(1, 0.45 + Math.sin(Math.PI * (from + pitch / 2)));
    for (const { along, out, sharp: corner } of tooth.places)
      put(line(from + along * pitch), out * (tooth.height < 0 ? tooth.height : shrunk), corner);
  }
  put(line(1 - ENDS), 0, tooth.notched);
  const last = half.points.length - 1;
  if (half.sharp.has(last)) sharp.add(points.length);
  points.push(half.points[last]);
  return { points, sharp };
}

interface Place {
  at: Point;
  /** Away from the midline, at a right angle to the line; of length 1. */
  out: Point;
}

/** Where one is after a share of the way along a half, and which way is out. */
export function walkOf({ points, sharp }: Half): (share: number) => Place {
  const line = sample(curve(points, sharp, false), FINE);
  const gone = [0];
  for (let i = 1; i < line.length; i++) gone.push(gone[i - 1] + distance(line[i - 1], line[i]));
  const whole = gone[gone.length - 1];
  return (share) => {
    const want = Math.min(1, Math.max(0, share)) * whole;
    const i = Math.max(
      1,
      gone.findIndex((length) => length >= want),
    );
    const [a, b] = [line[i - 1], line[i]];
    const step = gone[i] - gone[i - 1] || 1;
    const [dx, dy] = minus(b, a);
    const length = Math.hypot(dx, dy) || 1;
    return { at: mix(a, b, (want - gone[i - 1]) / step), out: [dy / length, -dx / length] };
  };
}
