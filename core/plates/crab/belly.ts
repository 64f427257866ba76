import { seeded } from '../../probability';
import { discPath, dotPath } from '../display';
import { type Curve, curve, flat, inside, mirrored, type Point, sample } from '../geometry';
import { grains, note, type Pen, roundTone, shape, stroke } from '../pen';
import { carapaceOutline, onCarapace } from './carapace';
import { type CrabModel, GROUNDS } from './model';

const SPOT = '#5B3A46';
/** Half the sternum's width, as a share of half the carapace's. */
const STERNUM = 0.56;

const sternumHalf = (model: CrabModel) => (STERNUM * model.width) / 2;

function bilateral(right: Point[], sharp: number[] = []): Curve {
  const half = curve(right, sharp, false);
  const left = mirrored(half);
  return curve([...half.points, ...left.points.slice(1, -1)], sharp);
}

/** The breastplate: legs root at its edge. Its greatest width is what the abdomen is measured against. */
export function sternumOutline(model: CrabModel): Curve {
  const at = (u: number, v: number) => onCarapace(model, u * STERNUM, v);
  return bilateral([
    at(0, 0.33),
    at(0.26, 0.345),
    at(0.5, 0.41),
    at(0.82, 0.47),
    at(1, 0.58),
    at(0.98, 0.72),
    at(0.8, 0.86),
    at(0.5, 0.95),
    at(0, 0.97),
  ]);
}

/** Half widths of the abdomen from its root at the rear to its tip, as shares of its greatest. */
const ABDOMENS = {
  narrow: { tip: 0.44, profile: [0.62, 1, 0.94, 0.66, 0.5, 0.4, 0.3, 0.14] },
  slim: { tip: 0.52, profile: [0.86, 1, 0.97, 0.9, 0.8, 0.7, 0.52, 0.26] },
  broad: { tip: 0.36, profile: [0.5, 0.78, 0.93, 1, 1, 0.92, 0.72, 0.36] },
} as const;
const ROOT = 0.985;

/** The folded abdomen; its greatest width ÷ the sternum's is the scored ratio exactly. */
export function abdomenOutline(model: CrabModel): Curve {
  const { tip, profile } = ABDOMENS[model.abdomen];
  const half = sternumHalf(model) * model.abdomenRatio;
  const y = (t: number) => (ROOT + (tip - ROOT) * t) * model.length;
  const right: Point[] = [
    [0, y(1)],
    ...profile.map((k, i): Point => [half * k, y((i + 0.35) / profile.length)]).reverse(),
    [0, y(-0.01)],
  ];
  return bilateral(right);
}

const under = (model: CrabModel) => GROUNDS[model.ground].pale;

/** The shell from below: rim, mouthparts, breastplate. Legs are drawn between this and {@link drawAbdomen}. */
export function drawUnderside(pen: Pen, model: CrabModel): void {
  const polygon = sample(carapaceOutline(model), 4);
  shape(pen, {
    outline: carapaceOutline(model),
    part: 'carapace',
    tint: GROUNDS[model.ground].limb,
    weight: 1.35,
    tone: roundTone(polygon, model.width * 0.16, 0.03, 0.5),
  });
  if (pen.detail === 'tile') return;
  const at = (u: number, v: number) => onCarapace(model, u, v);
  for (const side of [1, -1]) {
    const own = (c: Curve) => (side > 0 ? c : mirrored(c));
    stroke(pen, 'carapace', own(curve([at(0.3, 0.19), at(0.52, 0.25), at(0.72, 0.4), at(0.78, 0.6)], [], false)), 0.012);
  }
}

export function drawSternum(pen: Pen, model: CrabModel): void {
  const outline = sternumOutline(model);
  const polygon = sample(outline, 4);
  shape(pen, {
    outline,
    part: 'sternum',
    tint: under(model),
    weight: 0.95,
    tone: roundTone(polygon, model.width * 0.12, 0.02, 0.48),
  });
  const at = (u: number, v: number) => onCarapace(model, u * STERNUM, v);
  const lines = [
    [0.47, 0.44],
    [0.57, 0.54],
    [0.67, 0.66],
    [0.78, 0.79],
    [0.86, 0.89],
  ];
  for (const [from, to] of pen.detail === 'tile' ? [lines[0], lines[2]] : lines) {
    for (const side of [1, -1]) {
      const line = curve([at(0.22, from), at(0.6, (from + to) / 2 + 0.01), at(from < 0.7 ? 0.9 : 0.72, to)], [], false);
      stroke(pen, 'sternum', side > 0 ? line : mirrored(line), 0.009);
    }
  }
  spots(pen, model);
  if (pen.detail !== 'tile') mouthparts(pen, model);
}

