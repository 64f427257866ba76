import { seeded } from '../../probability';
import { INK } from '../display';
import { curve, cut, mix, type Point, sample } from '../geometry';
import { note, type Pen, shape, stroke, wash } from '../pen';
import { BARE, billLength, CAP, type TernModel, WHITE } from './model';
import { type At, placed } from './sheet';

/** Where the bill joins the head, above and below, and the eye. */
export const BILL_TOP: Point = [13.4, -20.2];
export const BILL_FOOT: Point = [13.6, -15.6];
const EYE: Point = [19.6, -19.4];
export const NAPE: Point = [29.4, -17];

/** The bill's edges from the base to the tip; exactly as long and as deep as scored. */
export function billEdges(model: TernModel) {
  const long = billLength(model);
  const deep = model.billDepth * long;
  const middle = (BILL_TOP[1] + BILL_FOOT[1]) / 2;
  const base = 13.3;
  const drop = model.bill === 'drooped' ? deep * 0.62 : deep * 0.12;
  const tip: Point = [base - Math.sqrt(long * long - drop * drop), middle + drop];
  const top = middle - deep / 2;
  const foot = middle + deep / 2;
  const at = (t: number, y: number): Point => [base + (tip[0] - base) * t, y];
  const arch = model.bill === 'drooped' ? 0.1 : 0.02;
  const upper = [at(0, top), at(0.3, top + deep * (0.05 - arch)), at(0.65, top + deep * (0.2 - arch * 0.6)), tip];
  const lower =
    model.bill === 'angled'
      ? [at(0, foot), at(0.3, foot + deep * 0.02), at(0.56, foot + deep * 0.16), at(0.66, foot + deep * 0.06), tip]
      : [at(0, foot), at(0.3, foot - deep * 0.04), at(0.65, foot - deep * (model.bill === 'drooped' ? 0.02 : 0.14)), tip];
  const gape: Point = [base + 1.6, middle + deep * 0.12];
  return { tip, upper, lower, gape, middle, base: [base, middle] as Point, top: at(0, top), foot: at(0, foot) };
}

export function drawBill(pen: Pen, at: At, model: TernModel): void {
  const { tip, upper, lower, gape, base } = billEdges(model);
  const outline = curve([...upper, ...lower.slice(0, -1).reverse()].map(at), [
    0,
    upper.length - 1,
    upper.length + lower.length - 2,
  ]);
  const tint = BARE[model.billColour];
  shape(pen, { outline, part: 'bill', tint, weight: 0.75 }, (polygon) => {
    if (model.billTip === 'same') return;
    const from = at(mix(base, tip, 0.64));
    const way = at(tip);
    wash(
      pen,
      'bill',
      cut(polygon, from, [way[0] - from[0], way[1] - from[1]]),
      model.billTip === 'dark' ? BARE.black : '#EDD9A0',
    );
  });
  if (pen.detail === 'figure') return;
  const lineInk = model.billColour === 'black' ? '#8C9593' : INK;
  stroke(
    pen,
    'bill',
    curve([at(gape), at(mix(mix(base, tip, 0.5), gape, 0.08)), at(mix(base, tip, 0.93))], [], false),
    0.006,
    lineInk,
  );
  if (pen.detail !== 'full') return;
  const nostril = mix(base, tip, 0.24);
  stroke(
    pen,
    'bill',
    curve(
      [at([nostril[0], nostril[1] - 0.9]), at([nostril[0] - 0.8, nostril[1] - 0.75]), at([nostril[0] - 1.7, nostril[1] - 0.45])],
      [],
      false,
    ),
    0.0065,
    lineInk,
  );
}

/** Where the dark of the cap begins in front, along the outline of the head (0 bill … 1 nape). */
const FRONT = { full: 0, 'white-forehead': 0.36, receding: 0.6, mask: 1 } as const;

