import { discPath, INK, linePath } from '../display';
import { type Curve, curve, minus, mix, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, shape, stroke } from '../pen';
import type { BeetleModel } from './model';

/** A limb segment as a closed outline: half widths along it, `bend` as a share of its length. */
export function segment(pen: Pen, from: Point, to: Point, halves: readonly number[], bend = 0): Curve {
  const along = minus(to, from);
  const length = Math.hypot(...along) || 1;
  const out: Point = [-along[1] / length, along[0] / length];
  const at = (t: number, side: number): Point => {
    const k = t * (halves.length - 1);
    const i = Math.min(halves.length - 2, Math.floor(k));
    const half = halves[i] + (halves[i + 1] - halves[i]) * (k - i);
    const p = mix(from, to, t);
    const off = half * side + bend * length * Math.sin(Math.PI * t);
    return [p[0] + out[0] * off, p[1] + out[1] * off];
  };
  const cap = (t: number, over: number): Point => mix(from, to, t + (over * halves[t === 0 ? 0 : halves.length - 1]) / length);
  const stops = pen.detail === 'full' ? [0.03, 0.2, 0.45, 0.7, 0.9, 0.97] : [0.06, 0.5, 0.94];
  return curve([cap(0, -0.55), ...stops.map((t) => at(t, -1)), cap(1, 0.55), ...stops.reverse().map((t) => at(t, 1))]);
}

/** Along a bent segment: the point at t, off its middle line by `side` half widths of `half`. */
export function along(from: Point, to: Point, t: number, off: number, bend = 0): Point {
  const way = minus(to, from);
  const length = Math.hypot(...way) || 1;
  const p = mix(from, to, t);
  const reach = off + bend * length * Math.sin(Math.PI * t);
  return [p[0] - (way[1] / length) * reach, p[1] + (way[0] / length) * reach];
}

export interface Foot {
  from: Point;
  /** Degrees, clockwise from straight right. */
  direction: number;
  length: number;
  half: number;
  segments: number;
  fourth: BeetleModel['fourth'];
  claws: BeetleModel['claws'];
  tint: string;
  part: string;
  /** The first segments widened, as in the fore feet of males. */
  widened?: boolean;
  detail: boolean;
}

/** Lengths of the foot's segments; the last is the longest, the first the next. */
export function footShares(segments: number): number[] {
  const raw = Array.from({ length: segments }, (_, i) => (i === segments - 1 ? 1.7 : i === 0 ? 1.5 : 0.85));
  const total = raw.reduce((a, b) => a + b, 0);
  return raw.map((share) => share / total);
}

/** A foot: its segments from the last to the first, then the claws. */
export function drawFoot(pen: Pen, foot: Foot): void {
  const shares = footShares(foot.segments);
  const joints = shares.reduce<Point[]>(
    (all, share) => [...all, polar(all[all.length - 1], foot.direction, share * foot.length)],
    [foot.from],
  );
  drawClaws(pen, joints[joints.length - 1], foot);
  for (let i = foot.segments - 1; i >= 0; i--) {
    const [a, b] = [joints[i], joints[i + 1]];
    // The fourth of five is the one before the last.
    const lobed = foot.fourth === 'two-lobed' && i === foot.segments - 2;
    const wide = foot.half * (foot.widened && i < 3 ? 2.1 : 1);
    if (lobed) {
      for (const side of [-1, 1]) {
        const tip = along(a, b, 1.3, side * foot.half * 1.5);
        shape(pen, {
          outline: segment(pen, a, tip, [wide * 0.4, wide * 0.85, wide * 0.8, wide * 0.25]),
          part: foot.part,
          tint: foot.tint,
          weight: 0.6,
        });
      }
      continue;
    }
    const last = i === foot.segments - 1;
    const halves = last ? [wide * 0.42, wide * 0.5, wide * 0.72] : [wide * 0.5, wide * 0.95, wide * 0.85];
    shape(pen, { outline: segment(pen, a, b, halves), part: foot.part, tint: foot.tint, weight: 0.6 });
  }
}

function drawClaws(pen: Pen, tip: Point, { direction, half, claws, part, detail }: Foot): void {
  const reach = half * 3.1;
  for (const side of [-1, 1]) {
    const out = direction + side * 34;
    const middle = polar(tip, out, reach * 0.6);
    const end = polar(middle, direction + side * 4, reach * 0.62);
    const line = curve([tip, middle, end], [], false);
    note(pen, part, [tip, middle, end]);
    stroke(pen, part, line, (half / pen.size) * 0.75);
    if (!detail) continue;
    if (claws === 'toothed')
      stroke(
        pen,
        part,
        curve([mix(tip, middle, 0.7), polar(middle, direction - side * 22, reach * 0.34)], [], false),
        (half / pen.size) * 0.6,
      );
    if (claws === 'split') {
      const twin = polar(middle, direction - side * 16, reach * 0.56);
      stroke(pen, part, curve([tip, mix(tip, middle, 0.85), twin], [], false), (half / pen.size) * 0.6);
    }
  }
}

export interface Leg {
  root: Point;
  /** Directions of thigh, shin and foot. */
  angles: readonly [number, number, number];
  lengths: readonly [number, number, number];
  half: number;
  part: string;
  tint: string;
  hind: boolean;
  fore: boolean;
}