function mouthparts(pen: Pen, model: CrabModel): void {
  const at = (u: number, v: number) => onCarapace(model, u, v);
  for (const side of [1, -1]) {
    const plate = curve([at(0.008, 0.14), at(0.12, 0.135), at(0.16, 0.19), at(0.15, 0.28), at(0.1, 0.35), at(0.02, 0.34)]);
    const outline = side > 0 ? plate : mirrored(plate);
    shape(pen, {
      outline,
      part: 'mouth',
      tint: under(model),
      weight: 0.85,
      tone: roundTone(sample(outline, 3), model.width * 0.06, 0.04, 0.6),
    });
    const crease = curve([at(0.075, 0.16), at(0.09, 0.24), at(0.075, 0.32)], [], false);
    stroke(pen, 'mouth', side > 0 ? crease : mirrored(crease), 0.008);
  }
}

/** The abdomen, the eggs it holds, and spots of the underside. */
export function drawAbdomen(pen: Pen, model: CrabModel): void {
  const outline = abdomenOutline(model);
  const polygon = sample(outline, 5);
  if (model.eggs) eggs(pen, model, polygon);
  shape(pen, {
    outline,
    part: 'abdomen',
    tint: under(model),
    weight: 1.1,
    tone: roundTone(polygon, model.width * 0.09, 0.04, 0.7),
  });
  const { tip } = ABDOMENS[model.abdomen];
  const folds = pen.detail === 'tile' ? 3 : 6;
  for (let i = 1; i <= folds; i++) {
    const y = (ROOT + (tip - ROOT) * (i / (folds + 1.2))) * model.length;
    const half = crossing(polygon, y) * 0.97;
    const sag = model.length * 0.014;
    stroke(
      pen,
      'abdomen',
      curve(
        [
          [-half, y],
          [-half / 2, y + sag],
          [half / 2, y + sag],
          [half, y],
        ],
        [],
        false,
      ),
      0.011,
    );
  }
  note(pen, 'abdomen', [onCarapace(model, -0.5, 0.34), onCarapace(model, 0.5, 1.04)]);
  note(pen, 'belly', [onCarapace(model, -0.72, 0.3), onCarapace(model, 0.72, 1.02)]);
}

function crossing(polygon: readonly Point[], y: number): number {
  return Math.max(
    0,
    ...polygon.map(([ax, ay], i) => {
      const [bx, by] = polygon[(i + 1) % polygon.length];
      return ay > y !== by > y ? ax + ((y - ay) / (by - ay)) * (bx - ax) : 0;
    }),
  );
}

function eggs(pen: Pen, model: CrabModel, abdomen: readonly Point[]): void {
  const random = seeded('eggs');
  const edge = flat(abdomen);
  const reach = sternumHalf(model) * (model.abdomenRatio + 0.24);
  const count = pen.detail === 'full' ? 105 : 6;
  const radius = model.width * (pen.detail === 'full' ? 0.017 : 0.03);
  const mass = Array.from({ length: count }, (_, i): Point[] => {
    const a = ((i + random()) / count - 0.5) * Math.PI * 0.98;
    const r = pen.detail === 'full' ? Math.sqrt(0.42 + 0.58 * random()) : 0.92;
    const right: Point = [reach * r * Math.cos(a), model.length * (0.68 + 0.33 * r * Math.sin(a))];
    return [right, [-right[0], right[1]]];
  })
    .flat()
    .filter(([x, y]) => !inside(edge, x * 1.02, y));
  grains(pen, 'eggs', mass, radius, '#D08A3E');
}

/** Spots of the breastplate and of the shell beside the mouth. */
function spots(pen: Pen, model: CrabModel): void {
  if (model.belly === 'none') return;
  const random = seeded('belly');
  const tile = pen.detail === 'tile';
  const many = (model.belly === 'many' ? 90 : 22) / (tile ? 4.4 : 1);
  const plate = flat(sample(sternumOutline(model), 3));
  const discs = Array.from({ length: many }, (_, i) => ({
    at: onCarapace(model, (i % 2 ? 1 : -1) * (0.12 + 0.44 * random()), 0.14 + 0.78 * random()),
    radius: model.width * (0.008 + 0.007 * random()) * (tile ? 1.5 : 1),
  })).filter(({ at: [x, y] }) => (y < model.length * 0.34 ? Math.abs(x) > model.width * 0.11 : inside(plate, x * 1.1, y)));
  const d = tile ? dotPath(discs.map((disc) => disc.at)) : discPath(discs);
  const ink = tile ? { stroke: SPOT, strokeWidth: Math.round(model.width * 4) } : { fill: SPOT };
  pen.inks.push({ d, part: 'spots', opacity: 0.92, ...ink });
  note(
    pen,
    'spots',
    discs.map((d) => d.at),
  );
}
