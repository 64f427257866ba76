import { curvePath, INK, linePath } from '../display';
import { type Curve, curve, mix, type Point, polar } from '../geometry';
import { note, type Pen, stroke } from '../pen';
import { FLUSH, GREENS, type UmbelModel } from './model';

/** Length of a whole leaf on its plate, with its stalk, in millimetres. */
const LEAF = 210;

/** Half width of a leaflet at t along it, as a share of its greatest. */
const HALVES: Record<UmbelModel['leaflet'], (t: number) => number> = {
  oval: (t) => Math.sin(Math.PI * t ** 0.9),
  wedge: (t) => (t < 0.72 ? 0.12 + (0.88 * t) / 0.72 : Math.sqrt(Math.max(0, 1 - ((t - 0.72) / 0.3) ** 2))),
  lance: (t) => (t < 0.3 ? Math.sin((Math.PI / 2) * (t / 0.3)) : 1 - ((t - 0.3) / 0.7) ** 1.35),
};

interface Leaflet {
  base: Point;
  degrees: number;
  length: number;
  /** Small ones are drawn with few points. */
  fine: boolean;
}

/** Place on a leaflet: t along, u across (−1 … 1 its greatest width). */
function place({ base, degrees, length }: Leaflet, ratio: number, t: number, u: number): Point {
  const along = polar(base, degrees, length * t);
  return polar(along, degrees + 90, (u * ratio * length) / 2);
}

function outlineOf(leaflet: Leaflet, model: UmbelModel): Curve {
  const half = HALVES[model.leaflet];
  const most = leaflet.fine ? 6 : model.division === 'thrice' ? 2 : 3;
  const teeth = { entire: 0, toothed: most, lobed: Math.ceil(most / 2) }[model.edge];
  const deep = model.edge === 'lobed' ? 0.56 : 0.8;
  const right: Point[] = [];
  const sharp: number[] = [];
  if (teeth === 0) {
    for (const t of leaflet.fine ? [0.12, 0.3, 0.5, 0.7, 0.88] : [0.2, 0.5, 0.8])
      right.push(place(leaflet, model.leafletRatio, t, half(t)));
  } else {
    for (let k = 0; k < teeth; k++) {
      const [notch, tip] = [0.08 + (0.86 * k) / teeth, 0.08 + (0.86 * (k + 0.72)) / teeth];
      right.push(place(leaflet, model.leafletRatio, notch, half(notch) * (k === 0 ? 0.9 : deep)));
      if (model.edge === 'lobed') right.push(place(leaflet, model.leafletRatio, tip - 0.1, half(tip - 0.1) * 0.98));
      sharp.push(right.length);
      right.push(place(leaflet, model.leafletRatio, tip, half(tip)));
    }
  }
  const tip = polar(leaflet.base, leaflet.degrees, leaflet.length);
  const left = right.map((p): Point => mirror(p, leaflet)).reverse();
  const n = right.length;
  const mirrored = sharp.map((i) => n + 1 + (n - 1 - i));
  return curve([leaflet.base, ...right, tip, ...left], [0, n + 1, ...sharp.map((i) => i + 1), ...mirrored.map((i) => i + 1)]);
}

/** The same point on the other side of the midrib. */
function mirror([x, y]: Point, { base, degrees }: Leaflet): Point {
  const a = (degrees * Math.PI) / 180;
  const [dx, dy] = [x - base[0], y - base[1]];
  const along = dx * Math.cos(a) + dy * Math.sin(a);
  const across = -dx * Math.sin(a) + dy * Math.cos(a);
  return [base[0] + along * Math.cos(a) + across * Math.sin(a), base[1] + along * Math.sin(a) - across * Math.cos(a)];
}

function drawLeaflet(pen: Pen, leaflet: Leaflet, model: UmbelModel, hairline: number, coarse: boolean): void {
  const outline = outlineOf(leaflet, model);
  note(pen, 'leaf', outline.points);
  // The smallest ones are cut with straight strokes.
  const small = coarse || model.division === 'thrice';
  const straight = small && !leaflet.fine && !(coarse && pen.detail === 'full');
  const d = straight ? linePath(outline.points) : curvePath(outline);
  pen.inks.push({ d, part: 'leaf', fill: GREENS[model.leafTint].leaf, stroke: INK, strokeWidth: hairline });
  if (coarse) return;
  const lines = [[place(leaflet, model.leafletRatio, 0, 0), place(leaflet, model.leafletRatio, 0.9, 0)]];
  if (!leaflet.fine && pen.detail === 'full' && model.division === 'twice') {
    const half = HALVES[model.leaflet];
    for (const t of [0.28, 0.5])
      for (const side of [-1, 1])
        lines.push([
          place(leaflet, model.leafletRatio, t, 0),
          place(leaflet, model.leafletRatio, t + 0.12, side * half(t + 0.12) * 0.6),
        ]);
    for (const t of [0.2, 0.34, 0.48, 0.62])
      lines.push([
        place(leaflet, model.leafletRatio, t, 0.2),
        place(leaflet, model.leafletRatio, t + 0.07, half(t + 0.07) * 0.66),
      ]);
  }
  if (leaflet.fine && pen.detail === 'full') {
    const half = HALVES[model.leaflet];
    for (let k = 0; k < 7; k++)
      for (const side of [-1, 1]) {
        const t = 0.14 + k * 0.105;
        lines.push([
          place(leaflet, model.leafletRatio, t, 0),
          place(leaflet, model.leafletRatio, t + 0.09, side * half(Math.min(1, t + 0.09)) * 0.74),
        ]);
      }
    // The shaded half is hatched between the veins.
    for (let k = 0; k < 13; k++) {
      const t = 0.12 + k * 0.058;
      lines.push([
        place(leaflet, model.leafletRatio, t, 0.12),
        place(leaflet, model.leafletRatio, t + 0.05, half(Math.min(1, t + 0.05)) * 0.5),
      ]);
    }
  }
  pen.inks.push({
    d: lines.map((line) => linePath(line, false)).join(''),
    part: 'leaf',
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(hairline * 0.62)),
    opacity: 0.72,
  });
}

