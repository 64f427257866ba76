import { type Curve, curve, mix, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, shape } from '../pen';
import { along, drawFoot, drawShinEdge, footShares, segment } from './limbs';
import { type BeetleModel, LEGS } from './model';

/** Joints of the hind leg as it is drawn alone, thigh to the left. Millimetres. */
export function hindLegJoints(model: BeetleModel) {
  const unit = model.length * 0.3;
  const hip: Point = [0, 0];
  const knee = polar(hip, -24, unit);
  const ankle = polar(knee, 38, unit * 1.02);
  const foot = unit * 0.98;
  return { unit, hip, knee, ankle, foot, first: foot * footShares(model.footSegments)[0] };
}

const FOOT_DIRECTION = 8;

/** The spur at the end of the shin, below it; exactly as long as scored. */
export function spurLine(model: BeetleModel): [Point, Point] {
  const { knee, ankle, unit, first } = hindLegJoints(model);
  const root = along(knee, ankle, 0.97, unit * 0.05);
  return [root, polar(root, 52, model.spurRatio * first)];
}

export function firstSegmentLine(model: BeetleModel): [Point, Point] {
  const { ankle, first } = hindLegJoints(model);
  return [ankle, polar(ankle, FOOT_DIRECTION, first)];
}

/** The hind leg large, as under a lens. */
export function drawHindLeg(pen: Pen, model: BeetleModel): void {
  const { unit, hip, knee, ankle, foot } = hindLegJoints(model);
  const tint = LEGS[model.legs];
  const bend = model.shin === 'bowed' ? 0.14 : 0;
  drawFoot(pen, {
    from: ankle,
    direction: FOOT_DIRECTION,
    length: foot,
    half: unit * 0.052,
    segments: model.footSegments,
    fourth: model.fourth,
    claws: model.claws,
    tint,
    part: 'foot',
    detail: true,
  });
  const tip = polar(ankle, FOOT_DIRECTION, foot);
  note(pen, 'claws', [
    polar(tip, FOOT_DIRECTION + 180, unit * 0.12),
    polar(tip, FOOT_DIRECTION - 40, unit * 0.19),
    polar(tip, FOOT_DIRECTION + 40, unit * 0.19),
    polar(tip, FOOT_DIRECTION, unit * 0.26),
  ]);
  const [spur, spurTip] = spurLine(model);
  shape(pen, {
    outline: segment(pen, spur, spurTip, [unit * 0.022, unit * 0.02, unit * 0.012, unit * 0.002]),
    part: 'spur',
    tint: '#7A5A3C',
    weight: 0.7,
  });
  note(pen, 'spur', [spur, spurTip, polar(ankle, FOOT_DIRECTION, foot * 0.3), polar(ankle, 250, unit * 0.1)]);
  drawShinEdge(pen, model, knee, ankle, unit * 0.06, 'shin', bend, 1, pen.detail === 'full' ? 10 : 4);
  const shin = segment(pen, knee, ankle, [unit * 0.045, unit * 0.05, unit * 0.062, unit * 0.075], bend);
  closed(pen, shin, 'shin', tint, unit * 0.11);
  const thick = { slender: 0.085, swollen: 0.19, toothed: 0.115 }[model.thigh] * unit;
  if (model.thigh === 'toothed') {
    const base = [0.6, 0.8].map((t) => along(hip, knee, t, thick * 0.7));
    shape(pen, {
      outline: curve([base[0], along(hip, knee, 0.78, thick * 2.3), base[1]], [0, 1, 2]),
      part: 'thigh',
      tint,
      weight: 0.8,
    });
  }
  closed(
    pen,
    segment(pen, hip, knee, [thick * 0.62, thick, thick * 0.98, thick * 0.72, unit * 0.05]),
    'thigh',
    tint,
    thick * 1.2,
  );
  note(pen, 'thigh', [mix(hip, knee, 0.5)]);
}

function closed(pen: Pen, outline: Curve, part: string, tint: string, depth: number): void {
  shape(pen, { outline, part, tint, weight: 0.95, tone: roundTone(sample(outline, 4), depth, 0.04, 0.68) });
}
