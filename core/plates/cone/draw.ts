import { curvePath, INK } from '../display';
import { curve, type Curve, type Point, sample } from '../geometry';
import { finish, newPen, note, type Detail, type Pen, shape, stippleIn, stroke } from '../pen';
import type { Plate } from '../display';
import type { Tone } from '../stipple';
import type { Traits } from '../traits';
import { APERTURES, coneModel, type ConeModel, GROUNDS } from './model';
import { bodyHalf, coneOutline, halfAt, spireHeight, WHORLS, widthOf } from './outline';
import { coat, knobs, paintBody, paintSpire, wear } from './pattern';
import { onBody, onSpire, ringAt, sizeOf } from './surface';

/** Whorls drawn in tiles and thumbnails. */
const TILE_WHORLS = 3;

export const CONE_VIEWS = ['back', 'aperture'] as const;
export type ConeView = (typeof CONE_VIEWS)[number];

/** A whole shell, apex up, in millimetres: its back, or the side with the opening. */
export function drawCone(traits: Traits, view: ConeView, detail: Detail = 'full'): Plate {
  const model = coneModel(traits);
  const pen = newPen(sizeOf(model), detail);
  drawShell(pen, model, view);
  return finish(pen, 0.08);
}

export function drawShell(pen: Pen, model: ConeModel, view: ConeView): void {
  const full = pen.detail === 'full';
  const outline = coneOutline(model, full ? undefined : TILE_WHORLS);
  const polygon = shape(pen, { outline, part: 'shell', tint: GROUNDS[model.ground].body, weight: 1.15 }, () => {
    paintSpire(pen, model);
    paintBody(pen, model);
    coat(pen, model, outline);
    wear(pen, model);
  });
  if (full) stippleIn(pen, 'shell', polygon, shellTone(model));
  if (pen.detail !== 'figure') {
    sutures(pen, model);
    cords(pen, model);
    if (full) growthLines(pen, model);
  }
  knobs(pen, model);
  if (view === 'aperture') drawAperture(pen, model);
  noteParts(pen, model);
}

/** Light from the upper left on a turned body: a bare stripe left of the middle, dark towards the right and the base. */
function shellTone(model: ConeModel): Tone {
  const spire = spireHeight(model);
  return (x, y) => {
    const half = Math.max(halfAt(model, y), widthOf(model) * 0.02);
    const u = Math.max(-1, Math.min(1, x / half));
    const right = Math.max(0, (u - 0.05) / 0.95);
    const left = Math.max(0, (-u - 0.72) / 0.28);
    let dark = 0.02 + 0.62 * right * right * right + 0.34 * right * right * 0.5 + 0.24 * left * left;
    if (y < spire) {
      // Each whorl lies in the shade of the one above it.
      const dip = 0.12 * half * Math.sqrt(Math.max(0, 1 - u * u)) * (y / spire);
      const within = (((y - dip) / spire) * WHORLS + WHORLS) % 1;
      dark += 0.34 * Math.exp(-within * 4.5) + 0.05;
    } else {
      const t = (y - spire) / (model.length - spire);
      dark += 0.16 * Math.max(0, (t - 0.7) / 0.3) ** 2 * (0.4 + right);
      if (model.shoulder !== 'rounded') dark += 0.16 * Math.exp(-t * 34) * (0.5 + right);
    }
    return Math.min(0.84, dark);
  };
}

function sutures(pen: Pen, model: ConeModel): void {
  const [whorls, bends] = pen.detail === 'full' ? [WHORLS, 8] : [TILE_WHORLS, 3];
  for (let w = 1; w < whorls; w++) {
    const t = w / whorls;
    const line = Array.from({ length: bends + 1 }, (_, i) => onSpire(model, -1.48 + (2.96 * i) / bends, t));
    stroke(pen, 'spire', curve(line, [], false), pen.detail === 'full' ? 0.006 + 0.008 * t : 0.014);
  }
  if (model.shoulder === 'rounded') return;
  const rim = Array.from({ length: bends + 1 }, (_, i) => onSpire(model, -1.46 + (2.92 * i) / bends, 0.985));
  stroke(pen, 'shoulder', curve(rim, [], false), pen.detail === 'full' ? 0.013 : 0.018);
}

