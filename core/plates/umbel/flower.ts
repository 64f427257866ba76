import { curvePath, dotPath, INK, linePath } from '../display';
import { curve, mix, type Point, polar, sample } from '../geometry';
import { note, type Pen, shape, stroke, wash } from '../pen';
import { drawFruit } from './fruit';
import { GREENS, PETALS, type UmbelModel } from './model';
import { drawStalk } from './stem';

/** How far round the rays of an umbel spread from the vertical, and how far their ends lie from the middle. */
const SPREADS = { flat: 66, domed: 74, ball: 128 } as const;

/** Ends of the rays of an umbel, seen from the side; the outer ones first, so that the middle ones lie in front. */
export function rayEnds(model: UmbelModel, foot: Point, reach: number): Point[] {
  const wide = SPREADS[model.spread];
  return Array.from({ length: model.rays }, (_, i) => {
    const u = model.rays === 1 ? 0 : (2 * i) / (model.rays - 1) - 1;
    const lean = u * wide;
    const long =
      model.spread === 'flat'
        ? (reach * 0.5) / Math.cos((lean * Math.PI) / 180)
        : reach * (model.spread === 'domed' ? 1 - 0.12 * u * u : 0.92);
    return polar(foot, lean - 90, Math.min(long, reach * 1.24) * (i % 2 ? 0.93 : 1));
  });
}

/** Leaf-like points under an umbel. */
function drawBracts(pen: Pen, foot: Point, many: number, long: number, part: string, tint: string, oneSided = false): void {
  for (let k = 0; k < many; k++) {
    const u = many === 1 ? 0 : k / (many - 1);
    const way = oneSided ? 20 + 62 * u : 8 + 164 * u;
    const tip = polar(foot, way, long * (0.86 + 0.14 * Math.sin(Math.PI * u)));
    const half = long * 0.1;
    const middle = mix(foot, tip, 0.4);
    const outline = curve([foot, polar(middle, way + 90, half), tip, polar(middle, way - 90, half)], [0, 2]);
    note(pen, part, outline.points);
    pen.inks.push({ d: curvePath(outline), part, fill: tint, stroke: INK, strokeWidth: Math.max(1, Math.round(long * 1.9)) });
  }
}

/** A whole umbel from the side: rays, bracts under them, and what stands on their ends. */
export function drawUmbel(pen: Pen, model: UmbelModel, foot: Point, reach: number, far = false): void {
  const full = pen.detail === 'full' && !far;
  const tint = GREENS[model.leafTint].stem;
  drawBracts(pen, foot, { none: 0, few: 2, many: 8 }[model.bracts], reach * 0.34, 'bracts', tint);
  note(pen, 'bracts', [
    [foot[0] - reach * 0.4, foot[1] - reach * 0.25],
    [foot[0] + reach * 0.4, foot[1] + reach * 0.42],
  ]);
  const sketch = pen.detail === 'figure';
  const ends = rayEnds(sketch ? { ...model, rays: 4 } : model, foot, reach);
  const order = ends.map((_, i) => i).sort((a, b) => Math.abs(b - (ends.length - 1) / 2) - Math.abs(a - (ends.length - 1) / 2));
  const rays =
    pen.detail === 'full'
      ? order
          .map((i) =>
            curvePath(curve([foot, polar(mix(foot, ends[i], 0.55), 0, (ends[i][0] - foot[0]) * 0.07), ends[i]], [], false)),
          )
          .join('')
      : zigzag(foot, ends);
  pen.inks.push({
    d: rays,
    part: 'rays',
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(reach * (far ? 1 : full ? 1.5 : 2.2))),
  });
  if (full) pen.inks.push({ d: rays, part: 'rays', stroke: tint, strokeWidth: Math.max(1, Math.round(reach * 0.8)) });
  note(pen, 'rays', [foot, ...ends]);
  if (sketch || (pen.detail === 'tile' && model.rays > 12)) {
    const dot = reach * (sketch ? 42 : 14);
    pen.inks.push({ d: dotPath(ends), part: 'heads', stroke: INK, strokeWidth: Math.round(dot) });
    if (!sketch) return;
    pen.inks.push({
      d: dotPath(ends),
      part: 'heads',
      stroke: model.bears === 'fruits' ? '#7F8A55' : PETALS[model.petals],
      strokeWidth: Math.round(reach * 30),
    });
    return;
  }
  const head = reach * Math.min(0.2, 1.5 / model.rays + 0.05);
  for (const i of order) {
    const lean = (Math.atan2(ends[i][0] - foot[0], foot[1] - ends[i][1]) * 180) / Math.PI;
    drawHead(pen, model, ends[i], head, full, lean);
  }
}

