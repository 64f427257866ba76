import { curve, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, shape, stroke, wash } from '../pen';
import { drawFeather } from './feather';
import { BARE, CAP, MANTLES, type TernModel, UNDERS, WHITE } from './model';
import { type At, atOf, placed, shade } from './sheet';

/** How wings are held, seen from in front: where the wrist is, and which way the hand goes from it (degrees, down positive). */
const HELD = {
  level: { wrist: [38, -11] as Point, hand: 2 },
  bowed: { wrist: [34, -21] as Point, hand: 31 },
  raised: { wrist: [33, -20] as Point, hand: -27 },
} as const;

/** Coming towards us in flight. */
export function drawHeadOn(pen: Pen, model: TernModel): void {
  const at = atOf(model);
  for (const side of [-1, 1] as const) drawWing(pen, ([x, y]) => at([x * side, y]), model, side);
  drawBody(pen, at, model);
  drawHead(pen, at, model);
}

function drawWing(pen: Pen, at: At, model: TernModel, side: 1 | -1): void {
  const full = pen.detail === 'full';
  const { wrist, hand } = HELD[model.posture];
  const grey = MANTLES[model.mantle];
  const long = 82;
  for (const [n, spread] of (full ? [0, 1, 2, 3, 4] : [0]).map((n) => [n, n * 1.9] as const)) {
    const tip = polar(wrist, hand + spread, long * (1 - 0.1 * n));
    drawFeather(
      pen,
      {
        root: at([wrist[0] - 4, wrist[1] + (model.posture === 'raised' ? 4 : 2.6)]),
        tip: at(tip),
        width: at([5.6, 0])[0],
        bow: side * 0.03,
        taper: 0.9,
      },
      { part: 'wings', tint: n % 2 ? '#DDE3E3' : '#CED6D8', side: full ? side : 0, weight: 0.45 },
    );
  }
  // The inner wing, foreshortened: its front edge, and what shows of its lining.
  const outline: Point[] = [
    [5, -5],
    [wrist[0] * 0.5, (wrist[1] - 5) * 0.62],
    wrist,
    [wrist[0] + 4, wrist[1] + 1.4],
    [wrist[0] - 1, wrist[1] + 6.4],
    [wrist[0] * 0.52, wrist[1] * 0.5 + 5.6],
    [7, 3.4],
  ];
  const arm = curve(outline.map(at), [0, 6]);
  const polygon = sample(arm, 4);
  shape(
    pen,
    { outline: arm, part: 'wings', tint: WHITE, weight: 0.75, tone: roundTone(polygon, Math.abs(at([5, 0])[0]), 0.04, 0.6) },
    () => {
      const edge: Point[] = [
        [5, -5],
        [wrist[0] * 0.5, (wrist[1] - 5) * 0.62],
        wrist,
        [wrist[0] + 3, wrist[1] + 1.6],
        [wrist[0] - 2, wrist[1] + 2],
        [wrist[0] * 0.5, (wrist[1] - 5) * 0.62 + 2.6],
      ];
      wash(pen, 'wings', sample(curve(edge.map(at), [0, 2]), full ? 3 : 1), shade(grey, 0.94));
    },
  );
  note(pen, 'wings', [at(polar(wrist, hand, long))]);
}

function drawBody(pen: Pen, at: At, model: TernModel): void {
  const right: Point[] = [
    [6, -9.6],
    [10.6, -4],
    [11.4, 3],
    [8.4, 9.6],
    [3.6, 12.4],
  ];
  const outline = curve([...right, ...right.map(([x, y]): Point => [-x, y]).reverse()].map(at));
  const polygon = sample(outline, 4);
  shape(pen, { outline, part: 'body', tint: WHITE, weight: 0.85, tone: roundTone(polygon, at([7, 0])[0], 0.02, 0.65) }, () => {
    if (model.under === 'white') return;
    const belly: Point[] = [
      [8.6, 0],
      [9.6, 4],
      [7, 9],
      [3, 11.4],
    ];
    wash(
      pen,
      'underparts',
      sample(curve([...belly, ...belly.map(([x, y]): Point => [-x, y]).reverse()].map(at)), 3),
      UNDERS[model.under],
    );
  });
}