/** The dark of the head: cut from the head's own outline, so that it never leaves it. */
export function drawCap(pen: Pen, at: At, model: TernModel, crown: readonly Point[], back: Point): void {
  const full = pen.detail === 'full';
  const per = full ? 6 : 2;
  // With the first place of the back, so that it bends as the body's own outline does.
  const line = sample(curve([...crown, back], [], false), per).slice(0, (crown.length - 1) * per + 1);
  const start = Math.round(FRONT[model.cap] * (line.length - 1));
  if (model.cap === 'mask') {
    const patch: Point[] = [
      [17.6, -19.6],
      [19.6, -21.2],
      [23, -20.8],
      [27.2, -19.6],
      [29.6, -16.9],
      [26, -16.6],
      [22, -17.4],
      [18.8, -18.1],
    ];
    wash(pen, 'cap', sample(curve(patch.map(at)), full ? 5 : 2), CAP);
    return;
  }
  const fronts: Record<'full' | 'white-forehead' | 'receding', Point[]> = {
    full: [
      [13.5, -17.7],
      [13.4, -19],
    ],
    'white-forehead': [
      [14.6, -18.1],
      [15.4, -19.4],
      [18, -20.6],
      [18.6, -22.8],
    ],
    receding: [
      [18.2, -18.5],
      [18.8, -20.2],
      [21.4, -21.2],
      [23.4, -23.4],
    ],
  };
  const front = fronts[model.cap];
  const lower: Point[] = [NAPE, [26.8, -15.9], [23, -16.9], [19.5, -17.6], [16, -17.9]];
  const under = model.cap === 'receding' ? lower.slice(0, -1) : lower;
  const edge = sample(curve([...under, ...front].map(at), [], false), full ? 5 : 1);
  const dark = [...line.slice(start).map(at), ...edge];
  wash(pen, 'cap', dark, CAP, 0.96);
  if (!full) return;
  if (model.cap !== 'full') streaks(pen, at, line.slice(Math.round(start * 0.45), start + 1));
  // Light on the crown: a few bare strokes that follow its curve.
  for (const [from, low] of [
    [0.3, 1.5],
    [0.42, 2.6],
    [0.54, 3.6],
  ] as const) {
    const stops = [0, 0.12, 0.24].map((step): Point => {
      const [x, y] = line[Math.min(line.length - 1, Math.round((from + step) * (line.length - 1)))];
      return at([x - 0.1 * low, y + low]);
    });
    if (from >= FRONT[model.cap]) stroke(pen, 'cap', curve(stops, [], false), 0.005, '#8FA09D', 0.8);
  }
}

/** Dark streaks where a cap is growing in or going. */
function streaks(pen: Pen, at: At, line: readonly Point[]): void {
  const random = seeded('streaks');
  line.forEach(([x, y], i) => {
    if (i % 2) return;
    const from: Point = [x + 0.2, y + 0.8 + random() * 1.6];
    stroke(
      pen,
      'cap',
      curve(placed(at, [from, [from[0] + 1, from[1] + 0.25], [from[0] + 2.1, from[1] + 0.9]]), [], false),
      0.008,
      CAP,
    );
  });
}

/** Loose feathers behind the crown. */
export function drawCrest(pen: Pen, at: At, model: TernModel): void {
  if (model.nape !== 'shaggy') return;
  const spikes: [Point, Point, Point][] = [
    [
      [26.5, -24],
      [37.5, -19.6],
      [28, -20.5],
    ],
    [
      [27, -22.6],
      [38.6, -16.4],
      [28.4, -18.6],
    ],
    [
      [27, -21],
      [37, -13],
      [28.4, -16.2],
    ],
  ];
  const tint = model.cap === 'mask' ? '#6C7775' : CAP;
  for (const [a, tip, b] of spikes) {
    const outline = curve(placed(at, [a, mix(a, tip, 0.55), tip, mix(b, tip, 0.5), b]), [0, 2, 4]);
    shape(pen, { outline, part: 'crest', tint, weight: 0.5 });
  }
}

export function drawEye(pen: Pen, at: At, model: TernModel): void {
  const ring = (r: number, [cx, cy]: Point = EYE) =>
    curve(
      Array.from({ length: 8 }, (_, i): Point =>
        at([cx + r * Math.cos((i * Math.PI) / 4), cy + r * Math.sin((i * Math.PI) / 4)]),
      ),
    );
  const full = pen.detail === 'full';
  if (full && model.cap !== 'mask') {
    const under: Point[] = [
      [18.2, -18.5],
      [19.4, -18.0],
      [20.9, -18.3],
    ];
    stroke(pen, 'eye', curve(under.map(at), [], false), 0.007, WHITE);
  }
  wash(pen, 'eye', sample(ring(1.25), full ? 4 : 1), '#120E0B');
  wash(pen, 'eye', sample(ring(0.42, [EYE[0] - 0.45, EYE[1] - 0.45]), full ? 2 : 1), WHITE);
  note(pen, 'eye', sample(ring(1.8), 2));
}
