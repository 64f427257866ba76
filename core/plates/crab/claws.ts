import { INK, linePath, PAPER } from '../display';
import { type Curve, curve, cut, mapCurve, mirrored, type Point, polar, rotate, sample } from '../geometry';
import { grains, note, type Pen, roundTone, shape, stroke, wash } from '../pen';
import { type CrabModel, GROUNDS, INSIDES } from './model';

/** Hand and fixed finger, 1 long from wrist to tip, and as deep as 1; y above 0 is the side of the moving finger. */
const HAND: Point[] = [
  [0, -0.16],
  [0.05, -0.34],
  [0.16, -0.46],
  [0.3, -0.5],
  [0.45, -0.47],
  [0.6, -0.37],
  [0.76, -0.25],
  [0.9, -0.12],
  [1, 0.06],
  [0.9, 0.0],
  [0.76, -0.055],
  [0.63, -0.04],
  [0.555, 0.03],
  [0.53, 0.22],
  [0.5, 0.4],
  [0.38, 0.5],
  [0.22, 0.47],
  [0.08, 0.34],
  [0.01, 0.16],
];
const HAND_TIP = 8;
/** The moving finger, hinged on the hand. */
const FINGER: Point[] = [
  [0.5, 0.2],
  [0.48, 0.36],
  [0.56, 0.47],
  [0.7, 0.47],
  [0.85, 0.35],
  [0.95, 0.2],
  [0.99, 0.075],
  [0.9, 0.13],
  [0.78, 0.165],
  [0.64, 0.15],
];
const FINGER_TIP = 6;
const HINGE: Point = [0.52, 0.3];
const CREASE: Point[] = [
  [0.2, -0.12],
  [0.42, -0.2],
  [0.62, -0.2],
  [0.8, -0.13],
];
/** From which share of the length the fingers are dark. */
const DARK_FROM = { pale: Infinity, 'dark-tip': 0.86, 'half-dark': 0.7 } as const;

interface Stance {
  /** Directions of arm and wrist, and of the hand; degrees clockwise from straight out to the right. */
  arm: number;
  wrist: number;
  hand: number;
}

const STANCES: Record<CrabModel['pose'], Stance> = {
  rest: { arm: -24, wrist: -66, hand: -112 },
  flattens: { arm: -12, wrist: -96, hand: -150 },
  flees: { arm: -44, wrist: -84, hand: -112 },
  'raises-claws': { arm: -50, wrist: -58, hand: -62 },
};

/** Where a right claw lies; `left` for the measures of the left one, which may be the lesser. */
function frameOf(model: CrabModel, left: boolean) {
  const lesser = model.unequal && left;
  const length = model.clawLength * (lesser ? 0.78 : 1);
  const depth = length * model.clawDepth * (lesser ? 0.82 : 1);
  const stance = STANCES[model.pose];
  const root: Point = [0.3 * model.width, 0.2 * model.length];
  const elbow = polar(root, stance.arm, 0.34 * model.width);
  const wrist = polar(elbow, stance.wrist, 0.13 * model.width);
  const place = ([x, y]: Point): Point => {
    // The hand's own y points to the midline: against the turn of the sheet for a right claw.
    const turned = rotate([x * length, -y * depth], [0, 0], stance.hand);
    return [wrist[0] + turned[0], wrist[1] + turned[1]];
  };
  return { depth, stance, root, elbow, wrist, place };
}

/** The larger claw's length, wrist to fixed finger's tip, and its depth where it is deepest. */
export function clawLines(model: CrabModel): { length: Point[]; depth: Point[] } {
  const { place } = frameOf(model, false);
  const tip = HAND[HAND_TIP];
  return { length: [place([0, tip[1]]), place(tip)], depth: [place([0.34, -0.5]), place([0.34, 0.5])] };
}

/**
 * One claw with its arm. The hand's axis, wrist to fixed finger's tip, is the
 * claw's length exactly; its greatest depth is the length times the depth ratio.
 */