/** Rays as one line that runs out and back: two to a stroke. */
function zigzag(foot: Point, ends: readonly Point[]): string {
  const strokes: string[] = [];
  for (let i = 0; i < ends.length; i += 2)
    strokes.push(linePath(i + 1 < ends.length ? [ends[i], foot, ends[i + 1]] : [ends[i], foot], false));
  return strokes.join('');
}

/** An umbellet: near by its flowers or fruits on stalks of their own, far off a tuft of them, in a tile a cushion. */
function drawHead(pen: Pen, model: UmbelModel, [x, y]: Point, size: number, full: boolean, lean: number): void {
  if (full) return drawUmbellet(pen, model, [x, y], size, lean);
  const tint = model.bears === 'fruits' ? GREENS[model.leafTint].stem : PETALS[model.petals];
  if (pen.detail === 'full') return drawTuft(pen, [x, y], size, tint);
  const flat = curve([
    [x - size, y],
    [x - size * 0.6, y - size * 0.62],
    [x, y - size * 0.78],
    [x + size * 0.6, y - size * 0.62],
    [x + size, y],
    [x, y + size * 0.24],
  ]);
  note(pen, 'heads', flat.points);
  pen.inks.push({ d: curvePath(flat), part: 'heads', fill: tint, stroke: INK, strokeWidth: Math.max(1, Math.round(size * 7)) });
}

/** An umbellet from afar: its flowers are no more than dots that run together. */
function drawTuft(pen: Pen, [x, y]: Point, size: number, tint: string): void {
  const places = PLACES.few.map(([u, v]): Point => [x + u * size * 0.8, y - v * size * 0.55]);
  note(pen, 'heads', [
    [x - size, y - size * 0.85],
    [x + size, y + size * 0.2],
  ]);
  const d = dotPath(places);
  pen.inks.push({ d, part: 'heads', stroke: INK, strokeWidth: Math.round(size * 60) });
  pen.inks.push({ d, part: 'heads', stroke: tint, strokeWidth: Math.round(size * 48) });
}

/** Where the flowers of an umbellet stand, the hindmost first: sidewards, and above its foot, in its half width. */
const PLACES: Record<'many' | 'few', Point[]> = {
  many: [
    [-0.5, 0.98],
    [0, 1.08],
    [0.5, 0.98],
    [-0.92, 0.56],
    [0.92, 0.56],
    [-0.32, 0.74],
    [0.32, 0.74],
    [-0.64, 0.44],
    [0.64, 0.44],
    [0, 0.5],
  ],
  few: [
    [-0.4, 0.98],
    [0.4, 0.98],
    [-0.88, 0.56],
    [0.88, 0.56],
    [0, 0.62],
    [-0.46, 0.5],
    [0.46, 0.5],
  ],
};

/** Above so many rays an umbellet shows fewer of its flowers. */
const CROWDED = 16;

/** How far an umbellet leans with its ray: those of a flat umbel all look up, those of a ball outwards. */
const LEANING = { flat: 0, domed: 0.55, ball: 0.95 } as const;

