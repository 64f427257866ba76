import { type RandomSource, seeded } from '../../probability';
import { curvePath, dotPath, INK, linePath, PAPER } from '../display';
import { type Curve, curve, type Point, sample } from '../geometry';
import { grains, type Pen, wash } from '../pen';
import { type ConeModel, GROUNDS, INKS, STAINS } from './model';
import { onBody, onSpire, ringAt } from './surface';
import { knobAngles, WHORLS } from './outline';

/** How far round the side marks are drawn. */
const EDGE = 1.36;

const isFull = (pen: Pen) => pen.detail === 'full';

/** Everything coloured on the body whorl, from the ground up. */
export function paintBody(pen: Pen, model: ConeModel): void {
  const random = seeded(`pattern ${model.pattern} ${model.tents} ${Math.round(model.length * 10)}`);
  const ink = INKS[model.ink];
  if (model.pattern === 'tents') paintTents(pen, model, random);
  if (model.pattern === 'dots') paintDots(pen, model, random);
  if (model.pattern === 'bands') {
    for (const t of [0.17, 0.36, 0.57, 0.77]) band(pen, model, t, 0.05, ink.wash, 0.95);
  }
  if (model.pattern === 'flames') paintFlames(pen, model, random);
  for (let b = 0; b < model.bands; b++) {
    const t = [0.33, 0.62, 0.85][b] ?? 0.5;
    band(pen, model, t, 0.036, ink.full, model.pattern === 'tents' ? 0.55 : 0.8);
  }
  if (model.stain !== 'none') stain(pen, model);
}

function band(pen: Pen, model: ConeModel, t: number, half: number, colour: string, opacity: number): void {
  const steps = isFull(pen) ? 16 : 6;
  const wobble = seeded(`band ${t}`);
  const edge = (at: number) =>
    ringAt(model, at, -1.55, 1.55, steps).map(([x, y]): Point => [
      x,
      y + (isFull(pen) ? (wobble() - 0.5) * model.length * 0.006 : 0),
    ]);
  wash(pen, 'body', [...edge(t - half), ...edge(t + half).reverse()], colour, opacity);
}

/** Rows of pale tents, each with a dark edge, on a darker wash: overlapping like tiles. */
function paintTents(pen: Pen, model: ConeModel, random: RandomSource): void {
  const ink = INKS[model.ink];
  const fine = model.tents === 'fine';
  const rows = isFull(pen) ? (fine ? 17 : 10) : fine ? 6 : 4;
  const round = isFull(pen) ? (fine ? 14 : 8) : fine ? 4 : 3;
  const steps = isFull(pen) ? 14 : 3;
  const bends = isFull(pen) ? 7 : 2;
  const top = ringAt(model, 0.012, -1.5, 1.5, steps);
  const foot = ringAt(model, 0.985, -1.5, 1.5, steps).reverse();
  const along = (theta: number, down: boolean) =>
    Array.from({ length: bends }, (_, i) => {
      const gone = (0.973 * (i + 1)) / (bends + 1);
      return onBody(model, theta, down ? 0.012 + gone : 0.985 - gone);
    });
  wash(pen, 'body', [...top, ...along(1.5, true), ...foot, ...along(-1.5, false)], ink.wash, 0.9);
  const pale: Point[][] = [];
  for (let r = 0; r < rows; r++) {
    for (let k = 0; k < round; k++) {
      // In a tile the tents stand in order, so that their size is what one sees.
      const stray = () => (isFull(pen) ? random() - 0.5 : 0);
      const size = 0.92 + stray() * 0.75;
      const theta = -EDGE + (2 * EDGE * (k + (r % 2) / 2 + stray() * 0.5)) / round;
      const t = 0.03 + (0.9 * (r + stray() * 0.4)) / rows;
      const wide = (EDGE / round) * size;
      const high = (0.92 / rows) * size * (isFull(pen) ? 1.25 : 0.8);
      if (theta - wide < -1.5 || theta + wide > 1.5 || t < 0.01 || t + high > 0.97) continue;
      if (size < 0.66 && !fine) continue;
      if (!isFull(pen)) {
        pale.push([onBody(model, theta, t), onBody(model, theta + wide, t + high), onBody(model, theta - wide, t + high)]);
        continue;
      }
      // Tents lean the way the shell grew.
      pale.push([
        onBody(model, theta - wide * 0.12, t),
        onBody(model, theta + wide * 0.55, t + high * 0.52),
        onBody(model, theta + wide, t + high),
        onBody(model, theta, t + high * 0.86),
        onBody(model, theta - wide, t + high),
        onBody(model, theta - wide * 0.6, t + high * 0.5),
      ]);
    }
  }
  const line = Math.max(1, Math.round(pen.size * (isFull(pen) ? (fine ? 0.36 : 0.52) : 1)));
  pen.inks.push({
    d: pale.map((tent) => linePath(tent)).join(''),
    part: 'body',
    fill: GROUNDS[model.ground].body,
    stroke: ink.full,
    strokeWidth: line,
  });
}