export function drawClaw(pen: Pen, model: CrabModel, right: boolean, below: boolean): void {
  const part = `claw-${right ? 'right' : 'left'}`;
  const { depth, stance, root, elbow, wrist, place } = frameOf(model, !right);
  const w = model.width;
  const own = (c: Curve) => (right ? c : mirrored(c));
  const tint = GROUNDS[model.ground].limb;
  const handTint = below ? INSIDES[model.clawInside] : GROUNDS[model.ground].body;

  const arm = limbBetween(root, elbow, 0.1 * w, 0.088 * w);
  const joint = limbBetween(polar(elbow, stance.wrist, -0.06 * w), polar(wrist, stance.wrist, 0.03 * w), 0.094 * w, 0.075 * w);
  if (pen.detail === 'tile' || pen.detail === 'figure') {
    const bones = own(curve([root, elbow, wrist], [1], false));
    pen.inks.push({ d: linePath(bones.points, false), part: `${part}-arm`, stroke: INK, strokeWidth: Math.round(w * 9) });
    pen.inks.push({ d: linePath(bones.points, false), part: `${part}-arm`, stroke: tint, strokeWidth: Math.round(w * 6.5) });
  } else {
    shape(pen, {
      outline: own(arm),
      part: `${part}-arm`,
      tint,
      weight: 0.95,
      tone: roundTone(sample(own(arm), 4), w * 0.08, 0.02, 0.6),
    });
    shape(pen, {
      outline: own(joint),
      part: `${part}-arm`,
      tint,
      weight: 0.95,
      tone: roundTone(sample(own(joint), 4), w * 0.07, 0.02, 0.6),
    });
  }

  const gape = model.gaping ? -20 : -2;
  const swing = ([x, y]: Point): Point => {
    const aspect = model.clawDepth;
    const [rx, ry] = rotate([x, -y * aspect], [HINGE[0], -HINGE[1] * aspect], gape);
    return [rx, -ry / aspect];
  };
  const coarse = pen.detail === 'figure';
  const handPoints = coarse ? HAND.filter((_, i) => i % 2 === 0) : HAND;
  const hand = own(mapCurve(curve(handPoints, [coarse ? HAND_TIP / 2 : HAND_TIP]), place));
  const finger = own(mapCurve(curve(FINGER.map(swing), [FINGER_TIP]), place));
  const fingerTint = below ? handTint : GROUNDS[model.ground].limb;

  shape(
    pen,
    { outline: finger, part, tint: fingerTint, weight: 1, tone: roundTone(sample(finger, 4), depth * 0.3, 0.04, 0.7) },
    (polygon) => darken(pen, model, part, polygon, (x) => own1(place(swing([x, 0])), right), own1(place(swing([1, 0])), right)),
  );
  if (pen.detail !== 'figure') biteTeeth(pen, model, part, place, right, depth);
  shape(
    pen,
    { outline: hand, part, tint: handTint, weight: 1.15, tone: roundTone(sample(hand, 4), depth * 0.42, 0.04, 0.8) },
    (polygon) => darken(pen, model, part, polygon, (x) => own1(place([x, 0]), right), own1(place([1, 0]), right)),
  );
  if (pen.detail === 'full') {
    const crease = curve(
      CREASE.map((p) => own1(place(p), right)),
      [],
      false,
    );
    stroke(pen, part, crease, 0.007);
  }
  note(pen, `${part}-fingers`, [...sample(finger, 2), own1(place([0.5, -0.3]), right), own1(place([1, 0.06]), right)]);
}

const own1 = (p: Point, right: boolean): Point => (right ? p : [-p[0], p[1]]);

function darken(pen: Pen, model: CrabModel, part: string, polygon: Point[], along: (x: number) => Point, tip: Point): void {
  const from = DARK_FROM[model.tips];
  if (!Number.isFinite(from)) return;
  const at = along(from);
  wash(pen, part, cut(polygon, at, [tip[0] - at[0], tip[1] - at[1]]), '#3B302C', 0.94);
}

/** The biting edge of the fixed finger: a fine row, or three rounded molars. */
function biteTeeth(pen: Pen, model: CrabModel, part: string, place: (p: Point) => Point, right: boolean, depth: number): void {
  const many = model.molars ? 3 : 7;
  const radius = depth * (model.molars ? 0.095 : 0.038);
  const teeth = Array.from({ length: many }, (_, i) => {
    const x = 0.61 + (0.27 * i) / (many - 1);
    return own1(place([x, -0.035 + 0.24 * Math.max(0, x - 0.76) + (model.molars ? 0.03 : 0.015)]), right);
  });
  grains(pen, part, teeth, radius, PAPER);
}

/** A stout rounded piece between two joints. */
function limbBetween(from: Point, to: Point, wide: number, narrow: number): Curve {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const out: Point = [-(to[1] - from[1]) / length, (to[0] - from[0]) / length];
  const at = (t: number, side: number, half: number): Point => [
    from[0] + (to[0] - from[0]) * t + out[0] * half * side,
    from[1] + (to[1] - from[1]) * t + out[1] * half * side,
  ];
  return curve([
    at(-0.06, -0.5, wide),
    at(0.15, -1, wide),
    at(0.6, -1, (wide + narrow) / 2),
    at(0.95, -0.95, narrow),
    at(1.12, -0.4, narrow),
    at(1.12, 0.4, narrow),
    at(0.95, 0.95, narrow),
    at(0.6, 1, (wide + narrow) / 2),
    at(0.15, 1, wide),
    at(-0.06, 0.5, wide),
  ]);
}