export interface LeafPlace {
  foot: Point;
  /** The way the leaf points; −90 is upwards. */
  degrees: number;
  length: number;
  /** How far it spreads to its sides, as a share of what is usual: leaves that stand close keep to themselves. */
  spread?: number;
  /** By how many degrees it arches from its foot to its tip; straight, where absent. */
  arch?: number;
}

/** Points of a leaf's midrib in steps of one length, from its foot, with the way it goes on at each. */
const STEPS = 12;

function midrib({ foot, degrees, length, arch = 0 }: LeafPlace): (share: number) => { at: Point; way: number } {
  const way = (share: number) => degrees + arch * share;
  const points = [foot];
  for (let i = 0; i < STEPS; i++) points.push(polar(points[i], way((i + 0.5) / STEPS), length / STEPS));
  return (share) => {
    const i = Math.min(STEPS - 1, Math.floor(share * STEPS));
    return { at: mix(points[i], points[i + 1], share * STEPS - i), way: way(share) };
  };
}

/** Leaflets of a leaf from its stalk outwards, with the stalks that carry them. */
function leafPlan(model: UmbelModel, leaf: LeafPlace, coarse: boolean, dense = false) {
  const { length, spread = 1 } = leaf;
  const stalks: Point[][] = [];
  const leaflets: Leaflet[] = [];
  const blade = length * 0.7;
  const along = midrib(leaf);
  const onBlade = (share: number) => along((length - blade + blade * share) / length);
  const pinna = (from: Point, way: number, long: number, level: number): void => {
    if (level === 0) {
      leaflets.push({ base: from, degrees: way, length: long, fine: model.division === 'once' && !coarse });
      return;
    }
    const tip = polar(from, way, long);
    stalks.push([from, tip]);
    const pairs = level === 1 ? (coarse ? (model.division === 'thrice' ? 3 : 2) : model.division === 'thrice' ? 2 : 3) : 3;
    for (let k = 0; k < pairs; k++) {
      const t = 0.24 + (0.58 * k) / Math.max(1, pairs - 1);
      const at = mix(from, tip, t);
      const size = long * (0.46 - 0.2 * t) * (level === 1 ? 1.05 : 1.15);
      for (const side of [-1, 1]) pinna(at, way + side * 52, size, level - 1);
    }
    pinna(mix(from, tip, 0.86), way, long * 0.34, level - 1 > 0 ? level - 1 : 0);
  };
  stalks.push([0, 0.25, 0.5, 0.75, 1].map((share) => along(share).at));
  const levels = { once: 0, twice: 1, thrice: coarse ? 1 : 2 }[model.division];
  const pairs = coarse ? (model.division === 'thrice' || dense ? 4 : 3) : model.division === 'once' ? 4 : 5;
  for (let k = 0; k < pairs; k++) {
    const t = k / (pairs - 0.4);
    const { at, way } = onBlade(t * 0.9);
    const size = blade * (model.division === 'once' ? 0.36 : 0.52) * (1 - 0.52 * t) * spread;
    for (const side of [-1, 1]) pinna(at, way + side * (58 - 14 * t), size, levels);
  }
  // The end leaflet is drawn large where it is measured.
  const last = blade * (model.division === 'once' ? 0.38 : coarse ? 0.17 : 0.3);
  const { at: base, way: degrees } = onBlade(0.94);
  leaflets.push({ base, degrees, length: last, fine: !coarse });
  return { stalks, leaflets };
}

