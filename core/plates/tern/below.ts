import { curve, mix, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, shape, stroke } from '../pen';
import { drawBodyBelow } from './belowBody';
import { drawFeather, type FeatherMark, scallops } from './feather';
import { tailLength, type TernModel, WHITE } from './model';
import { type At, atOf } from './sheet';

const PRIMARIES = 10;
const SECONDARIES = 8;

/** How the wing is held in the plane of the picture: degrees that the hand is swept back, and how far forward the wrist is. */
const HELD = {
  level: { sweep: 19, wrist: [46, -24] as Point },
  bowed: { sweep: 42, wrist: [40, -32] as Point },
  raised: { sweep: 29, wrist: [38, -26] as Point },
} as const;

const SHOULDER: Point = [6.4, -13];
const TAIL_ROOT: Point = [0, 27];

/** Breadth of the inner wing, from its front edge to its hind edge. */
export const breadth = (model: TernModel): number => 100 / model.wingRatio;

/** Front edge of the arm at t, from the shoulder to the wrist. */
const onArm = (model: TernModel, t: number): Point => mix(SHOULDER, HELD[model.posture].wrist, t);

/** Root, tip and length of a primary; 1 is the innermost, 10 the longest. */
function primary(model: TernModel, n: number): { root: Point; tip: Point } {
  const { sweep, wrist } = HELD[model.posture];
  const from = (PRIMARIES - n) / (PRIMARIES - 1);
  const inner = breadth(model) * 1.32;
  const long = n === PRIMARIES ? 100 : inner + (97 - inner) * (1 - from) ** 1.06;
  const angle = sweep + from ** 1.22 * (84 - sweep);
  const grown = growth(model, n);
  const root = mix(wrist, [wrist[0] - 3.4, wrist[1] + 3.4], from);
  return { root, tip: polar(root, angle, long * grown) };
}

/** Where the moulting wing has its gap: the primary that is gone, and the one half grown beside it. */
const GAPS = { inner: 3, middle: 6, outer: 9 } as const;

/** 1 full-grown, 0 fallen. */
function growth(model: TernModel, n: number): number {
  if (model.moult === 'none') return 1;
  const gone = GAPS[model.moult];
  return n === gone ? 0 : n === gone - 1 ? 0.62 : 1;
}

export function wingReach(model: TernModel): { chord: [Point, Point]; breadth: [Point, Point] } {
  const { root, tip } = primary({ ...model, moult: 'none' }, PRIMARIES);
  const front = onArm(model, 0.5);
  return { chord: [root, tip], breadth: [front, polar(front, 92, breadth(model))] };
}

export function tailReach(model: TernModel): { fork: [Point, Point]; tail: [Point, Point] } {
  const long = tailLength(model);
  const outer: Point = [0, TAIL_ROOT[1] + long];
  const inner: Point = [0, TAIL_ROOT[1] + long * (1 - model.forkRatio)];
  return { fork: [inner, outer], tail: [TAIL_ROOT, outer] };
}

/** In flight from below, head upwards, midline at x = 0. */
export function drawBelow(pen: Pen, model: TernModel): void {
  const at = atOf(model);
  drawTail(pen, at, model);
  for (const side of [-1, 1] as const) {
    const placed: At = ([x, y]) => at([x * side, y]);
    drawWing(pen, placed, model, side);
  }
  drawBodyBelow(pen, at, model);
}

const UNDERWING = '#E3E8E8';
const LIT = '#FAE3A2';

function primaryMarks(model: TernModel, n: number): FeatherMark[] {
  const marks: FeatherMark[] = [];
  if (model.light === 'all' || (model.light === 'inner' && n <= 5)) marks.push({ from: 0.3, colour: LIT });
  if (n < 5 || model.tips === 'none') return marks;
  const from = model.tips === 'line' ? 0.88 : 0.93 - 0.065 * (n - 4);
  marks.push({ from, colour: '#3F4A4B', opacity: 0.92 });
  return marks;
}

function drawWing(pen: Pen, at: At, model: TernModel, side: 1 | -1): void {
  const full = pen.detail === 'full';
  drawSecondaries(pen, at, model);
  for (let n = 1; n <= PRIMARIES; n++) {
    if (growth(model, n) === 0 || (!full && n % 2 && model.moult === 'none')) continue;
    const { root, tip } = primary(model, n);
    const width = at([n === PRIMARIES ? 6 : full ? 7.4 + 0.36 * (PRIMARIES - n) : 12, 0])[0] * side;
    drawFeather(
      pen,
      { root: at(root), tip: at(tip), width, bow: side * 0.02, taper: 0.35 + 0.06 * n },
      {
        part: 'primaries',
        tint: n === PRIMARIES ? '#C2CBCD' : n > 6 ? '#D5DCDD' : UNDERWING,
        marks: primaryMarks(model, n),
        side: side * -1,
        weight: 0.42,
      },
    );
  }
  const tips = Array.from({ length: PRIMARIES }, (_, i) => at(primary(model, i + 1).tip));
  note(pen, 'primaries', tips);
  drawCoverts(pen, at, model);
}

