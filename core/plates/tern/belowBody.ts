import { curve, type Point, sample } from '../geometry';
import { note, type Pen, roundTone, shape, stroke, wash } from '../pen';
import { BARE, billLength, CAP, HEAD, type TernModel, UNDERS, WHITE } from './model';
import { type At, placed } from './sheet';

/** Body, head, bill and feet as they show from below. */
export function drawBodyBelow(pen: Pen, at: At, model: TernModel): void {
  const full = pen.detail === 'full';
  drawFoot(pen, at, model);
  const right: Point[] = [
    [4.2, -34.6],
    [6.6, -29.6],
    [6.8, -24],
    [7.6, -18],
    [10.4, -9],
    [11, 3],
    [8.6, 16],
    [5, 27],
    [3.4, 33],
  ];
  const outline = curve(placed(at, [[0, -35.6], ...right, ...right.map(([x, y]): Point => [-x, y]).reverse()]));
  const polygon = sample(outline, 5);
  const head = at([0, -19])[1];
  const round = roundTone(polygon, at([8, 0])[0], 0.015, 0.6);
  drawBill(pen, at, model);
  shape(
    pen,
    { outline, part: 'body', tint: WHITE, weight: 0.85, tone: (x, y, needed) => (y < head ? 0.02 : round(x, y, needed)) },
    () => {
      if (model.under !== 'white') {
        const region: Point[] = [
          [0, -20],
          [6.2, -15],
          [9.6, -6],
          [10, 3],
          [7.6, 15],
          [4.2, 24],
          [0, 25],
        ];
        wash(
          pen,
          'underparts',
          sample(
            curve(
              placed(at, [
                ...region,
                ...region
                  .slice(1, -1)
                  .map(([x, y]): Point => [-x, y])
                  .reverse(),
              ]),
            ),
            full ? 4 : 1,
          ),
          UNDERS[model.under],
        );
      }
      drawCapSides(pen, at, model);
    },
  );
  note(pen, 'head', [at([-8, -37]), at([8, -19])]);
}

/** What shows of the cap from below: a dark edge on either side of the white throat. */
function drawCapSides(pen: Pen, at: At, model: TernModel): void {
  const from = { full: -34.4, 'white-forehead': -31.4, receding: -28.4, mask: -28 }[model.cap];
  const wide = model.cap === 'mask' ? 1.3 : 2.1;
  const full = pen.detail === 'full';
  for (const side of [-1, 1]) {
    const edge: Point[] = [
      [4.2, -34.6],
      [6.6, -29.6],
      [6.8, -24],
      [7.2, -20.4],
    ];
    const outer = edge.filter(([, y]) => y >= from - 0.4);
    const inner = outer.map(([x, y]): Point => [x - wide * (y < -22 ? 1 : 0.5), y + 0.3]).reverse();
    wash(
      pen,
      'cap',
      sample(
        curve(
          [...outer, ...inner].map(([x, y]) => at([side * x, y])),
          [0, outer.length - 1],
        ),
        full ? 3 : 1,
      ),
      CAP,
    );
  }
}

function drawBill(pen: Pen, at: At, model: TernModel): void {
  const long = billLength(model);
  const half = (model.billDepth * long) / 2.3;
  const top = -35.2 - long;
  const side: Point[] = [
    [half, -34.4],
    [half * 0.92, -35.2 - long * 0.4],
    [half * 0.36, -35.2 - long * 0.85],
  ];
  const outline = curve(placed(at, [[0, top], ...side.reverse(), ...side.reverse().map(([x, y]): Point => [-x, y])]), [0]);
  shape(pen, { outline, part: 'bill', tint: BARE[model.billColour], weight: 0.6 }, (polygon) => {
    if (model.billTip === 'same') return;
    const limit = at([0, top + long * 0.36])[1];
    wash(
      pen,
      'bill',
      polygon.filter(([, y]) => y <= limit),
      model.billTip === 'dark' ? BARE.black : '#EDD9A0',
    );
  });
}

/** Feet drawn up under the tail. */
function drawFoot(pen: Pen, at: At, model: TernModel): void {
  const long = (model.legRatio * billLength(model)) / HEAD;
  for (const side of [-1, 1])
    stroke(
      pen,
      'legs',
      curve([at([side * 2.4, 27]), at([side * 2.8, 30 + long * 4]), at([side * 2.1, 31.5 + long * 8])], [], false),
      pen.detail === 'full' ? 0.024 : 0.03,
      BARE[model.legs],
    );
}
