import { curve, mix, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, stippleIn, stroke, wash } from '../pen';
import { drawFeather, scallops } from './feather';
import { MANTLES, SADDLES, type TernModel, WHITE } from './model';
import { type At, placed, shade, WING_TIP, WRIST } from './sheet';

/**
 * The folded wing as it lies on the bird: groups of feathers that overlap like tiles, each from the lowest
 * up and from the tip inwards. Nothing outlines it as a whole: above it goes over into the back.
 */
export function drawFoldedWing(pen: Pen, at: At, model: TernModel): void {
  const grey = MANTLES[model.mantle];
  drawPrimaries(pen, at, grey);
  // In a tile the group of the tertials stands for all of them.
  for (const group of pen.detail === 'tile' ? GROUPS.slice(0, 1) : GROUPS) drawGroup(pen, at, group, grey);
  drawLesserCoverts(pen, at, model);
}

function drawPrimaries(pen: Pen, at: At, grey: string): void {
  const backs = pen.detail === 'full' ? [0, 6.5, 13, 19.5, 26, 32] : pen.detail === 'tile' ? [0, 18] : [0, 14, 28];
  const dark = pen.detail === 'figure' ? grey : shade(grey, 0.8);
  backs.forEach((back, i) => {
    const root: Point = [64 + i * 0.8, 9.4 - i * 0.9];
    const tip = back === 0 ? WING_TIP : polar([WRIST[0], WRIST[1] - i * 0.42], 4.2 - i * 0.1, 100 - back);
    drawFeather(
      pen,
      { root: at(root), tip: at(tip), width: at([5.4, 0])[0], bow: -0.014, taper: 1.25 },
      { part: 'primaries', tint: i % 2 ? dark : shade(grey, 0.86), weight: 0.5, side: -1 },
    );
  });
  note(pen, 'primaries', [at([100, 4]), at(WING_TIP)]);
}

/** Feathers that lie over each other like tiles: the lowest and the uppermost, and how many there are in between. */
interface Group {
  part: string;
  roots: [Point, Point];
  tips: [Point, Point];
  /** How far the middle ones reach beyond the line between the two. */
  bulge: number;
  width: number;
  taper: number;
  many: { full: number; small: number };
  weight: number;
  /** Do they have pale ends? */
  pale?: boolean;
}

const GROUPS: readonly Group[] = [
  {
    part: 'tertials',
    roots: [
      [62, 9.6],
      [54, -1.6],
    ],
    tips: [
      [84, 10.8],
      [95, 6.2],
    ],
    bulge: 2,
    width: 6.4,
    taper: 0.7,
    many: { full: 4, small: 2 },
    weight: 0.55,
    pale: true,
  },
  {
    part: 'coverts',
    roots: [
      [50, 10.6],
      [50, -2.2],
    ],
    tips: [
      [70, 12.2],
      [77.5, 1.6],
    ],
    bulge: 1.6,
    width: 4.6,
    taper: 0.5,
    many: { full: 7, small: 3 },
    weight: 0.42,
  },
  {
    part: 'coverts',
    roots: [
      [39, 9.6],
      [43, -3.4],
    ],
    tips: [
      [55, 12.4],
      [63, -1.2],
    ],
    bulge: 2.2,
    width: 4.4,
    taper: 0.3,
    many: { full: 7, small: 0 },
    weight: 0.36,
  },
];

function drawGroup(pen: Pen, at: At, group: Group, grey: string): void {
  const { part, roots, tips, bulge, width, taper, many, weight, pale } = group;
  const full = pen.detail === 'full';
  const count = full ? many.full : many.small;
  for (let i = 0; i < count; i++) {
    const t = count === 1 ? 0.5 : i / (count - 1);
    const [tx, ty] = mix(tips[0], tips[1], t);
    const tip: Point = [tx + bulge * Math.sin(Math.PI * t), ty];
    drawFeather(
      pen,
      { root: at(mix(roots[0], roots[1], t)), tip: at(tip), width: at([full ? width : width * 1.6, 0])[0], bow: -0.02, taper },
      {
        part,
        tint: i % 2 && full ? shade(grey, 0.97) : grey,
        weight: full ? weight : weight * 1.1,
        side: part === 'tertials' ? 1 : 0,
        marks: pale && full ? [{ from: 0.93, colour: WHITE, opacity: 0.85 }] : [],
      },
    );
  }
}

/** A place of the coverts: backwards along the wing, and down from its upper edge. */
const covertPoint = (along: number, down: number): Point => {
  const x = 33.4 + along * 41;
  const top = 0.6 - 4.2 * Math.sin(Math.PI * Math.min(1, along * 0.9 + 0.08)) + along * 1.6;
  const foot = 5.4 + 7.2 * Math.sin(Math.PI * Math.min(0.62, along * 0.62 + 0.06));
  return [x, top + (foot - top) * down];
};