function drawHead(pen: Pen, at: At, model: TernModel): void {
  const full = pen.detail === 'full';
  const right: Point[] = [
    [2.6, -13.2],
    [6.6, -10.4],
    [7.8, -5.6],
    [6.4, -1],
    [2.8, 1.6],
  ];
  const outline = curve([...right, ...right.map(([x, y]): Point => [-x, y]).reverse()].map(at));
  shape(pen, { outline, part: 'head', tint: WHITE, weight: 0.85 }, () => drawCap(pen, at, model));
  for (const side of [-1, 1]) {
    const eye = Array.from({ length: 6 }, (_, i): Point =>
      at([side * 6.1 + 0.8 * Math.cos((i * Math.PI) / 3), -6.9 + Math.sin((i * Math.PI) / 3)]),
    );
    wash(pen, 'eye', sample(curve(eye), full ? 4 : 1), '#0B0806');
    const glint = Array.from({ length: 6 }, (_, i): Point =>
      at([side * 6.1 - 0.25 + 0.32 * Math.cos((i * Math.PI) / 3), -7.3 + 0.32 * Math.sin((i * Math.PI) / 3)]),
    );
    wash(pen, 'eye', sample(curve(glint), full ? 2 : 1), WHITE);
  }
  const deep = 3.4 + model.billDepth * 7;
  const bill = curve(
    placed(at, [
      [0, -4.6 - deep * 0.4],
      [2.2, -4.2],
      [1.5, -4.2 + deep * 0.5],
      [0, -4 + deep * 0.95],
      [-1.5, -4.2 + deep * 0.5],
      [-2.2, -4.2],
    ]),
    [0, 3],
  );
  shape(pen, { outline: bill, part: 'bill', tint: BARE[model.billColour], weight: 0.6 });
  if (model.billTip !== 'same') {
    const tip = Array.from({ length: 6 }, (_, i): Point =>
      at([0.75 * Math.cos((i * Math.PI) / 3), -3.6 + deep * 0.24 + 0.8 * Math.sin((i * Math.PI) / 3)]),
    );
    wash(pen, 'bill', sample(curve(tip), 3), model.billTip === 'dark' ? BARE.black : '#EDD9A0');
  }
  if (full)
    stroke(
      pen,
      'bill',
      curve([at([-2, -4]), at([0, -2.6]), at([2, -4])], [], false),
      0.006,
      model.billColour === 'black' ? '#8C9593' : undefined,
    );
}

/** The cap as a helmet: how far down the forehead it comes is what one sees. */
function drawCap(pen: Pen, at: At, model: TernModel): void {
  const front = { full: -5.6, 'white-forehead': -9.6, receding: -11.6, mask: -20 }[model.cap];
  const half: Point[] = [
    [2.6, -13.1],
    [6.5, -10.4],
    [7.7, -5.8],
    [7.2, -4.6],
    [4.6, -5.2],
  ];
  const dark: Point[] =
    model.cap === 'mask'
      ? [
          [7.2, -8.2],
          [7.7, -5.8],
          [7.2, -4.4],
          [5, -5],
        ]
      : [...half, [2.4, front + 0.4]];
  if (model.cap === 'mask') {
    for (const side of [-1, 1]) wash(pen, 'cap', sample(curve(dark.map(([x, y]) => at([side * x, y]))), 2), CAP);
    return;
  }
  const whole = placed(at, [...dark, ...dark.map(([x, y]): Point => [-x, y]).reverse()]);
  wash(pen, 'cap', sample(curve(whole), pen.detail === 'full' ? 4 : 1), CAP, 0.96);
}
