import { curve, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, shape, stippleIn, stroke, wash } from '../pen';
import { drawFeather, scallops } from './feather';
import { MANTLES, SADDLES, type TernModel, WHITE } from './model';
import { type At, placed, shade, WING_TIP, WRIST } from './sheet';

/** Folded wing: primaries from the longest up, then tertials, then coverts over them. */
export function drawFoldedWing(pen: Pen, at: At, model: TernModel): void {
  const grey = MANTLES[model.mantle];
  const full = pen.detail === 'full';
  const backs = full ? [0, 6.5, 13, 19.5, 26, 32] : [0, 14, 28];
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
  const tertials: Point[] = [
    [44, 0],
    [60, -1.4],
    [80, 1.4],
    [97, 5.2],
    [94, 8.6],
    [80, 10],
    [64, 10.4],
    [48, 9],
  ];
  shape(pen, { outline: curve(tertials.map(at), [3]), part: 'tertials', tint: grey, weight: 0.6 });
  if (full) {
    for (const [y, long] of [
      [-0.6, 88],
      [2.2, 91],
      [5, 93],
    ] as const) {
      stroke(
        pen,
        'tertials',
        curve(
          placed(at, [
            [54, y + 1.6],
            [70, y + 1.9],
            [long - 4, y + 3.4],
            [long, y + 4.6],
          ]),
          [],
          false,
        ),
        0.008,
      );
      stroke(
        pen,
        'tertials',
        curve(
          placed(at, [
            [70, y + 2.7],
            [long - 5, y + 4.2],
            [long - 1.4, y + 5],
          ]),
          [],
          false,
        ),
        0.01,
        WHITE,
      );
    }
  }
  drawCoverts(pen, at, model);
}

/** The edge of the coverts, above and below, at a share along the wing. */
const covertPoint = (along: number, down: number): Point => {
  const x = 33.4 + along * 41;
  const top = 0.6 - 4.2 * Math.sin(Math.PI * Math.min(1, along * 0.9 + 0.08)) + along * 1.6;
  const foot = 5.4 + 7.2 * Math.sin(Math.PI * Math.min(0.62, along * 0.62 + 0.06));
  return [x, top + (foot - top) * down];
};

function drawCoverts(pen: Pen, at: At, model: TernModel): void {
  const grey = MANTLES[model.mantle];
  const full = pen.detail === 'full';
  const edge: Point[] = [
    [32.2, 2.6],
    [36, -3.2],
    [46, -4.4],
    [60, -2.6],
    [75, 2.6],
    [74.6, 9],
    [66, 12.4],
    [52, 13.2],
    [40, 11.2],
    [33.8, 7.2],
  ];
  const polygon = shape(pen, { outline: curve(edge.map(at)), part: 'coverts', tint: grey, weight: 0.8 }, () => {
    if (model.carpal !== 'none') drawCarpalBar(pen, at, model);
  });
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
  if (!full) return;
  scallops(pen, 'coverts', { rows: 4, across: 8, at: place, opacity: 0.55 });
  stippleIn(pen, 'coverts', polygon, roundTone(polygon, at([9, 0])[0], 0.03, 0.55));
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
  });
  if (!scaly) return;
  scallops(pen, 'saddle', {
    rows,
    across,
    at: (a, d) => place(a, d * 0.98 - 0.05),
    colour: '#3B332B',
    opacity: 0.9,
    weight: full ? 0.62 : 1.4,
  });
}
