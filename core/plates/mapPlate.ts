import type { Ink, Plate } from './display';
import type { Point } from './geometry';

/** Hundredths of a millimetre. */
const UNIT = 100;

/** Numbers that each command takes, as plates use them. */
const TAKES: Record<string, number> = { M: 2, m: 2, l: 2, h: 1, c: 6, s: 4, a: 7, z: 0 };

/**
 * The paths of a plate with each of their points sent elsewhere: placed, turned, or seen aslant.
 * Handles of curves are sent along with their ends, which is exact for what keeps lines straight
 * and parallel, and near enough for a plane seen a little aslant.
 *
 * @param to from the plate's millimetres to where it is seen. @returns paths in the units of `to`.
 */
export function mapInks(plate: Plate, to: (mm: Point) => Point): Ink[] {
  const middle: Point = [plate.box.x + plate.box.width / 2, plate.box.y + plate.box.height / 2];
  const scale = scaleAt(to, middle);
  return plate.inks.map((ink) => ({
    ...ink,
    d: mapPath(ink.d, to),
    ...(ink.strokeWidth === undefined ? {} : { strokeWidth: (ink.strokeWidth / UNIT) * scale }),
  }));
}

/** By how much lengths grow about a place: the root of how much areas do. */
export function scaleAt(to: (mm: Point) => Point, [x, y]: Point): number {
  const step = 0.01;
  const [o, a, b] = [to([x, y]), to([x + step, y]), to([x, y + step])];
  return Math.sqrt(Math.abs((a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]))) / step;
}

function mapPath(d: string, to: (mm: Point) => Point): string {
  let [x, y] = [0, 0];
  let start: Point = [0, 0];
  /** The last handle of the curve that goes on. */
  let handle: Point = [0, 0];
  const seen = (px: number, py: number) => {
    const [sx, sy] = to([px / UNIT, py / UNIT]);
    return `${sx.toFixed(2)} ${sy.toFixed(2)}`;
  };
  const out: string[] = [];
  for (const [, command, rest] of d.matchAll(/([a-zA-Z])([^a-zA-Z]*)/g)) {
    const numbers = (rest.match(/-?\d*\.?\d+/g) ?? []).map(Number);
    const takes = TAKES[command];
    if (takes === undefined) throw new Error(`A plate’s path has the command ${command}, which is not known here.`);
    if (command === 'z') {
      out.push('Z');
      [x, y] = start;
      continue;
    }
    for (let i = 0; i + takes <= numbers.length; i += takes) {
      const n = numbers.slice(i, i + takes);
      // After the first pair of a move come lines.
      const kind = (command === 'M' || command === 'm') && i > 0 ? (command === 'M' ? 'L' : 'l') : command;
      switch (kind) {
        case 'M':
        case 'L':
          [x, y] = [n[0], n[1]];
          break;
        case 'm':
        case 'l':
          [x, y] = [x + n[0], y + n[1]];
          break;
        case 'h':
          x += n[0];
          break;
        case 'c':
        case 's': {
          // A handle that is not written mirrors the one before.
          const [ox, oy, ...bend] = kind === 'c' ? n : [x - handle[0], y - handle[1], ...n];
          out.push(`C${seen(x + ox, y + oy)} ${seen(x + bend[0], y + bend[1])} ${seen(x + bend[2], y + bend[3])}`);
          handle = [x + bend[0], y + bend[1]];
          [x, y] = [x + bend[2], y + bend[3]];
          continue;
        }
        case 'a': {
          const radius = scaleAt(to, [x / UNIT, y / UNIT]) / UNIT;
          [x, y] = [x + n[5], y + n[6]];
          out.push(`A${(n[0] * radius).toFixed(2)} ${(n[1] * radius).toFixed(2)} ${n[2]} ${n[3]} ${n[4]} ${seen(x, y)}`);
          continue;
        }
      }
      if (kind === 'M' || kind === 'm') start = [x, y];
      out.push(`${kind === 'M' || kind === 'm' ? 'M' : 'L'}${seen(x, y)}`);
    }
  }
  return out.join('');
}