/** One leg, the foot first so that each part is overlapped by the one before it. */
export function drawLeg(pen: Pen, model: BeetleModel, leg: Leg): void {
  const knee = polar(leg.root, leg.angles[0], leg.lengths[0]);
  const ankle = polar(knee, leg.angles[1], leg.lengths[1]);
  const right = Math.cos((leg.angles[0] * Math.PI) / 180) >= 0;
  const outward = right ? -1 : 1;
  const bend = leg.hind && model.shin === 'bowed' ? outward * 0.13 : 0;
  drawFoot(pen, {
    from: ankle,
    direction: leg.angles[2],
    length: leg.lengths[2],
    half: leg.half * 0.36,
    segments: leg.hind ? model.footSegments : 5,
    fourth: model.fourth,
    claws: model.claws,
    tint: leg.tint,
    part: leg.part,
    widened: leg.fore && model.foreFoot === 'widened',
    detail: pen.detail === 'full',
  });
  drawShin(pen, model, knee, ankle, leg, bend, outward);
  const thick = leg.hind ? { slender: 0.95, swollen: 1.75, toothed: 1.15 }[model.thigh] : 1;
  const thigh = segment(pen, leg.root, knee, [
    leg.half * 0.8 * thick,
    leg.half * 1.15 * thick,
    leg.half * 1.05 * thick,
    leg.half * 0.6,
  ]);
  if (leg.hind && model.thigh === 'toothed') drawThighTooth(pen, leg, knee, outward);
  shape(pen, {
    outline: thigh,
    part: leg.part,
    tint: leg.tint,
    weight: 0.75,
    tone: roundTone(sample(thigh, 4), leg.half * 1.3, 0.03, 0.6),
  });
}

function drawThighTooth(pen: Pen, leg: Leg, knee: Point, outward: number): void {
  const base = [0.62, 0.84].map((t) => along(leg.root, knee, t, -outward * leg.half * 0.7));
  const tip = along(leg.root, knee, 0.8, -outward * leg.half * 2.2);
  shape(pen, { outline: curve([base[0], tip, base[1]], [0, 1, 2]), part: leg.part, tint: leg.tint, weight: 0.6 });
}

function drawShin(pen: Pen, model: BeetleModel, knee: Point, ankle: Point, leg: Leg, bend: number, outward: number): void {
  const half = leg.half * 0.56;
  drawShinEdge(pen, model, knee, ankle, half, leg.part, bend, outward, pen.detail === 'full' ? 9 : 4);
  const outline = segment(pen, knee, ankle, [half * 0.7, half * 0.8, half, half * 1.2], bend);
  shape(pen, {
    outline,
    part: leg.part,
    tint: leg.tint,
    weight: 0.7,
    tone: roundTone(sample(outline, 3), half * 1.6, 0.03, 0.55),
  });
}

/** Spines or hairs along the outer edge of a shin. */
export function drawShinEdge(
  pen: Pen,
  model: BeetleModel,
  knee: Point,
  ankle: Point,
  half: number,
  part: string,
  bend: number,
  outward: number,
  many: number,
): void {
  if (model.shinEdge === 'smooth') return;
  const way = minus(ankle, knee);
  const heading = (Math.atan2(way[1], way[0]) * 180) / Math.PI;
  const spined = model.shinEdge === 'spined';
  const count = spined ? Math.ceil(many * 0.7) : many * 2;
  const hairs = Array.from({ length: count }, (_, k): Point[] => {
    const t = 0.22 + (0.72 * k) / Math.max(1, count - 1);
    const from = along(knee, ankle, t, outward * half * 0.8, bend);
    const lean = heading + outward * (spined ? 52 : 34 + (k % 3) * 6);
    return [from, polar(from, lean, half * (spined ? 2.1 : 3.1 + 0.5 * (k % 2)))];
  });
  note(pen, part, hairs.flat());
  if (pen.detail === 'full' && spined)
    for (const line of hairs)
      stroke(pen, part, curve([line[0], mix(line[0], line[1], 0.5), line[1]], [], false), (half / pen.size) * 0.55);
  else
    pen.inks.push({
      d: hairs.map((line) => linePath(line, false)).join(''),
      part,
      stroke: INK,
      strokeWidth: Math.max(1, Math.round(half * (spined ? 26 : 11))),
    });
}

/** An antenna along a bowed line: thread, beads, or with a club at its end. */
export function drawAntenna(pen: Pen, model: BeetleModel, path: Curve, half: number, part: string, tint: string): void {
  const line = sample(path, 24);
  const total = line.length - 1;
  note(pen, part, line);
  if (pen.detail !== 'full') {
    pen.inks.push({ d: linePath(sample(path, 2), false), part, stroke: INK, strokeWidth: Math.max(1, Math.round(half * 170)) });
    if (model.antenna === 'thread') return;
  }
  const joints = pen.detail === 'full' ? 11 : model.antenna === 'clubbed' ? 3 : 6;
  const beads = Array.from({ length: joints }, (_, k) => {
    const from = pen.detail !== 'full' && model.antenna === 'clubbed' ? 0.8 : 0;
    const t = from + ((1 - from) * (k + 0.5)) / joints;
    const club = model.antenna === 'clubbed' && t > 0.72;
    const wide = model.antenna === 'beaded' ? 1.25 : club ? 2.1 : model.antenna === 'thread' ? 0.8 : 0.7;
    return { t, wide };
  });
  for (const { t, wide } of beads) {
    const [a, b] = [Math.max(0, t - 0.5 / joints), Math.min(1, t + 0.5 / joints)].map((s) => line[Math.round(s * total)]);
    if (pen.detail === 'full') {
      const halves =
        model.antenna === 'beaded' ? [half * 0.5, half * wide, half * 0.5] : [half * wide * 0.6, half * wide, half * wide * 0.85];
      shape(pen, { outline: segment(pen, a, b, halves), part, tint, weight: 0.45 });
    } else pen.inks.push({ d: discPath([{ at: mix(a, b, 0.5), radius: half * wide * 1.3 }]), part, fill: INK });
  }
}
