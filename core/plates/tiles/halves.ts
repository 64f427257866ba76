import type { TileOf } from '../../guide/tileSchema';
import type { Point } from '../geometry';

type Blade = TileOf<'blade'>;

/** Half of an outline, from the base to the tip: how far from the midline, and how far along. Lengths of the whole; corners marked. */
export interface Half {
  points: Point[];
  sharp: Set<number>;
}

/**
 * How wide a half is along its length: widest at `at`, falling to either end as (1 − uᵖ)^(1/q), u the way from the widest
 * place to the end. p = q = 2 is an ellipse; p = q = 1 straight sides; large p runs on with parallel sides.
 */
interface Profile {
  at: number;
  base: readonly [p: number, q: number];
  tip: readonly [p: number, q: number];
  /** Length in widths. */
  ratio: number;
  ends: { tip: NonNullable<Blade['tip']>; base: NonNullable<Blade['base']> };
}

const OVAL = [2, 2] as const;
const STRAIGHT = [1, 1] as const;

export const PROFILES: Record<Blade['outline'], Profile> = {
  orbicular: { at: 0.5, base: OVAL, tip: OVAL, ratio: 1, ends: { tip: 'rounded', base: 'rounded' } },
  elliptic: { at: 0.5, base: OVAL, tip: OVAL, ratio: 1.8, ends: { tip: 'rounded', base: 'rounded' } },
  oblong: { at: 0.5, base: [6, 2], tip: [6, 2], ratio: 2.4, ends: { tip: 'rounded', base: 'rounded' } },
  ovate: { at: 0.34, base: OVAL, tip: [1.7, 1.5], ratio: 1.6, ends: { tip: 'acute', base: 'rounded' } },
  obovate: { at: 0.66, base: [1.7, 1.5], tip: OVAL, ratio: 1.6, ends: { tip: 'rounded', base: 'cuneate' } },
  lanceolate: { at: 0.32, base: [2, 1.6], tip: [1.35, 1.2], ratio: 4, ends: { tip: 'acute', base: 'cuneate' } },
  linear: { at: 0.5, base: [9, 2], tip: [9, 2], ratio: 10, ends: { tip: 'acute', base: 'rounded' } },
  deltoid: { at: 0.03, base: [5, 2], tip: STRAIGHT, ratio: 1.15, ends: { tip: 'acute', base: 'truncate' } },
  rhombic: { at: 0.5, base: STRAIGHT, tip: STRAIGHT, ratio: 1.5, ends: { tip: 'acute', base: 'cuneate' } },
  reniform: { at: 0.46, base: OVAL, tip: OVAL, ratio: 0.78, ends: { tip: 'rounded', base: 'cordate' } },
  spatulate: { at: 0.78, base: [0.75, 0.8], tip: OVAL, ratio: 2.6, ends: { tip: 'rounded', base: 'attenuate' } },
};

const widthAt = ({ at, base, tip }: Profile, t: number): number => {
  const [u, [p, q]] = t < at ? [(at - t) / at, base] : [(t - at) / (1 - at), tip];
  return Math.max(0, 1 - u ** p) ** (1 / q);
};

/** An end of a blade: how its sides fall towards it, where they stop, and the line from there to the midline. */
interface End {
  /** As of a {@link Profile}. */
  fall: readonly [p: number, q: number];
  /** How far from the end the sides stop, as a share of the length. */
  stops: number;
  /** Places from there on: beyond where the end lies (below 0: before it), in lengths, and how wide, where the sides stopped being 1. */
  line: readonly { past: number; w: number; sharp?: true }[];
}

const apex = (past = 0): End['line'][number] => ({ past, w: 0, sharp: true });
const pointed = (p: number, q: number, line: End['line'] = [apex()]): End => ({ fall: [p, q], stops: 0.05, line });

const TIP_ENDS: Record<NonNullable<Blade['tip']>, End> = {
  acute: pointed(1.5, 1.05),
  acuminate: pointed(1.25, 0.62),
  caudate: { fall: [1.7, 0.8], stops: 0.12, line: [{ past: 0.02, w: 0.42 }, { past: 0.16, w: 0.22 }, apex(0.32)] },
  obtuse: pointed(2.3, 1.1),
  rounded: { fall: OVAL, stops: 0.015, line: [{ past: 0, w: 0 }] },
  truncate: {
    fall: [5, 2],
    stops: 0.05,
    line: [
      { past: -0.04, w: 0.97, sharp: true },
      { past: -0.045, w: 0.45 },
      { past: -0.045, w: 0 },
    ],
  },
  emarginate: {
    fall: [3, 2],
    stops: 0.06,
    line: [{ past: -0.015, w: 0.72 }, { past: -0.008, w: 0.45 }, { past: -0.05, w: 0.14 }, apex(-0.12)],
  },
  mucronate: { fall: OVAL, stops: 0.02, line: [{ past: -0.004, w: 0.3, sharp: true }, { past: 0.05, w: 0.1 }, apex(0.12)] },
};

const BASE_ENDS: Record<NonNullable<Blade['base']>, End> = {
  cuneate: pointed(1.5, 1.05),
  attenuate: pointed(1.2, 0.5),
  rounded: TIP_ENDS.rounded,
  truncate: TIP_ENDS.truncate,
  cordate: {
    fall: [2.6, 2],
    stops: 0.12,
    line: [{ past: -0.02, w: 0.92 }, { past: 0.045, w: 0.56 }, { past: 0.01, w: 0.2 }, apex(-0.1)],
  },
  sagittate: { fall: [7, 2], stops: 0.1, line: [{ past: 0.2, w: 1.12, sharp: true }, { past: 0.03, w: 0.4 }, apex(-0.06)] },
  oblique: TIP_ENDS.rounded,
};

/** Where the width is taken, as shares of the way from either end to the other: closer towards the ends, where it falls. */
const MIDDLE = 0.5;
const PLACES = [0, 0.06, 0.16, 0.3, MIDDLE, 0.7, 0.84, 0.94, 1];

/** How much further up the other side of an oblique base begins. */
const OBLIQUE = 0.16;

/** Half an outline; `width` is half the width of the whole, where its length is 1. */
export function halfOf({ outline, tip, base, ratio }: Blade, side: 'right' | 'left'): Half {
  const own = PROFILES[outline];
  const wide = 0.5 / (ratio ?? own.ratio);
  const to = TIP_ENDS[tip ?? own.ends.tip];
  const asked = base ?? own.ends.base;
  const from = BASE_ENDS[asked];
  // An outline falls in its own way to the ends that are its own.
  const profile: Profile = {
    ...own,
    base: asked === own.ends.base ? own.base : from.fall,
    tip: tip === undefined || tip === own.ends.tip ? own.tip : to.fall,
  };
  const rise = asked === 'oblique' && side === 'left' ? OBLIQUE : 0;
  const widthFrom = (t: number) => widthAt(profile, rise ? (t - rise) / (1 - rise) : t);
  const [low, high] = [rise + from.stops, 1 - to.stops];
  const points: Point[] = [];
  const sharp = new Set<number>();
  const put = (w: number, t: number, corner?: true) => {
    if (corner) sharp.add(points.length);
    points.push([w * wide, t]);
  };
  for (const { past, w, sharp: corner } of [...from.line].reverse()) put(w * widthFrom(low), rise - past, corner);
  for (const share of PLACES) {
    const t = low + share * (high - low);
    put(widthFrom(t), t, outline === 'rhombic' && share === MIDDLE ? true : undefined);
  }
  for (const { past, w, sharp: corner } of to.line) put(w * widthFrom(high), 1 + past, corner);
  return { points, sharp };
}