function drawUmbellet(pen: Pen, model: UmbelModel, [x, y]: Point, size: number, lean: number): void {
  const turn = lean * LEANING[model.spread];
  const places = PLACES[model.rays > CROWDED ? 'few' : 'many'].map(([u, v]) =>
    polar(polar([x, y], turn, u * size), turn - 90, v * size),
  );
  const margin = size * 0.34;
  note(pen, 'heads', [
    [x, y],
    ...places.flatMap(([u, v]): Point[] => [
      [u - margin, v - margin],
      [u + margin, v + margin],
    ]),
  ]);
  const stroke = (d: string, colour: string, wide: number) =>
    pen.inks.push({ d, part: 'heads', stroke: colour, strokeWidth: Math.max(1, Math.round(size * wide)) });
  const stalks = places.map((end) => linePath([[x, y], end], false)).join('');
  stroke(stalks, INK, 4.4);
  stroke(stalks, GREENS[model.leafTint].stem, 2);
  if (model.bears === 'fruits') {
    // A fruit is longer than broad, in the line of its stalk.
    const fruits = places.map((end) => linePath([mix([x, y], end, 0.9), mix([x, y], end, 1.12)], false)).join('');
    stroke(fruits, INK, 21);
    stroke(fruits, '#9AA56F', 15);
    return;
  }
  // Those behind are drawn before those in front, each with its own outline.
  for (const row of [places.slice(0, 3), places.slice(3)]) {
    const petals = row.flatMap((at, k) => Array.from({ length: 5 }, (_, i) => polar(at, i * 72 - 90 + k * 23, size * 0.15)));
    stroke(dotPath(petals), INK, 24);
    stroke(dotPath(petals), PETALS[model.petals], 18);
    stroke(dotPath(row), '#A9AE6B', 9);
  }
}

/** The umbel plate: one umbel with a piece of its stalk. */
export function drawUmbelPlate(pen: Pen, model: UmbelModel): void {
  drawStalk(pen, model, [1, 40], [0, 0], 2.1);
  drawUmbel(pen, model, [0, 0], 60);
}

/** Places of the flowers of an umbellet, and whether each stands at its rim. */
const FLOWERS: { lean: number; long: number; rim: boolean }[] = [
  { lean: -64, long: 0.92, rim: true },
  { lean: 64, long: 0.92, rim: true },
  { lean: -40, long: 1.06, rim: true },
  { lean: 40, long: 1.06, rim: true },
  { lean: -14, long: 1.14, rim: false },
  { lean: 15, long: 1.13, rim: false },
  { lean: -27, long: 0.82, rim: false },
  { lean: 27, long: 0.82, rim: false },
  { lean: 0, long: 0.86, rim: false },
];

/** One umbellet from the side, its flowers turned to us. */
export function drawFlowerPlate(pen: Pen, model: UmbelModel): void {
  const reach = 9;
  const foot: Point = [0, 0];
  const tint = GREENS[model.leafTint].stem;
  const sides = { none: 0, 'one-sided': 3, 'all-round': 7 }[model.bracteoles];
  drawStalk(pen, model, [0.2, 6], [0, 0], 0.45);
  drawBracts(pen, foot, sides, reach * 0.55, 'bracteoles', tint, model.bracteoles === 'one-sided');
  note(pen, 'bracteoles', [
    [-reach * 0.55, -reach * 0.2],
    [reach * 0.55, reach * 0.5],
  ]);
  const shown =
    pen.detail === 'full'
      ? FLOWERS
      : FLOWERS.filter(({ rim }) => rim)
          .slice(2)
          .concat(FLOWERS.slice(8));
  for (const { lean, long } of shown) {
    const end = polar(foot, lean - 90, reach * long);
    rayTo(pen, model, end);
  }
  for (const { lean, long, rim } of shown)
    drawFlower(pen, model, polar(foot, lean - 90, reach * long), 2.1, rim ? lean : undefined);
}

/** The stalk of one flower or fruit, from the foot of its umbellet. */
function rayTo(pen: Pen, model: UmbelModel, end: Point): void {
  const d = linePath([[0, 0], end], false);
  pen.inks.push({ d, part: 'stalks', stroke: INK, strokeWidth: 34 });
  pen.inks.push({ d, part: 'stalks', stroke: GREENS[model.leafTint].stem, strokeWidth: 18 });
}