export function drawLeaf(pen: Pen, model: UmbelModel, at: LeafPlace, coarse = false): void {
  if (pen.detail === 'figure') {
    drawSilhouette(pen, model, at);
    return;
  }
  const { stalks, leaflets } = leafPlan(model, at, coarse, pen.detail === 'full');
  const { spread = 1 } = at;
  // From afar teeth are not seen.
  const shown: UmbelModel = coarse && model.edge === 'toothed' && pen.detail !== 'tile' ? { ...model, edge: 'entire' } : model;
  const tint = GREENS[model.leafTint].stem;
  const thick = at.length * (coarse ? 0.02 : 0.012);
  stalks.forEach((stalk, i) => {
    if (i === 0) {
      const line = curve(stalk, [], false);
      stroke(pen, 'leaf', line, (thick * 1.5) / pen.size);
      if (pen.detail === 'full') stroke(pen, 'leaf', line, thick / pen.size, tint);
    } else
      pen.inks.push({
        d: linePath(stalk, false),
        part: 'leaf',
        stroke: INK,
        strokeWidth: Math.max(1, Math.round(thick * (model.division === 'thrice' || spread < 1 ? 26 : 40))),
      });
  });
  const hairline = Math.max(1, Math.round(at.length * (coarse ? 0.5 : 0.28)));
  if (pen.detail === 'tile' && model.division !== 'once') dashLeaflets(pen, model, leaflets);
  else for (const leaflet of leaflets) drawLeaflet(pen, leaflet, shown, hairline, coarse);
}

/** At tile size a leaflet of many is one broad dash. */
function dashLeaflets(pen: Pen, model: UmbelModel, leaflets: readonly Leaflet[]): void {
  const tips = leaflets.map(({ base, degrees, length }) => [base, polar(base, degrees, length)]);
  note(pen, 'leaf', tips.flat());
  const strokeWidth = Math.round(leaflets[0].length * model.leafletRatio * 70);
  pen.inks.push({ d: tips.map((line) => linePath(line, false)).join(''), part: 'leaf', stroke: '#5E7B57', strokeWidth });
}

/** From far off a leaf is its outline alone: simple, or cut once more for each division. */
function drawSilhouette(pen: Pen, model: UmbelModel, { foot, degrees, length }: LeafPlace): void {
  const lobes = { once: 2, twice: 3, thrice: 4 }[model.division];
  const half: Point[] = [];
  for (let k = 0; k < lobes; k++) {
    const t = 0.3 + (0.6 * k) / lobes;
    half.push(polar(polar(foot, degrees, length * t), degrees + 50, length * 0.08));
    half.push(polar(polar(foot, degrees, length * t), degrees + 58, length * 0.34 * (1.1 - t)));
  }
  const tip = polar(foot, degrees, length);
  const leaf = { base: foot, degrees, length, fine: false };
  const points = [foot, ...half, tip, ...half.map((p) => mirror(p, leaf)).reverse()];
  note(pen, 'leaf', points);
  pen.inks.push({
    d: linePath(points),
    part: 'leaf',
    fill: GREENS[model.leafTint].leaf,
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(length * 0.9)),
  });
}

/** The end leaflet alone, large. */
export function drawEndLeaflet(pen: Pen, model: UmbelModel): void {
  drawLeaflet(pen, { base: [0, 0], degrees: -90, length: 100, fine: true }, { ...model, division: 'once' }, 130, false);
}

const WHOLE: LeafPlace = { foot: [0, 0], degrees: -90, length: LEAF };

/** One stem leaf, its sheath at the foot. */
export function drawLeafPlate(pen: Pen, model: UmbelModel): void {
  drawLeaf(pen, model, WHOLE, pen.detail === 'tile');
  drawSheath(pen, model, [0, 6], LEAF * 0.16);
}

/** The foot of the leaf stalk, where it clasps the stem. */
export function drawSheath(pen: Pen, model: UmbelModel, foot: Point, length: number): void {
  const half = length * (model.sheath === 'inflated' ? 0.36 : 0.12);
  const [x, y] = foot;
  const outline = curve(
    [
      [x - half * 0.7, y],
      [x - half, y - length * 0.34],
      [x - half * 0.3, y - length],
      [x + half * 0.3, y - length],
      [x + half, y - length * 0.34],
      [x + half * 0.7, y],
    ],
    [0, 5],
  );
  note(pen, 'sheath', outline.points);
  pen.inks.push({
    d: curvePath(outline),
    part: 'sheath',
    fill: GREENS[model.leafTint].stem,
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(length * 1.6)),
  });
  const folds = [-0.5, 0, 0.5].map((u): Point[] => [
    [x + u * half * 1.2, y - length * 0.06],
    [x + u * half * 1.3, y - length * 0.42],
    [x + u * half * 0.4, y - length * 0.86],
  ]);
  pen.inks.push({
    d: folds.map((fold) => curvePath(curve(fold, [], false))).join(''),
    part: 'sheath',
    stroke: model.marks === 'flushed' ? FLUSH : INK,
    strokeWidth: Math.max(1, Math.round(length * 0.7)),
    opacity: 0.7,
  });
}

/** Width and length of the end leaflet. */
export function endLeaflet(model: UmbelModel): { width: [Point, Point]; length: [Point, Point] } {
  const { leaflets } = leafPlan(model, WHOLE, false);
  const last = leaflets[leaflets.length - 1];
  const widest = [...Array(101).keys()]
    .map((i) => i / 100)
    .reduce((best, t) => (HALVES[model.leaflet](t) > HALVES[model.leaflet](best) ? t : best), 0);
  const half = HALVES[model.leaflet](widest);
  return {
    width: [place(last, model.leafletRatio, widest, -half), place(last, model.leafletRatio, widest, half)],
    length: [last.base, polar(last.base, last.degrees, last.length)],
  };
}
