import { type RandomSource, seeded } from '../probability';
import { curvePath, dotPath, INK, type Ink, linePath, PAPER, type Plate } from './display';
import { type Box, curve, type Point, polar, sample } from './geometry';

/** What can come between an eye and an animal or plant. A closed wing is a view of its own: see the plan. */
export const VEILS = ['dirt', 'wear', 'foliage', 'glare', 'blur', 'distance'] as const;
export type Veil = (typeof VEILS)[number];

/** One layer of concealment. */
export interface Concealment {
  veil: Veil;
  /** 0 nothing … 1 as bad as it gets. */
  amount: number;
  seed: string;
}

/**
 * A plate as it is met: with dirt on it, worn, behind leaves, in glare, out of
 * focus, or far off. Nothing of the drawing itself is changed: layers lie over
 * it, `blur` says how far out of focus it is, and distance widens the frame. The
 * same seed gives the same layer.
 *
 * @example conceal(plate, [{ veil: 'foliage', amount: 0.5, seed: 'hedge' }])
 */
export function conceal(plate: Plate, layers: readonly Concealment[]): Plate {
  return layers.reduce(
    (seen, { veil, amount, seed }) => (amount > 0 ? DRAWN[veil](seen, Math.min(1, amount), seeded(`${veil} ${seed}`)) : seen),
    plate,
  );
}

const DRAWN: Record<Veil, (plate: Plate, amount: number, random: RandomSource) => Plate> = {
  dirt: (plate, amount, random) => over(plate, splashes(plate, Math.round(4 + 16 * amount), random)),
  wear: (plate, amount, random) => over(plate, scratches(plate, Math.round(6 + 30 * amount), random)),
  foliage: (plate, amount, random) => over(plate, leaves(plate.box, Math.round(2 + 9 * amount), random)),
  glare: (plate, amount, random) => over(plate, glare(plate.box, amount, random)),
  blur: (plate, amount) => ({
    ...plate,
    blur: Math.max(plate.blur ?? 0, amount * 0.016 * Math.max(plate.box.width, plate.box.height)),
  }),
  distance: (plate, amount) => haze(farther(plate, 1 + 4 * amount), amount),
};

const over = (plate: Plate, inks: Ink[]): Plate => ({ ...plate, inks: [...plate.inks, ...inks] });

/** A part that fills more of a plate than this is too much of the animal to be behind leaves; so are several that fill more. */
const MUCH = 0.15;
const ALL_TOGETHER = 0.3;

/** Of some parts, the first ones that leaves can hide without hiding the whole. */
export function hideable({ box, parts }: Pick<Plate, 'box' | 'parts'>, some: readonly string[]): string[] {
  let sum = 0;
  return some.filter((part) => {
    const own = parts[part];
    const share = own ? (own.width * own.height) / (box.width * box.height) : 1;
    if (share > MUCH || sum + share > ALL_TOGETHER) return false;
    sum += share;
    return true;
  });
}

/**
 * A plate with leaves over some of its parts, each hidden wholly. The same seed gives the same leaves.
 *
 * @example hideParts(plate, ['claw-right'], 'hedge')
 */
export function hideParts(plate: Plate, parts: readonly string[], seed: string): Plate {
  return parts.reduce((seen, part) => {
    const own = plate.parts[part];
    if (!own) return seen;
    return over(seen, clump(own, seeded(`hidden ${part} ${seed}`)));
  }, plate);
}

/** What a clump over a box covers densely: leaves hang over its edge. */
const OVER = 1.25;
const grown = ({ x, y, width, height }: Box): Box => ({
  x: x - (width * (OVER - 1)) / 2,
  y: y - (height * (OVER - 1)) / 2,
  width: width * OVER,
  height: height * OVER,
});

/** Leaves that grow outward in rings, dark below: nothing of the box shows through them. */
function clump(box: Box, random: RandomSource): Ink[] {
  const [w, h] = [box.width / 2, box.height / 2];
  const middle: Point = [box.x + w, box.y + h];
  /** A box with round corners (Lamé's curve of the fourth order) that holds the box. */
  const lame = (u: number) => 2 ** 0.25 * Math.sign(u) * Math.sqrt(Math.abs(u));
  const at = (turn: number, share: number): Point => [
    middle[0] + share * w * lame(Math.cos(turn)),
    middle[1] + share * h * lame(Math.sin(turn)),
  ];
  const size = Math.max(box.width, box.height);
  const round = Array.from({ length: 24 }, (_, i) => at((Math.PI * i) / 12, 1));
  const long = 0.36 * Math.min(size, 2 * Math.min(box.width, box.height));
  const around = (share: number, many: number) =>
    Array.from({ length: many }, (_, i) => {
      const turn = (2 * Math.PI * (i + 0.7 * random())) / many;
      const way = (Math.atan2(h * Math.sin(turn), w * Math.cos(turn)) * 180) / Math.PI - 25 + 50 * random();
      return leaf(at(turn, share), way, long * (0.8 + 0.4 * random()), long * (0.2 + 0.06 * random()), size, random);
    }).flat();
  const many = Math.round(10 + (6 * size) / Math.min(box.width, box.height));
  return [
    { d: linePath(round), part: 'foliage', fill: '#5F7557' },
    ...around(0.8, many),
    ...around(0.5, Math.round(many * 0.7)),
    ...around(0.25, Math.round(many * 0.5)),
    ...around(0, 5),
  ];
}

