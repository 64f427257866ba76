import { INK, linePath } from '../display';
import { curve, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, shape, stroke, wash } from '../pen';
import { GROUNDS, type MothModel } from './model';

/** The antenna as a bowed line, exactly as long as scored; from the head outwards. */
export function antennaPath(model: MothModel, side: 1 | -1, from: Point): Point[] {
  const reach = model.antennaRatio * model.wing;
  const turns = [-66, -54, -44, -34, -26];
  return turns.reduce<Point[]>(
    (all, angle) => [...all, polar(all[all.length - 1], side > 0 ? angle : 180 - angle, reach / turns.length)],
    [from],
  );
}

export function drawAntennae(pen: Pen, model: MothModel, head: Point): void {
  const full = pen.detail === 'full';
  for (const side of [-1, 1] as const) {
    const path = antennaPath(model, side, [head[0] + side * model.wing * 0.03, head[1]]);
    note(pen, 'antenna', path);
    if (model.antenna !== 'thread') {
      const line = sample(curve(path, [], false), full ? 7 : 2);
      const long = model.wing * (model.antenna === 'feather' ? 0.085 : 0.034);
      const combs = line.slice(1, -1).flatMap((p, i) => {
        const t = (i + 1) / line.length;
        const reach = long * Math.sin(Math.PI * (0.14 + 0.82 * t));
        return [-1, 1].map((turn) => linePath([p, polar(p, (side > 0 ? -46 : 226) + turn * 74, reach)], false));
      });
      pen.inks.push({
        d: combs.join(''),
        part: 'antenna',
        stroke: INK,
        strokeWidth: Math.max(1, Math.round(pen.size * (full ? 0.3 : 0.8))),
      });
    }
    stroke(pen, 'antenna', curve(path, [], false), full ? 0.016 : 0.02);
  }
}

/** Thorax, collar and abdomen from above; the head's front at y = 0. */
export function drawBody(pen: Pen, model: MothModel, abdomen = true): void {
  const w = model.wing;
  const ground = GROUNDS[model.ground];
  const full = pen.detail === 'full';
  if (abdomen) drawAbdomen(pen, model);
  const thorax = curve([
    [0, w * 0.06],
    [w * 0.1, w * 0.09],
    [w * 0.135, w * 0.2],
    [w * 0.1, w * 0.33],
    [0, w * 0.37],
    [-w * 0.1, w * 0.33],
    [-w * 0.135, w * 0.2],
    [-w * 0.1, w * 0.09],
  ]);
  shape(pen, {
    outline: thorax,
    part: 'thorax',
    tint: ground.wing,
    weight: 0.9,
    tone: roundTone(sample(thorax, 4), w * 0.08, 0.05, 0.6),
  });
  if (full) furOn(pen, 'thorax', [0, w * 0.2], w * 0.11, w * 0.13);
  const collar = curve([
    [-w * 0.085, w * 0.055],
    [0, w * 0.035],
    [w * 0.085, w * 0.055],
    [w * 0.1, w * 0.115],
    [0, w * 0.1],
    [-w * 0.1, w * 0.115],
  ]);
  const tint = model.collar === 'plain' ? ground.wing : ground.pale;
  shape(pen, { outline: collar, part: 'collar', tint, weight: 0.7 }, () => {
    if (model.collar === 'banded')
      wash(
        pen,
        'collar',
        [
          [-w * 0.09, w * 0.075],
          [0, w * 0.056],
          [w * 0.09, w * 0.075],
          [w * 0.094, w * 0.095],
          [0, w * 0.078],
          [-w * 0.094, w * 0.095],
        ],
        INK,
        0.9,
      );
  });
  const head = curve([
    [0, -w * 0.005],
    [w * 0.055, w * 0.015],
    [w * 0.06, w * 0.06],
    [0, w * 0.075],
    [-w * 0.06, w * 0.06],
    [-w * 0.055, w * 0.015],
  ]);
  for (const side of [-1, 1]) {
    const eye = curve(
      Array.from({ length: 6 }, (_, i): Point => [
        side * w * 0.06 + w * 0.026 * Math.cos((i * Math.PI) / 3),
        w * 0.038 + w * 0.03 * Math.sin((i * Math.PI) / 3),
      ]),
    );
    shape(pen, { outline: eye, part: 'head', tint: '#2C2420', weight: 0.5 });
  }
  shape(pen, { outline: head, part: 'head', tint: ground.wing, weight: 0.7 });
}