function drawSecondaries(pen: Pen, at: At, model: TernModel): void {
  const full = pen.detail === 'full';
  const long = breadth(model);
  const bar = { pale: undefined, grey: '#A9B4B7', dark: '#56615F' }[model.secondaries];
  const many = full ? SECONDARIES : 3;
  const roots = Array.from({ length: many }, (_, i) => 0.06 + (0.9 * i) / (many - 1));
  for (const t of roots) {
    const root = onArm(model, t);
    const tip = polar(root, 96 - 7 * t, long * (1.02 + 0.06 * t + 0.16 * (1 - t)));
    const marks: FeatherMark[] = [];
    if (model.light === 'all') marks.push({ from: 0.4, colour: LIT });
    if (bar) marks.push({ from: 0.56, to: 0.9, colour: bar });
    drawFeather(
      pen,
      { root: at(root), tip: at(tip), width: at([full ? 7.4 : 16, 0])[0], taper: 0.3 },
      { part: 'secondaries', tint: '#EDF0EF', marks, side: full ? 1 : 0, weight: 0.36 },
    );
  }
  note(
    pen,
    'secondaries',
    [0.1, 0.9].flatMap((t) => [at(onArm(model, t)), at(polar(onArm(model, t), 92, long))]),
  );
}

/** The pale lining of the wing, over the roots of the feathers. */
function drawCoverts(pen: Pen, at: At, model: TernModel): void {
  const { wrist, sweep } = HELD[model.posture];
  const long = breadth(model);
  const hand = polar(wrist, sweep - 1, 44);
  const front: Point[] = [
    [5, -13],
    mix([5, -13.6], wrist, 0.5),
    [wrist[0] - 3, wrist[1] - 1.6],
    [wrist[0] + 3, wrist[1] - 0.2],
    polar(wrist, sweep - 2, 22),
    hand,
  ];
  const back: Point[] = [
    polar(wrist, sweep + 7, 38),
    polar(wrist, sweep + 24, 22),
    polar(wrist, 78, long * 0.56),
    polar(onArm(model, 0.55), 93, long * 0.5),
    [5, -13 + long * 0.66],
  ];
  const outline = curve([...front, ...back].map(at), [0, front.length - 1, front.length + back.length - 1]);
  const polygon = sample(outline, 4);
  const depth = at([7, 0])[0];
  shape(pen, { outline, part: 'lining', tint: WHITE, weight: 0.7, tone: roundTone(polygon, Math.abs(depth), 0.02, 0.4) });
  if (pen.detail !== 'full') return;
  scallops(pen, 'lining', {
    rows: 3,
    across: 7,
    at: (a, d) => at(polar(onArm(model, 0.06 + a * 0.88), 93, long * (0.08 + 0.38 * d))),
    opacity: 0.42,
    weight: 0.16,
  });
  scallops(pen, 'lining', {
    rows: 2,
    across: 5,
    at: (a, d) => at(polar(polar(wrist, sweep + 2, 2 + a * 30), sweep + 84, (1.4 + 7 * d) * (1 - 0.62 * a))),
    opacity: 0.42,
    weight: 0.16,
  });
}

function drawTail(pen: Pen, at: At, model: TernModel): void {
  const long = tailLength(model);
  const full = pen.detail === 'full';
  const shares = full ? [0, 0.3, 0.64, 1] : [0, 0.5, 1];
  for (const share of shares)
    for (const side of [-1, 1]) {
      const reach = long * (1 - model.forkRatio * (1 - share));
      const root: Point = [side * (0.8 + 3 * share), TAIL_ROOT[1]];
      const lean = side * (2 + 11 * share);
      // The tip lies as far down the sheet as the feather is long: lengths are read along the midline.
      const tip: Point = [root[0] + reach * Math.tan((lean * Math.PI) / 180), TAIL_ROOT[1] + reach];
      const outer = share === 1;
      drawFeather(
        pen,
        { root: at(root), tip: at(tip), width: at([6.6 - 2.6 * share, 0])[0], taper: 0.3 + 0.7 * share, bow: -side * 0.015 },
        { part: 'tail', tint: WHITE, side: outer ? side : 0, weight: 0.42 },
      );
      if (!outer || model.tailEdge !== 'dark') continue;
      const line = [0.16, 0.5, 0.86].map((t): Point => {
        const [x, y] = mix(root, tip, t);
        return at([x + side * (1.1 + 0.8 * Math.sin(Math.PI * t)), y]);
      });
      stroke(pen, 'tail', curve(line, [], false), full ? 0.016 : 0.024, '#4A5557');
    }
  note(pen, 'fork', [at([-long * 0.3, TAIL_ROOT[1] + long * 0.25]), at([long * 0.3, TAIL_ROOT[1] + long])]);
}
