import { INK, linePath } from '../display';
import { curve, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, shape, stippleIn, stroke, wash } from '../pen';
import { drawFeather } from './feather';
import { drawFoldedWing } from './foldedWing';
import { BILL_FOOT, BILL_TOP, drawBill, drawCap, drawCrest, drawEye, NAPE } from './head';
import { drawLeg, drawThigh, tarsus } from './leg';
import { MANTLES, tailLength, type TernModel, UNDERS, WHITE } from './model';
import { type At, atOf, placed, shade, WING_TIP, WRIST } from './sheet';

/** Crown from the bill to the nape: the cap is cut from it. */
const CROWN: Point[] = [BILL_TOP, [16.2, -22.7], [21.2, -25.2], [26.4, -23.4], NAPE];

const BACK: Point[] = [
  [33, -11.8],
  [40.4, -7.2],
  [56, -3.6],
  [76, 0.2],
  [94, 5],
];
const BELLY: Point[] = [
  [98, 9.6],
  [86, 13.4],
  [70, 18],
  [54, 19.4],
  [38.6, 15.8],
  [26.4, 7.8],
  [19.6, -1],
  [16.8, -7.4],
  [15.6, -12.4],
  BILL_FOOT,
];

export const TAIL_ROOT: Point = [88, 7.6];

export const tailTip = (model: TernModel): Point => polar(TAIL_ROOT, 7.5, tailLength(model));

/** The bird at rest, facing left. */
export function drawPerched(pen: Pen, model: TernModel): void {
  const at = atOf(model);
  drawGround(pen, at, model);
  drawLeg(pen, at, model, true);
  drawTail(pen, at, model);
  drawFarWing(pen, at, model);
  drawCrest(pen, at, model);
  drawBody(pen, at, model);
  drawLeg(pen, at, model, false);
  drawThigh(pen, at, model);
  drawBill(pen, at, model);
  drawFoldedWing(pen, at, model);
}

/** A strip of stone under the feet. */
function drawGround(pen: Pen, at: At, model: TernModel): void {
  if (pen.detail !== 'full') return;
  const [, [x, y]] = tarsus(model);
  const top: Point[] = [
    [x - 26, y + 2.4],
    [x - 15, y + 1.2],
    [x - 4, y + 1.6],
    [x + 9, y + 0.8],
    [x + 22, y + 2.2],
  ];
  stroke(pen, 'ground', curve(top.map(at), [], false), 0.011);
  note(pen, 'ground', [at([x, y + 7.5])]);
  const lines = Array.from({ length: 26 }, (_, i): Point[] => {
    const u = x - 22 + i * 1.7;
    const from: Point = [u, y + 3 + ((i * 7) % 5) * 0.34];
    return [from, [from[0] - 2.6 - ((i * 3) % 4) * 0.5, from[1] + 1.5 + ((i * 5) % 3) * 0.5]];
  });
  pen.inks.push({
    d: lines.map((line) => linePath(line.map(at), false)).join(''),
    part: 'ground',
    stroke: INK,
    strokeWidth: Math.round(pen.size * 0.3),
    opacity: 0.75,
  });
}

/** Inner feathers first, the streamer nearest to us last. */
function drawTail(pen: Pen, at: At, model: TernModel): void {
  const long = tailLength(model);
  const shares = pen.detail === 'full' ? [0, 0.2, 0.45, 0.72, 1] : [0, 0.5, 1];
  for (const share of shares) {
    const reach = long * (1 - model.forkRatio * (1 - share));
    const tip = polar(TAIL_ROOT, 9.4 - 1.9 * share, reach);
    drawFeather(
      pen,
      {
        root: at([TAIL_ROOT[0], TAIL_ROOT[1] + 0.8 - share]),
        tip: at(tip),
        width: at([4.6 - 1.5 * share, 0])[0],
        taper: 0.3 + 0.7 * share,
      },
      { part: 'tail', tint: model.tailEdge === 'dark' && share === 1 ? '#B9C2C5' : WHITE, weight: 0.45 },
    );
  }
  note(pen, 'tail-tip', [at(polar(TAIL_ROOT, 7.5, long * 0.7)), at([WING_TIP[0], 12]), at(tailTip(model))]);
  if (model.tailEdge !== 'dark') return;
  const line = [0.2, 0.5, 0.8, 0.99].map((t) => at(polar([TAIL_ROOT[0], TAIL_ROOT[1] - 0.9 + t * 0.6], 7.5, long * t)));
  stroke(pen, 'tail', curve(line, [], false), pen.detail === 'full' ? 0.014 : 0.02, '#4A5557');
}