function drawAbdomen(pen: Pen, model: MothModel): void {
  const w = model.wing;
  const ground = GROUNDS[model.ground];
  const full = pen.detail === 'full';
  const [top, foot] = [w * 0.3, w * 0.92];
  const half = (t: number) => w * 0.1 * (1 - 0.62 * t ** 1.8);
  const at = (u: number, t: number): Point => [u * half(t), top + (foot - top) * t];
  if (model.tuft !== 'none') {
    const long = model.tuft === 'long' ? 0.26 : 0.14;
    const wide = model.tuft === 'long' ? 1.7 : 1.2;
    const tuft = curve(
      [
        at(-0.8, 0.94),
        at(-wide, 1 + long * 0.8),
        at(-0.5 * wide, 1 + long),
        at(0, 1 + long * 1.1),
        at(0.5 * wide, 1 + long),
        at(wide, 1 + long * 0.8),
        at(0.8, 0.94),
      ],
      [0, 6],
    );
    shape(pen, { outline: tuft, part: 'tuft', tint: ground.pale, weight: 0.7 });
    if (full) {
      const hairs = [-0.8, -0.5, -0.2, 0.2, 0.5, 0.8].map((u) =>
        linePath([at(u * 0.7, 0.98), at(u * wide, 1 + long * 0.9)], false),
      );
      pen.inks.push({ d: hairs.join(''), part: 'tuft', stroke: INK, strokeWidth: Math.max(1, Math.round(pen.size * 0.24)) });
    }
  }
  const stops = [0, 0.2, 0.45, 0.7, 0.9];
  const outline = curve([...stops.map((t) => at(1, t)), at(0, 1), ...stops.map((t) => at(-1, t)).reverse()]);
  shape(
    pen,
    { outline, part: 'abdomen', tint: ground.wing, weight: 0.9, tone: roundTone(sample(outline, 4), w * 0.07, 0.05, 0.65) },
    () => {
      if (model.abdomen !== 'ringed') return;
      for (const t of full ? [0.24, 0.38, 0.52, 0.66, 0.8] : [0.3, 0.55, 0.8])
        wash(
          pen,
          'abdomen',
          [at(-0.97, t), at(0, t + 0.025), at(0.97, t), at(0.95, t + 0.055), at(0, t + 0.08), at(-0.95, t + 0.055)],
          ground.dark,
          0.95,
        );
    },
  );
  if (!full) return;
  const seams = [0.16, 0.3, 0.44, 0.58, 0.72, 0.85].map((t) =>
    linePath(sample(curve([at(-0.96, t), at(0, t + 0.03), at(0.96, t)], [], false), 3), false),
  );
  pen.inks.push({
    d: seams.join(''),
    part: 'abdomen',
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(pen.size * 0.22)),
    opacity: 0.7,
  });
}

/** Short hairs that lie backwards. */
export function furOn(pen: Pen, part: string, [cx, cy]: Point, rx: number, ry: number): void {
  const hairs = Array.from({ length: 44 }, (_, i) => {
    const a = i * 2.399963;
    const r = Math.sqrt((i + 0.5) / 44);
    const from: Point = [cx + rx * r * Math.cos(a), cy + ry * r * Math.sin(a)];
    return linePath([from, [from[0] + rx * 0.12 * Math.cos(a), from[1] + ry * 0.26]], false);
  });
  pen.inks.push({ d: hairs.join(''), part, stroke: INK, strokeWidth: Math.max(1, Math.round(pen.size * 0.22)), opacity: 0.75 });
}