/** A flower of five petals, face on. `outwards`: the way its larger petals point, in degrees from the vertical. */
export function drawFlower(pen: Pen, model: UmbelModel, at: Point, size: number, outwards?: number): void {
  const tint = PETALS[model.petals];
  const full = pen.detail === 'full';
  for (let k = 0; k < 5; k++) {
    const turn = -90 + (outwards ?? 0) + k * 72;
    const larger = model.outerPetals === 'enlarged' && outwards !== undefined && (k === 0 || k === 1 || k === 4);
    const long = size * (larger ? (k === 0 ? 2 : 1.45) : 1);
    drawPetal(pen, model, at, turn, long, tint);
  }
  const middle = Array.from({ length: 6 }, (_, i) => polar(at, i * 60, size * 0.3));
  wash(pen, 'petals', full ? sample(curve(middle), 2) : middle, '#C9CF9A');
  if (!full) return;
  const anthers = Array.from({ length: 5 }, (_, i) => polar(at, -54 + i * 72, size * 0.95));
  pen.inks.push({
    d: anthers.map((end) => linePath([at, end], false)).join(''),
    part: 'stamens',
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(size * 3)),
  });
  pen.inks.push({ d: dotPath(anthers), part: 'stamens', stroke: '#7A5A34', strokeWidth: Math.round(size * 13) });
}

function drawPetal(pen: Pen, model: UmbelModel, at: Point, turn: number, long: number, tint: string): void {
  const half = long * 0.46;
  const side = (t: number, u: number) => polar(polar(at, turn, long * t), turn + 90, u * half);
  const ends: Record<UmbelModel['petalTip'], Point[]> = {
    flat: [side(0.86, 0.8), side(1, 0.3), side(1, -0.3), side(0.86, -0.8)],
    notched: [side(0.9, 0.9), side(1.06, 0.46), side(0.7, 0), side(1.06, -0.46), side(0.9, -0.9)],
    curled: [side(0.66, 0.8), side(0.82, 0.34), side(0.82, -0.34), side(0.66, -0.8)],
  };
  const outline = curve(
    [side(0.14, 0.2), side(0.5, 0.86), ...ends[model.petalTip], side(0.5, -0.86), side(0.14, -0.2)],
    model.petalTip === 'notched' ? [4] : [],
  );
  if (pen.detail === 'full') shape(pen, { outline, part: 'petals', tint, weight: 0.5 });
  else {
    note(pen, 'petals', outline.points);
    pen.inks.push({
      d: curvePath(outline),
      part: 'petals',
      fill: tint,
      stroke: INK,
      strokeWidth: Math.max(1, Math.round(pen.size * 1.1)),
    });
  }
  if (model.petalTip === 'curled') {
    // The tip is rolled in: a second small fold lies on the petal.
    const fold = curve([side(0.8, 0.44), side(0.56, 0.22), side(0.56, -0.22), side(0.8, -0.44)]);
    pen.inks.push({
      d: curvePath(fold),
      part: 'petals',
      fill: '#D9D6C4',
      stroke: INK,
      strokeWidth: Math.max(1, Math.round(pen.size * (pen.detail === 'full' ? 0.4 : 0.8))),
    });
  } else if (pen.detail === 'full')
    stroke(pen, 'petals', curve([side(0.2, 0), side(0.45, 0), side(0.66, 0)], [], false), 0.008, INK, 0.6);
}

/** In fruit the umbellet bears fruits. */
export function drawFruitingHead(pen: Pen, model: UmbelModel): void {
  const reach = 9;
  drawStalk(pen, model, [0.2, 6], [0, 0], 0.45);
  for (const { lean, long, rim } of FLOWERS) {
    if (!rim && lean !== 0) continue;
    const end = polar([0, 0], lean - 90, reach * long);
    rayTo(pen, model, end);
    drawFruit(pen, model, end, 1.6, lean);
  }
}