function drawFarWing(pen: Pen, at: At, model: TernModel): void {
  for (const back of [3, 12])
    drawFeather(
      pen,
      {
        root: at([84, 2.4]),
        tip: at(polar([WRIST[0], WRIST[1] - 1], 2.1, 97 - back)),
        width: at([4, 0])[0],
        bow: -0.01,
        taper: 1.25,
      },
      { part: 'far-wing', tint: shade(MANTLES[model.mantle], 0.86), weight: 0.45, side: 0 },
    );
}

function drawBody(pen: Pen, at: At, model: TernModel): void {
  const outline = curve([...CROWN, ...BACK, ...BELLY].map(at), [0, CROWN.length + BACK.length + BELLY.length - 1]);
  const full = pen.detail === 'full';
  const polygon = shape(pen, { outline, part: 'body', tint: WHITE, weight: 0.85 }, () => {
    drawUnderparts(pen, at, model);
    drawMantle(pen, at, model);
    drawCap(pen, at, model, CROWN, BACK[0]);
  });
  if (full) {
    const round = roundTone(polygon, at([13, 0])[0], 0.015, 0.62);
    const [, head] = at([0, -14]);
    stippleIn(pen, 'body', polygon, (x, y, needed) => (y < head ? 0.01 : round(x, y, needed)));
    plumage(pen, at);
  }
  drawEye(pen, at, model);
  note(pen, 'mantle', [at([34, -12]), at([58, 0])]);
  note(pen, 'head', [at([13, -27]), at([32, -12])]);
  note(pen, 'cap', [at([12, -27]), at([32, -13])]);
  note(pen, 'crest', [at([20, -27]), at([40, -10])]);
  note(pen, 'underparts', [at([18, -8]), at([80, 21])]);
}

/** Short strokes that lie as the breast feathers do. */
function plumage(pen: Pen, at: At): void {
  const lines = Array.from({ length: 34 }, (_, i): Point[] => {
    const t = i / 33;
    const row = i % 3;
    const x = 27.6 + t * 46;
    const y = 1.6 + 13.6 * Math.sin(Math.PI * Math.min(1, 0.1 + t * 0.8)) - row * 2.4;
    return [
      [x, y],
      [x + 2.4, y + 0.7],
      [x + 4.4, y + 0.6],
    ];
  });
  pen.inks.push({
    d: lines.map((line) => linePath(line.map(at), false)).join(''),
    part: 'body',
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(pen.size * 0.15)),
    opacity: 0.42,
  });
}

function drawUnderparts(pen: Pen, at: At, model: TernModel): void {
  if (model.under === 'white') return;
  // The cheek and chin stay white; the rest is washed, short of the contour.
  const region: Point[] = [
    [20.2, -3.2],
    [27.4, 7],
    [39.4, 15],
    [54, 18.8],
    [70, 17.4],
    [86, 12.8],
    [92, 10.4],
    [80, 4],
    [52, -1],
    [36, -6],
    [28.6, -8.6],
  ];
  wash(pen, 'underparts', sample(curve(region.map(at)), pen.detail === 'full' ? 4 : 1), UNDERS[model.under]);
}

function drawMantle(pen: Pen, at: At, model: TernModel): void {
  const per = pen.detail === 'full' ? 4 : 1;
  // From the nape on, so that it bends as the body's own outline does.
  const upper = sample(curve([NAPE, ...BACK], [], false), per).slice(per, 4 * per + 1);
  wash(pen, 'mantle', placed(at, [...upper, [78, 8], [52, 6], [38, 2.4], [33.6, -1.4], [32.4, -5.4]]), MANTLES[model.mantle]);
}