function paintDots(pen: Pen, model: ConeModel, random: RandomSource): void {
  const rows = isFull(pen) ? 15 : 6;
  const round = isFull(pen) ? 15 : 5;
  const dots: Point[][] = [];
  const middles: Point[] = [];
  for (let r = 0; r < rows; r++) {
    for (let k = 0; k < round; k++) {
      const theta = -EDGE + (2 * EDGE * (k + (r % 2) / 2 + (random() - 0.5) * 0.35)) / round;
      const t = 0.035 + (0.92 * r) / rows + (random() - 0.5) * 0.008;
      const wide = (EDGE / round) * (0.36 + random() * 0.36);
      const high = (0.42 / rows) * (0.55 + random() * 0.5);
      const corners = 8;
      middles.push(onBody(model, theta, t));
      if (!isFull(pen)) continue;
      dots.push(
        Array.from({ length: corners }, (_, i) => {
          const a = (2 * Math.PI * i) / corners;
          return onBody(model, theta + wide * Math.cos(a), t + high * Math.sin(a));
        }),
      );
    }
  }
  const colour = INKS[model.ink].full;
  if (isFull(pen)) pen.inks.push({ d: dots.map((dot) => linePath(dot)).join(''), part: 'body', fill: colour, opacity: 0.92 });
  else pen.inks.push({ d: dotPath(middles), part: 'body', stroke: colour, strokeWidth: Math.round(pen.size * 5) });
}

/** Wavy streaks from shoulder to base. */
function paintFlames(pen: Pen, model: ConeModel, random: RandomSource): void {
  const many = isFull(pen) ? 9 : 4;
  const steps = isFull(pen) ? 16 : 6;
  for (let k = 0; k < many; k++) {
    const theta = -EDGE + (2 * EDGE * (k + 0.5 + (random() - 0.5) * 0.3)) / many;
    const phase = random() * 6;
    const wide = (EDGE / many) * (0.38 + random() * 0.3);
    const edge = (sign: number): Point[] =>
      Array.from({ length: steps + 1 }, (_, i) => {
        const t = 0.015 + (0.95 * i) / steps;
        const sway = wide * 0.75 * Math.sin(phase + t * 17);
        const swell = wide * (0.4 + 0.6 * Math.abs(Math.sin(phase * 2 + t * 11)));
        return onBody(model, theta + sway + sign * swell, t);
      });
    const ring = curve([...edge(-1), ...edge(1).reverse()]);
    wash(pen, 'body', isFull(pen) ? sample(ring, 2) : ring.points, INKS[model.ink].full, 0.9);
  }
}

function stain(pen: Pen, model: ConeModel): void {
  const colour = STAINS[model.stain as keyof typeof STAINS];
  for (const [t, opacity] of [
    [0.86, 0.45],
    [0.92, 0.6],
  ] as const) {
    const top = ringAt(model, t, -1.5, 1.5, 6);
    const foot = ringAt(model, 0.992, -1.5, 1.5, 6).reverse();
    wash(pen, 'base', [...top, ...foot], colour, opacity);
  }
}

