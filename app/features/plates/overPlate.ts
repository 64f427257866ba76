import type { Plate, Point } from '@plesion/core/plates';

/** A plate as large as fits into a room, and where its points and lines lie then. */
export interface OverPlate {
  width: number;
  height: number;
  to: (point: Point) => Point;
  /** A line through points as an SVG path. */
  path: (line: readonly Point[]) => string;
}

export function overPlate({ box }: Plate, room: number, tallest: number): OverPlate {
  const scale = Math.min(room / box.width, tallest / box.height);
  const to = ([x, y]: Point): Point => [(x - box.x) * scale, (y - box.y) * scale];
  return {
    width: box.width * scale,
    height: box.height * scale,
    to,
    path: (line) =>
      line
        .map(to)
        .map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`)
        .join(''),
  };
}
