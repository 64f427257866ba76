import type { TileOf } from '../../guide/tileSchema';
import { seeded } from '../../probability';
import { discPath, INK, linePath } from '../display';
import { add, boxOf, curve, flat, inside, minus, type Point, runsClockwise, times } from '../geometry';
import { grains, type Pen, stroke } from '../pen';
import { insideGrid, spread } from './patterns';

type Surface = NonNullable<TileOf<'blade'>['surface']>;

/** What a surface is like to the finger, drawn on a shape. */
export function drawSurface(pen: Pen, part: string, polygon: readonly Point[], surface: Surface, tint: string): void {
  const box = boxOf(polygon);
  const apart = spread(box);
  const ink = (d: string, weight: number, opacity?: number) =>
    d &&
    pen.inks.push({
      d,
      part,
      stroke: INK,
      strokeWidth: Math.max(1, Math.round(pen.size * weight)),
      ...(opacity ? { opacity } : {}),
    });
  const short = (pitch: number, length: number, lean: number) =>
    insideGrid(polygon, box, pitch * apart, 0.012 * apart, 'hairs')
      .map(({ at: [x, y] }, i) =>
        linePath(
          [
            [x, y],
            [x + (lean + (i % 3) * 0.3 - 0.3) * length, y - length],
          ],
          false,
        ),
      )
      .join('');
  switch (surface) {
    case 'smooth':
      return;
    case 'downy':
      return void ink(short(0.14, 0.035 * pen.size, 0.4), 0.7, 0.75);
    case 'hairy':
      ink(short(0.2, 0.1 * pen.size, 0.25), 0.8, 0.8);
      return fringe(pen, part, polygon, { every: 0.055, length: 0.07, weight: 0.8 });
    case 'bristly':
      ink(short(0.3, 0.09 * pen.size, 0.05), 1.8);
      return fringe(pen, part, polygon, { every: 0.11, length: 0.1, weight: 1.7 });
    case 'warty':
      return grains(
        pen,
        part,
        insideGrid(polygon, box, 0.21 * apart, 0.045 * apart, 'warts').map(({ at }) => at),
        0.034 * apart,
        tint,
        0.18,
      );
    case 'pitted':
      pen.inks.push({ d: discPath(insideGrid(polygon, box, 0.19 * apart, 0.032 * apart)), part, fill: INK, opacity: 0.72 });
      return;
    case 'scaly':
      ink(
        insideGrid(polygon, box, 0.2 * apart, 0.06 * apart)
          .map(({ at: [x, y] }) => scale([x, y], 0.1 * apart))
          .join(''),
        1.1,
      );
      return;
    case 'ridged':
      return ridges(pen, part, polygon);
  }
}

/** An arc open upwards, as a fish's scale lies over the next. */
const scale = ([x, y]: Point, half: number): string =>
  linePath(
    Array.from({ length: 6 }, (_, i): Point => {
      const a = (i / 5) * Math.PI;
      return [x - Math.cos(a) * half, y + Math.sin(a) * half * 0.85];
    }),
    false,
  );

/** Hairs that stand out of an edge. */
export function fringe(
  pen: Pen,
  part: string,
  polygon: readonly Point[],
  { every, length, weight }: { every: number; length: number; weight: number },
): void {
  const turn = runsClockwise(polygon) ? 1 : -1;
  const random = seeded('fringe');
  let gone = 0;
  let d = '';
  polygon.forEach((at, i) => {
    const along = minus(polygon[(i + 1) % polygon.length], at);
    const step = Math.hypot(...along);
    gone += step;
    if (gone < every * pen.size || step === 0) return;
    gone = 0;
    const out: Point = [(turn * along[1]) / step, (-turn * along[0]) / step];
    const lean = times(along, (0.25 * (random() - 0.2)) / step);
    d += linePath([at, add(at, times(add(out, lean), length * pen.size * (0.8 + 0.4 * random())))], false);
  });
  pen.inks.push({ d, part, stroke: INK, strokeWidth: Math.max(1, Math.round(pen.size * weight)) });
}

/** Lines along a shape that follow its sides. */
function ridges(pen: Pen, part: string, polygon: readonly Point[]): void {
  const box = boxOf(polygon);
  const edge = flat(polygon);
  for (const share of [-0.6, -0.3, 0, 0.3, 0.6]) {
    const places: Point[] = [];
    for (let i = 1; i < 12; i++) {
      const y = box.y + (i / 12) * box.height;
      const [left, right] = sidesAt(edge, y, box.x, box.x + box.width);
      if (right > left) places.push([(left + right) / 2 + (share * (right - left)) / 2, y]);
    }
    if (places.length > 2)
      stroke(
        pen,
        part,
        curve(
          places.filter((_, i) => i % 2 === 0),
          [],
          false,
        ),
        0.011,
      );
  }
}

/** Where a shape begins and ends at a height. */
export function sidesAt(edge: Float64Array, y: number, from: number, to: number): [number, number] {
  let [left, right] = [Infinity, -Infinity];
  const steps = 40;
  for (let i = 0; i <= steps; i++) {
    const x = from + (i / steps) * (to - from);
    if (!inside(edge, x, y)) continue;
    left = Math.min(left, x);
    right = Math.max(right, x);
  }
  return [left, right];
}
