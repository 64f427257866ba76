import { INK, linePath } from '../display';
import { curve, type Point, sample } from '../geometry';
import { note, type Pen, roundTone, shape, stippleIn, stroke, wash } from '../pen';
import { drawAntennae, drawBody, furOn } from './body';
import { bandFrom, drawForeWing, type OnWing } from './foreWing';
import { GROUNDS, HINDS, type MothModel } from './model';

/** Degrees by which the front edge of a spread wing rises outwards. */
const LIFT = 14;

/** A spread fore wing's own square on the sheet. */
export function spreadWing(model: MothModel, side: 1 | -1): OnWing {
  const a = (-LIFT * Math.PI) / 180;
  // The way across leans a little; it is as long as the wing is broad all the same.
  const deep = breadth(model) / Math.hypot(1, 0.4 * Math.sin(a));
  return (u, v) => {
    const [x, y] = [u * model.wing, v * deep];
    return [side * (model.wing * 0.06 + x * Math.cos(a) - y * Math.sin(a) * 0.4), model.wing * 0.12 + x * Math.sin(a) + y];
  };
}

/** Breadth of the fore wing, straight down from its front edge. */
const breadth = (model: MothModel): number => model.wing / model.wingRatio;

/** Length and breadth of a fore wing, and the width of its midband, on the drawing. */
export function wingReach(model: MothModel): Record<'length' | 'breadth' | 'band', [Point, Point]> {
  const on = spreadWing(model, 1);
  return {
    length: [on(0, 0), on(1, 0)],
    breadth: [on(0.56, 0), on(0.56, 1)],
    band: [on(bandFrom(model, 0.03), 0), on(bandFrom(model, 0.03) + model.bandRatio, 0)],
  };
}

/** Set with the wings spread, from above. */
export function drawSpread(pen: Pen, model: MothModel): void {
  drawAntennae(pen, model, [0, model.wing * 0.03]);
  for (const side of [-1, 1] as const) drawHindWing(pen, model, side);
  for (const side of [-1, 1] as const)
    drawForeWing(pen, model, spreadWing(model, side), { part: 'fore-wing', tone: wingTone(model) });
  drawBody(pen, model);
}

/** Darker towards the body and the hind edge; light falls from the upper left. */
const wingTone =
  (model: MothModel) =>
  (x: number, y: number): number => {
    const out = Math.abs(x) / model.wing;
    return Math.min(0.7, 0.03 + 0.42 * Math.exp(-out * 9) + 0.16 * Math.max(0, y / model.wing - 0.2) + (x > 0 ? 0.06 : 0));
  };

function drawHindWing(pen: Pen, model: MothModel, side: 1 | -1): void {
  const w = model.wing;
  const full = pen.detail === 'full';
  const at = (x: number, y: number): Point => [side * x * w, y * w];
  const points: Point[] = [
    at(0.08, 0.3),
    at(0.36, 0.32),
    at(0.66, 0.4),
    at(0.74, 0.56),
    at(0.68, 0.78),
    at(0.5, 0.94),
    at(0.3, 0.98),
    at(0.15, 0.86),
    at(0.08, 0.6),
  ];
  const outline = curve(points);
  const border = { none: 0, narrow: 0.07, broad: 0.17 }[model.hindBorder];
  const polygon = shape(pen, { outline, part: 'hind-wing', tint: HINDS[model.hind], weight: 0.85 }, () => {
    if (border === 0) return;
    const outer = sample(curve(points.slice(2, 8), [], false), full ? 4 : 1);
    const middle = at(0.3, 0.58);
    const inner = outer
      .map(([x, y]): Point => [x + (middle[0] - x) * border * 2.6, y + (middle[1] - y) * border * 2.6])
      .reverse();
    wash(pen, 'hind-border', [...outer, ...inner], GROUNDS[model.ground].dark, 0.88);
  });
  note(pen, 'hind-border', points.slice(2, 8));
  if (!full) return;
  stippleIn(pen, 'hind-wing', polygon, roundTone(polygon, w * 0.16, 0.03, 0.45));
  const root = at(0.12, 0.42);
  const lines = points
    .slice(2, 8)
    .map((end) =>
      linePath(
        sample(
          curve(
            [
              root,
              [(root[0] + end[0]) / 2 + side * w * 0.02, (root[1] + end[1]) / 2 - w * 0.02],
              [root[0] + (end[0] - root[0]) * 0.94, root[1] + (end[1] - root[1]) * 0.94],
            ],
            [],
            false,
          ),
          2,
        ),
        false,
      ),
    );
  pen.inks.push({
    d: lines.join(''),
    part: 'hind-wing',
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(pen.size * 0.2)),
    opacity: 0.5,
  });
}

/** At rest, from above: fore wings over the back, as a roof, flat, or rolled round the body. */
export function drawAtRest(pen: Pen, model: MothModel): void {
  const on = restingWing(model);
  drawAntennae(pen, model, [0, model.wing * 0.03]);
  drawBody(pen, model, model.tuft !== 'none');
  for (const side of [-1, 1] as const)
    drawForeWing(pen, model, on(side), {
      part: 'fore-wing',
      tone: (x, y) =>
        Math.min(
          0.75,
          0.04 +
            (model.rest === 'roof'
              ? 0.5 * Math.max(0, (side * x) / model.wing) ** 0.7 * (side > 0 ? 1 : 0.45)
              : 0.2 * Math.exp((-Math.abs(x) / model.wing) * 14)) +
            0.1 * Math.max(0, y / model.wing - 0.6),
        ),
    });
  drawShoulders(pen, model);
  if (model.rest === 'roof')
    stroke(
      pen,
      'fore-wing',
      curve(
        [
          [0, model.wing * 0.36],
          [0, model.wing * 0.6],
          [0, model.wing * 0.9],
        ],
        [],
        false,
      ),
      0.02,
    );
}

/** The front edge runs outwards and back; how far out is what tells the postures. */
function restingWing(model: MothModel): (side: 1 | -1) => OnWing {
  const lean = { roof: 66, flat: 44, rolled: 79 }[model.rest];
  const a = (lean * Math.PI) / 180;
  const deep = breadth(model) * { roof: 0.8, flat: 1, rolled: 0.46 }[model.rest];
  return (side) => (u, v) => {
    const [x, y] = [u * model.wing, v * deep];
    const out = model.wing * 0.1 + x * Math.cos(a) - y * Math.sin(a);
    // Wings meet over the back; none reaches across it.
    return [side * Math.max(out, 0), model.wing * 0.14 + x * Math.sin(a) + y * Math.cos(a)];
  };
}

function drawShoulders(pen: Pen, model: MothModel): void {
  const w = model.wing;
  const cape = curve([
    [0, w * 0.1],
    [w * 0.11, w * 0.12],
    [w * 0.12, w * 0.24],
    [0, w * 0.34],
    [-w * 0.12, w * 0.24],
    [-w * 0.11, w * 0.12],
  ]);
  shape(pen, {
    outline: cape,
    part: 'thorax',
    tint: GROUNDS[model.ground].wing,
    weight: 0.8,
    tone: roundTone(sample(cape, 4), w * 0.07, 0.05, 0.6),
  });
  if (pen.detail === 'full') furOn(pen, 'thorax', [0, w * 0.2], w * 0.1, w * 0.1);
}