/** The wing from the wrist along its lower edge: all that is drawn of its outline. */
const LOWER_EDGE: Point[] = [
  [34.6, -0.6],
  [32.8, 2.2],
  [33.6, 6.2],
  [38, 10],
  [46, 12.4],
  [56, 13.2],
];

/** The small coverts round the wrist, which hide the roots of the others and go over into the back. */
function drawLesserCoverts(pen: Pen, at: At, model: TernModel): void {
  const full = pen.detail === 'full';
  const upper: Point[] = [
    [58, 11.6],
    [52, 8.4],
    [53.5, 3.6],
    [52, -1],
    [48, -5.2],
    [40, -6.2],
    [35.4, -3.6],
  ];
  const region = sample(curve(placed(at, [...LOWER_EDGE, ...upper])), full ? 3 : pen.detail === 'thumb' ? 2 : 1);
  wash(pen, 'coverts', region, MANTLES[model.mantle]);
  note(pen, 'coverts', region);
  if (model.carpal !== 'none') drawCarpalBar(pen, at, model);
  note(
    pen,
    'saddle',
    placed(at, [
      [46, -4],
      [72, 7],
    ]),
  );
  note(
    pen,
    'carpal-bar',
    placed(at, [
      [32, 3],
      [52, 12],
    ]),
  );
  const place = (along: number, down: number) => at(covertPoint(0.03 + along * 0.93, 0.05 + down * 0.86));
  if (model.saddle !== 'plain') drawSaddle(pen, at, model, place);
  stroke(pen, 'coverts', curve(placed(at, LOWER_EDGE), [], false), full ? 0.012 : 0.02);
  if (!full) return;
  scallops(pen, 'coverts', {
    rows: 4,
    across: 4,
    at: (a, d) => at(covertPoint(0.02 + d * 0.4, 0.1 + a * 0.8)),
    opacity: 0.55,
    round: true,
  });
  stippleIn(pen, 'coverts', region, roundTone(region, at([9, 0])[0], 0.03, 0.5));
}

function drawCarpalBar(pen: Pen, at: At, model: TernModel): void {
  const deep = model.carpal === 'bold' ? 1 : 0.62;
  const bar: Point[] = [
    [32.8, 3],
    [35, 1.4],
    [42, 4.2 + 2.4 * (1 - deep)],
    [56, 8.6 + 1.4 * (1 - deep)],
    [66, 10.6],
    [66, 12],
    [52, 12.7],
    [40, 10.6],
    [34.2, 6.8],
  ];
  wash(
    pen,
    'carpal-bar',
    sample(curve(bar.map(at)), pen.detail === 'full' ? 4 : 2),
    '#39423F',
    model.carpal === 'bold' ? 0.9 : 0.42,
  );
  note(pen, 'carpal-bar', bar.map(at));
}

/** Young birds: dark or tawny centres and pale edges on mantle, coverts and tertials. */
function drawSaddle(pen: Pen, at: At, model: TernModel, place: (along: number, down: number) => Point): void {
  const full = pen.detail === 'full';
  const tint = SADDLES[model.saddleTint];
  const scaly = model.saddle === 'scaly';
  if (scaly)
    wash(
      pen,
      'saddle',
      sample(
        curve(
          placed(at, [
            [35, -7.6],
            [46, -5],
            [60, -2.8],
            [71, 0.6],
            [74, 4],
            [66, 8.4],
            [52, 8],
            [38, 2.6],
          ]),
        ),
        full ? 3 : 1,
      ),
      tint,
      0.55,
    );
  else
    wash(
      pen,
      'saddle',
      sample(
        curve(
          placed(at, [
            [38, -5.6],
            [52, -3.6],
            [66, -0.6],
            [72, 3],
            [62, 5.6],
            [46, 3.6],
          ]),
        ),
        full ? 3 : 1,
      ),
      tint,
      0.38,
    );
  const rows = full ? 4 : 3;
  const across = full ? 8 : 4;
  scallops(pen, 'saddle', {
    rows,
    across,
    at: (a, d) => place(a, d * 0.98),
    colour: '#F7EFD9',
    opacity: 1,
    weight: full ? 0.7 : 1.4,
    round: full,
  });
  if (!scaly) return;
  scallops(pen, 'saddle', {
    rows,
    across,
    at: (a, d) => place(a, d * 0.98 - 0.05),
    colour: '#3B332B',
    opacity: 0.9,
    weight: full ? 0.62 : 1.4,
    round: full,
  });
}
