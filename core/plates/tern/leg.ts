import { curve, mix, type Point, polar, sample } from '../geometry';
import { type Pen, shape, stroke, wash } from '../pen';
import { BARE, billLength, type TernModel, UNDERS, WHITE } from './model';
import { type At, placed } from './sheet';

/** Where the leg bends above the foot, and the foot; as far apart as scored. */
export function tarsus(model: TernModel): [Point, Point] {
  const joint: Point = [60.4, 20.6];
  return [joint, polar(joint, 97, model.legRatio * billLength(model))];
}

/** The nearer leg, or the farther one behind the body. */
export function drawLeg(pen: Pen, at: At, model: TernModel, far: boolean): void {
  const [joint, foot] = tarsus(model);
  const full = pen.detail === 'full';
  const by = far ? 5.4 : 0;
  const move = ([x, y]: Point): Point => at([x + by, y - (far ? 0.5 : 0)]);
  const tint = BARE[model.legs];
  const part = 'legs';
  const [[jx, jy], [x, y]] = [joint, foot];
  const [mx, my] = mix(joint, foot, 0.5);
  // From the hip, under the feathers: broadest at the joint and at the toes, slender between.
  const front: Point[] = [
    [jx - 1.5, jy - 1.7],
    [jx - 0.8, jy - 0.6],
    [jx - 0.75, jy + 0.6],
    [mx - 0.55, my],
    [x - 0.75, y - 0.2],
  ];
  const back: Point[] = [
    [x + 0.85, y - 0.2],
    [mx + 0.55, my],
    [jx + 0.8, jy + 0.7],
    [jx + 0.95, jy - 0.5],
    [jx + 0.5, jy - 1.7],
  ];
  const ends = ([first, , , , last]: Point[]) => [first, last];
  const bones = full ? [...front, ...back] : [...ends(front), ...ends(back)];
  shape(pen, { outline: curve(placed(move, bones), [0, bones.length - 1]), part, tint, weight: 0.5 });
  // Three toes with webs between, whose edges are hollow, and the short one behind.
  const toes: Point[] = [
    [x - 6.4, y + 1.1],
    [x - 4.5, y + 2.2],
    [x - 1.3, y + 2.5],
    [x + 2.2, y + 1.5],
  ];
  const hollows: Point[] = [
    [x - 4.6, y + 1.5],
    [x - 2.2, y + 1.8],
    [x + 0.5, y + 1.2],
  ];
  const instep: Point[] = [
    [x + 0.9, y - 0.7],
    [x - 1.2, y - 0.2],
  ];
  const web = full
    ? curve(placed(move, [...instep, ...toes.flatMap((toe, i) => [toe, ...hollows.slice(i, i + 1)])]), [2, 4, 6, 8])
    : curve(placed(move, [instep[0], toes[0], toes[2], toes[3]]), [1, 3]);
  shape(pen, { outline: web, part, tint, weight: 0.5 });
  if (!full) return;
  for (const end of toes.slice(1, 3))
    stroke(pen, part, curve([move([x + 0.1, y]), move(mix([x, y], end, 0.5)), move(end)], [], false), 0.005);
}

/** The feathers that the leg comes out of: part of the belly, open above. */
export function drawThigh(pen: Pen, at: At, model: TernModel): void {
  if (pen.detail !== 'full') return;
  const tuft: Point[] = [
    [53.4, 19.3],
    [57, 20.1],
    [59.1, 21.2],
    [60, 20.7],
    [61.3, 21],
    [63, 20],
    [66.6, 18.7],
  ];
  const edge = curve(placed(at, tuft), [2, 3, 4], false);
  // The belly's own outline is not seen through them.
  const above: Point[] = [
    [64.6, 18.3],
    [55.4, 18.8],
  ];
  wash(pen, 'underparts', [...sample(edge, 4), ...placed(at, above)], model.under === 'white' ? WHITE : UNDERS[model.under]);
  stroke(pen, 'body', edge, 0.012);
}