/** Raised cords round the base; the last ones nearest to it. */
function cords(pen: Pen, model: ConeModel): void {
  const most = pen.detail === 'full' ? model.cords : Math.min(6, Math.ceil(model.cords / 2));
  for (let k = 0; k < most; k++) {
    const t = 0.955 - (k * 0.4) / Math.max(8, most);
    const line = ringAt(model, t, -1.4, 1.4, pen.detail === 'full' ? 8 : 3);
    stroke(pen, 'base', curve(line, [], false), pen.detail === 'full' ? 0.0085 : 0.016);
  }
}

/** Faint lines of growth, from shoulder to base. */
function growthLines(pen: Pen, model: ConeModel): void {
  for (const theta of [-1.12, -0.84, 0.62, 0.86, 1.06, 1.22]) {
    const from = 0.05 + ((theta * 7.3) % 0.12);
    const line = [0, 0.25, 0.5, 0.75, 1].map((s) =>
      onBody(model, theta - 0.07 * Math.sin(Math.PI * s), from + (0.86 - from) * s),
    );
    stroke(pen, 'body', curve(line, [], false), 0.0045, INK, 0.55);
  }
}

/** Edge of the opening at t: nearer the outer lip above, wider below. */
function apertureEdges(model: ConeModel): { inner: Point[]; outer: Point[] } {
  const spire = spireHeight(model);
  const body = model.length - spire;
  const middle = widthOf(model) * model.apertureRatio;
  const inner: Point[] = [];
  const outer: Point[] = [];
  for (const t of [0.035, 0.12, 0.25, 0.4, 0.5, 0.6, 0.75, 0.88, 0.965]) {
    const rim = bodyHalf(model, t) * (t < 0.1 ? 0.93 : 0.955);
    // The scored width is met exactly at the middle of the opening.
    const wide = Math.min(middle * (0.42 + 1.16 * t), Math.max(rim * 1.25, middle * 0.5));
    outer.push([rim, spire + body * t]);
    inner.push([rim - (t === 0.5 ? middle : wide), spire + body * (t + 0.012 * Math.sin(Math.PI * t))]);
  }
  return { inner, outer };
}

export function apertureAcross(model: ConeModel): [Point, Point] {
  const { outer } = apertureEdges(model);
  const [x, y] = outer[4];
  return [
    [x - widthOf(model) * model.apertureRatio, y],
    [x, y],
  ];
}

function drawAperture(pen: Pen, model: ConeModel): void {
  const { inner, outer } = apertureEdges(model);
  const hole: Curve = curve(
    [...outer, ...inner.slice().reverse()],
    [0, outer.length - 1, outer.length, outer.length + inner.length - 1],
  );
  const polygon = sample(hole, pen.detail === 'full' ? 5 : 3);
  note(pen, 'aperture', polygon);
  pen.inks.push({ d: curvePath(hole), part: 'aperture', fill: APERTURES[model.aperture] });
  if (pen.detail === 'full') {
    const reach = widthOf(model) * model.apertureRatio;
    stippleIn(pen, 'aperture', polygon, (x, y) => {
      const at = inner.reduce((best, p) => (Math.abs(p[1] - y) < Math.abs(best[1] - y) ? p : best));
      const depth = Math.max(0, 1 - Math.abs(x - at[0]) / reach);
      return 0.1 + 0.72 * depth * depth;
    });
  }
  const weight = pen.detail === 'full' ? 1 : 1.4;
  stroke(pen, 'aperture', curve(inner, [], false), 0.026 * weight);
  stroke(pen, 'aperture', curve(outer, [], false), 0.013 * weight);
}

function noteParts(pen: Pen, model: ConeModel): void {
  const half = widthOf(model) / 2;
  const spire = spireHeight(model);
  const at = (t: number) => spire + (model.length - spire) * t;
  note(pen, 'spire', [
    [-half, -spire * 0.1],
    [half, at(0.07)],
  ]);
  note(pen, 'shoulder', [
    [half * 0.1, spire * 0.45],
    [half * 1.06, at(0.2)],
  ]);
  note(pen, 'body', [
    [-half * 0.72, at(0.1)],
    [half * 0.72, at(0.62)],
  ]);
  note(pen, 'base', [
    [-half * 0.42, at(0.66)],
    [half * 0.42, model.length],
  ]);
}