/** Blotches on the whorls of the spire. */
export function paintSpire(pen: Pen, model: ConeModel): void {
  if (model.spireBlotches === 'none') return;
  const random = seeded(`spire ${model.spireBlotches}`);
  const few = isFull(pen) ? 4 : 2;
  const many = model.spireBlotches === 'many' ? (isFull(pen) ? 9 : 5) : few;
  for (let w = 1; w < WHORLS; w++) {
    if (!isFull(pen) && w % 2 === 0) continue;
    for (let k = 0; k < many; k++) {
      const theta = -1.3 + (2.6 * (k + 0.5 + (random() - 0.5) * 0.5)) / many;
      const wide = (1.3 / many) * (0.45 + random() * 0.3);
      const [top, foot] = [(w + 0.12) / WHORLS, (w + 0.86) / WHORLS];
      wash(
        pen,
        'spire',
        [
          onSpire(model, theta - wide * 0.6, top),
          onSpire(model, theta + wide * 0.7, top),
          onSpire(model, theta + wide, foot),
          onSpire(model, theta - wide, foot),
        ],
        INKS[model.ink].full,
        0.82,
      );
    }
  }
}

/** The skin that living shells carry: it dulls or hides what is under it. */
export function coat(pen: Pen, model: ConeModel, outline: Curve): void {
  if (model.coat === 'bare') return;
  pen.inks.push({ d: curvePath(outline), part: 'body', fill: '#8C7A45', opacity: model.coat === 'thick' ? 0.72 : 0.3 });
}

/** Chips and chalk of an old shell, and what grows on it. */
export function wear(pen: Pen, model: ConeModel): void {
  if (model.worn === 'fresh') return;
  const random = seeded('cone wear');
  const spots = model.worn === 'crusted' ? 9 : 5;
  for (let i = 0; i < spots; i++) {
    const theta = (random() * 2 - 1) * 1.1;
    const t = 0.08 + random() * 0.75;
    const r = 0.03 + random() * 0.045;
    const corners = isFull(pen) ? 7 : 5;
    const patch = Array.from({ length: corners }, (_, k) => {
      const a = (2 * Math.PI * k) / corners;
      const rough = 0.7 + random() * 0.6;
      return onBody(model, theta + r * 3.4 * rough * Math.cos(a), t + r * rough * Math.sin(a));
    });
    const ring = isFull(pen) ? sample(curve(patch), 2) : patch;
    if (model.worn === 'crusted' && i % 2 === 0) {
      pen.inks.push({
        d: linePath(ring),
        part: 'body',
        fill: '#D9D2C2',
        stroke: INK,
        strokeWidth: Math.max(1, Math.round(pen.size * 0.4)),
      });
    } else wash(pen, 'body', ring, PAPER, 0.75);
  }
}

/** Knobs along the shoulder: lit above, in shade below. */
export function knobs(pen: Pen, model: ConeModel): void {
  if (model.shoulder !== 'knobbed') return;
  const tint = GROUNDS[model.ground];
  if (!isFull(pen)) {
    const at = knobAngles().map((theta) => onBody(model, theta, 0.028));
    grains(pen, 'shoulder', at, pen.size * 0.034, tint.body);
    return;
  }
  for (const theta of knobAngles()) {
    const [x, y] = onBody(model, theta, 0.028);
    const wide = pen.size * 0.043 * Math.cos(theta) + pen.size * 0.006;
    const high = pen.size * 0.03;
    const ring = (dy: number, k: number): Point[] =>
      sample(
        curve(
          Array.from({ length: 6 }, (_, i): Point => {
            const a = (2 * Math.PI * i) / 6;
            return [x + k * wide * Math.cos(a), y + dy + k * high * Math.sin(a)];
          }),
        ),
        3,
      );
    pen.inks.push({ d: linePath(ring(high * 0.22, 1.06)), part: 'shoulder', fill: INK });
    pen.inks.push({ d: linePath(ring(0, 0.95)), part: 'shoulder', fill: tint.body });
  }
}
