import { curvePath, INK, linePath, PAPER } from '../display';
import { curve, type Point, rotate, sample } from '../geometry';
import { note, type Pen, roundTone, shape, sheen, stroke } from '../pen';
import { FRUITS, GREENS, type UmbelModel } from './model';

/** Width of the fruit's body on its own plate, without wings and bristles, in millimetres. */
const WIDTH = 3;

/** What lines follow on the fruit's own plate. */
export const PLATE = 4;

/** Edge of the fruit's body at t from top to foot, as a share of half its width. */
const half = (t: number) => Math.sin(Math.PI * (0.06 + 0.88 * t) ** 0.94) ** 0.8;

/** How many times as large as it is a fruit is drawn on its own plate: in whole hundredths of a millimetre it would have facets. */
export const FRUIT_BY = 10;

/** One fruit large, stalk below; to be reduced to its own size. */
export function drawFruitPlate(pen: Pen, model: UmbelModel): void {
  drawFruit(pen, model, [0, 0], WIDTH * FRUIT_BY, 0);
}

/** A fruit that hangs on its stalk's end at `foot`, leaning by some degrees. */
export function drawFruit(pen: Pen, model: UmbelModel, foot: Point, width: number, lean: number): void {
  const long = width * model.fruitRatio;
  const full = pen.detail === 'full';
  // A small fruit on a large plate is drawn with lines as much finer.
  const fine = (width / WIDTH) * (PLATE / pen.size);
  const at = (u: number, t: number): Point => rotate([foot[0] + (u * width) / 2, foot[1] - long * (1 - t)], foot, lean);
  const stops = [0.02, 0.12, 0.28, 0.46, 0.64, 0.82, 0.95];
  const stalk = linePath([at(0, 1.3), at(0, 0.98)], false);
  pen.inks.push({ d: stalk, part: 'stalk', stroke: INK, strokeWidth: Math.round(width * (full ? 10 : 11)) });
  if (full) pen.inks.push({ d: stalk, part: 'stalk', stroke: GREENS[model.leafTint].stem, strokeWidth: Math.round(width * 7) });
  note(pen, 'stalk', [at(0, 1.34)]);
  if (model.ribs === 'winged') {
    for (const side of [-1, 1]) {
      const wing = curve(
        [
          at(side * 0.3, 0.02),
          ...stops.map((t) => at(side * (half(t) + 0.16 + 0.36 * Math.sin(Math.PI * t)), t)),
          at(side * 0.3, 1),
        ],
        [0],
      );
      shape(pen, { outline: wing, part: 'ribs', tint: '#E3DDBB', weight: 0.7 * fine });
    }
  }
  if (model.coat !== 'bare') drawCoat(pen, model, at, width);
  drawStyles(pen, model, at, fine);
  const edge = stops.map((t) => at(half(t), t));
  const outline = curve([at(0, 0), ...edge, at(0, 1), ...stops.map((t) => at(-half(t), t)).reverse()]);
  const polygon = sample(outline, 4);
  shape(
    pen,
    {
      outline,
      part: 'fruit',
      tint: FRUITS[model.fruitTint],
      weight: 1.1 * fine,
      tone: roundTone(polygon, width * 0.34, 0.05, 0.75),
    },
    () => {
      if (full)
        sheen(pen, 'fruit', sample(curve([at(-0.55, 0.2), at(-0.3, 0.16), at(-0.28, 0.6), at(-0.5, 0.66)]), 3), PAPER, 0.5);
    },
  );
  const ribs = model.ribs === 'faint' ? [-0.3, 0.3] : [-0.62, -0.22, 0.22, 0.62];
  for (const u of ribs) {
    const line = curve(
      [0.08, 0.3, 0.6, 0.93].map((t) => at(u * half(t), t)),
      [],
      false,
    );
    const weight = model.ribs === 'faint' ? 0.014 : 0.05;
    stroke(pen, 'ribs', line, fine * weight * (full ? 1 : 1.3));
    if (model.ribs !== 'faint' && full)
      stroke(
        pen,
        'ribs',
        curve(
          [0.1, 0.35, 0.6, 0.9].map((t) => at(u * half(t) - 0.09, t)),
          [],
          false,
        ),
        fine * 0.026,
        PAPER,
        0.8,
      );
  }
}

function drawCoat(pen: Pen, model: UmbelModel, at: (u: number, t: number) => Point, width: number): void {
  const many = pen.detail === 'full' ? 15 : 8;
  const reach = model.coat === 'hooked' ? 0.42 : 0.34;
  const lines: string[] = [];
  for (let k = 0; k < many; k++)
    for (const side of [-1, 1]) {
      const t = 0.08 + (0.84 * k) / (many - 1);
      const root = at(side * (half(t) - 0.1), t);
      const tip = at(side * (half(t) + reach), t - 0.05);
      note(pen, 'coat', [tip]);
      lines.push(
        model.coat === 'hooked'
          ? curvePath(
              curve(
                [root, tip, at(side * (half(t) + reach - 0.04), t - 0.13), at(side * (half(t) + reach - 0.2), t - 0.12)],
                [],
                false,
              ),
            )
          : linePath([root, tip], false),
      );
    }
  pen.inks.push({
    d: lines.join(''),
    part: 'coat',
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(width * (pen.detail === 'full' ? 2.2 : 4))),
  });
}

function drawStyles(pen: Pen, model: UmbelModel, at: (u: number, t: number) => Point, fine: number): void {
  const long = model.styles === 'long';
  for (const side of [-1, 1]) {
    const line = long
      ? [at(side * 0.1, 0.03), at(side * 0.34, -0.14), at(side * 0.66, -0.17), at(side * 0.96, -0.08), at(side * 1.1, 0.1)]
      : [at(side * 0.1, 0.03), at(side * 0.2, -0.06), at(side * 0.3, -0.1)];
    stroke(pen, 'styles', curve(line, [], false), (pen.detail === 'full' ? 0.03 : 0.045) * fine);
    note(pen, 'styles', [at(side * 0.2, -0.12), ...line]);
  }
  const cushion = curve([at(-0.36, 0.03), at(-0.2, -0.06), at(0.2, -0.06), at(0.36, 0.03)]);
  shape(pen, { outline: cushion, part: 'styles', tint: '#D9CF9E', weight: 0.7 * fine });
}

/** Length and width of the body. */
export function fruitReach(model: UmbelModel): { length: [Point, Point]; width: [Point, Point] } {
  const long = WIDTH * model.fruitRatio;
  return {
    length: [
      [0, -long],
      [0, 0],
    ],
    width: [
      [-WIDTH / 2, -long / 2],
      [WIDTH / 2, -long / 2],
    ],
  };
}