/** How much of a part lies behind leaves that hide others, 0..1. */
export function hiddenShare({ parts }: Pick<Plate, 'parts'>, part: string, hidden: readonly string[]): number {
  const own = parts[part];
  if (!own) return 0;
  if (hidden.includes(part)) return 1;
  const shared = (a: number, aw: number, b: number, bw: number) => Math.max(0, Math.min(a + aw, b + bw) - Math.max(a, b));
  const covered = hidden.reduce((sum, other) => {
    const box = parts[other] && grown(parts[other]);
    return box ? sum + shared(own.x, own.width, box.x, box.width) * shared(own.y, own.height, box.y, box.height) : sum;
  }, 0);
  return Math.min(1, covered / (own.width * own.height));
}

/** A point of some part, nearer its middle than its edge. */
function somewhere(plate: Plate, random: RandomSource): Point {
  const parts = Object.values(plate.parts);
  const part = parts[Math.floor(random() * parts.length)];
  return [part.x + part.width * (0.2 + 0.6 * random()), part.y + part.height * (0.2 + 0.6 * random())];
}

function blot(at: Point, radius: number, random: RandomSource): Point[] {
  const corners = 9;
  const ring = Array.from({ length: corners }, (_, i) => polar(at, (360 * i) / corners, radius * (0.6 + 0.7 * random())));
  return sample(curve(ring), 2);
}

function splashes(plate: Plate, many: number, random: RandomSource): Ink[] {
  const size = Math.min(plate.box.width, plate.box.height);
  const mud = Array.from({ length: many }, () => blot(somewhere(plate, random), size * (0.015 + 0.06 * random() ** 2), random));
  const drops = Array.from({ length: many * 3 }, () => somewhere(plate, random));
  return [
    { d: mud.map((ring) => linePath(ring)).join(''), part: 'dirt', fill: '#6B5742', opacity: 0.86 },
    { d: dotPath(drops), part: 'dirt', stroke: '#54452F', strokeWidth: Math.round(size * 1.1), opacity: 0.8 },
  ];
}

function scratches(plate: Plate, many: number, random: RandomSource): Ink[] {
  const size = Math.min(plate.box.width, plate.box.height);
  const lines = Array.from({ length: many }, (): Point[] => {
    const from = somewhere(plate, random);
    return [from, polar(from, 20 + 60 * random(), size * (0.02 + 0.09 * random()))];
  });
  const rubbed = Array.from({ length: Math.ceil(many / 5) }, () =>
    blot(somewhere(plate, random), size * (0.02 + 0.045 * random()), random),
  );
  return [
    { d: rubbed.map((ring) => linePath(ring)).join(''), part: 'wear', fill: PAPER, opacity: 0.62 },
    {
      d: lines.map((line) => linePath(line, false)).join(''),
      part: 'wear',
      stroke: PAPER,
      strokeWidth: Math.max(1, Math.round(size * 0.7)),
    },
  ];
}

function leaves(box: Box, many: number, random: RandomSource): Ink[] {
  const size = Math.max(box.width, box.height);
  return Array.from({ length: many }, (): Ink[] => {
    const foot: Point = [box.x + box.width * random(), box.y + box.height * (0.5 + 0.55 * random())];
    const way = -130 + 80 * random();
    const long = size * (0.26 + 0.3 * random());
    return leaf(foot, way, long, long * (0.07 + 0.06 * random()), size, random);
  }).flat();
}

/** One leaf from its foot in a direction (degrees), so long and half so broad, drawn with lines for a thing of that size. */
function leaf(foot: Point, way: number, long: number, half: number, size: number, random: RandomSource): Ink[] {
  const tip = polar(foot, way, long);
  const side = (t: number, u: number) =>
    polar(polar(foot, way + u * 4 * t, long * t), way + 90, u * half * Math.sin(Math.PI * t));
  const blade = curve([foot, side(0.3, 1), side(0.7, 1), tip, side(0.7, -1), side(0.3, -1)], [0, 3]);
  const veins = [0.2, 0.35, 0.5, 0.65].flatMap((t) =>
    [-1, 1].map((u) => linePath([polar(foot, way, long * t), side(t + 0.14, u * 0.8)], false)),
  );
  return [
    {
      d: curvePath(blade),
      part: 'foliage',
      fill: random() < 0.5 ? '#8FA57C' : '#7C9470',
      stroke: INK,
      strokeWidth: Math.max(1, Math.round(size * 0.3)),
    },
    {
      d: linePath([foot, polar(foot, way, long * 0.94)], false) + veins.join(''),
      part: 'foliage',
      stroke: INK,
      strokeWidth: Math.max(1, Math.round(size * 0.14)),
      opacity: 0.7,
    },
  ];
}

/** Bleached, with a burst of light from the upper left. */
function glare({ x, y, width, height }: Box, amount: number, random: RandomSource): Ink[] {
  const corners: Point[] = [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ];
  const at: Point = [x + width * (0.2 + 0.3 * random()), y + height * (0.15 + 0.3 * random())];
  const size = Math.max(width, height);
  const disc = (r: number): Ink => ({
    d: linePath(Array.from({ length: 24 }, (_, i) => polar(at, i * 15, r))),
    part: 'glare',
    fill: '#FFFFFF',
    opacity: 0.34 * amount + 0.1,
  });
  return [
    { d: linePath(corners), part: 'glare', fill: '#FFFFFF', opacity: 0.5 * amount },
    ...[0.44, 0.3, 0.18, 0.09].map((r) => disc(size * r)),
  ];
}

function farther(plate: Plate, times: number): Plate {
  const { x, y, width, height } = plate.box;
  const [w, h] = [width * times, height * times];
  return { ...plate, box: { x: x - (w - width) / 2, y: y - (h - height) / 2, width: w, height: h } };
}

function haze(plate: Plate, amount: number): Plate {
  const { x, y, width, height } = plate.box;
  const corners: Point[] = [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ];
  return over(plate, [{ d: linePath(corners), part: 'distance', fill: '#E9EEED', opacity: 0.42 * amount }]);
}
