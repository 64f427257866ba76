import { blurred, type Shades } from './blur';
import { cheapestWays } from './cheapestWays';
import { type Grey, shadeAt } from './grey';
import type { PixelPoint } from './schema';

/** The ways along edges from one place: asked for each place the pointer is at. */
export interface EdgeWays {
  /** Points along the strongest edge to a place, both ends with it; a straight line where it lies out of reach. */
  to: (place: PixelPoint) => PixelPoint[];
}

/** The photo is smoothed by this before its edges are looked for, in pixels. */
const SMOOTHING = 1.2;
/** What a step costs where there is no edge at all, beside one along the strongest. */
const FLAT_COST = 1;
const LEAST_COST = 1 / 50;
/** Edges as strong as this share of the strongest near by count as strong. */
const STRONG = 0.9;

/**
 * A path that follows the strongest edge (live wire: Mortensen & Barrett 1998): each step costs
 * less the steeper the shades are across it, and the cheapest way is found once from where one
 * begins (Dijkstra 1959) for every pixel within reach, so that it follows the pointer at once. Each
 * point is then moved across the edge to where it is steepest, between pixels.
 *
 * @param from where the path begins; @param reach how far it may go, in pixels, along x and along y.
 */
export function edgesFrom(photo: Grey, from: PixelPoint, reach: number): EdgeWays {
  const left = Math.max(0, Math.floor(from[0] - reach));
  const top = Math.max(0, Math.floor(from[1] - reach));
  const width = Math.min(photo.width, Math.ceil(from[0] + reach)) - left;
  const height = Math.min(photo.height, Math.ceil(from[1] + reach)) - top;
  if (width < 3 || height < 3) return { to: (place) => [from, place] };
  const part = blurred(cut(photo, left, top, width, height), SMOOTHING);
  const { cost, steep } = costs(part);
  const start = pixelOf(from, left, top, width, height);
  const before = cheapestWays(cost, width, height, start);
  return {
    to(place) {
      const end = pixelOf(place, left, top, width, height);
      const outside = place[0] < left || place[1] < top || place[0] > left + width || place[1] > top + height;
      if (outside || start === end) return [from, place];
      const way: number[] = [];
      for (let at = end; at !== start && at >= 0; at = before[at]) way.push(at);
      const points = way.reverse().map((i): PixelPoint => [(i % width) + 0.5, Math.floor(i / width) + 0.5]);
      const moved = points.map((point) => ontoEdge(part, steep, point));
      return [
        from,
        ...evened(moved)
          .slice(0, -1)
          .map(([x, y]): PixelPoint => [x + left, y + top]),
        place,
      ];
    },
  };
}

function cut({ width: whole, data }: Grey, left: number, top: number, width: number, height: number): Shades {
  const out = new Float32Array(width * height);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) out[y * width + x] = data[(y + top) * whole + x + left];
  return { width, height, data: out };
}

/** The pixel of a place, within the rim. */
const pixelOf = ([x, y]: PixelPoint, left: number, top: number, width: number, height: number): number => {
  const px = Math.min(width - 2, Math.max(1, Math.floor(x - left)));
  const py = Math.min(height - 2, Math.max(1, Math.floor(y - top)));
  return py * width + px;
};

/** What it costs to stand on each pixel, and how steep the shades are there. */
function costs({ width, height, data }: Shades) {
  const steep = new Float32Array(width * height);
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      const [across, down] = [data[i + 1] - data[i - 1], data[i + width] - data[i - width]];
      steep[i] = Math.sqrt(across * across + down * down) / 2;
    }
  const some = steep.filter((_, i) => i % 7 === 0).sort();
  const strong = (some[Math.floor(some.length * 0.995)] || 1) * STRONG;
  const cost = steep.map((g) => LEAST_COST + FLAT_COST * (1 - Math.min(1, g / strong)) ** 2);
  return { cost, steep };
}

/** A point moved along the slope of the shades to where they are steepest, at most two pixels. */
function ontoEdge(part: Shades, steep: Float32Array, [x, y]: PixelPoint): PixelPoint {
  const field: Grey = { width: part.width, height: part.height, data: steep };
  const gx = shadeAt(part, x + 1, y) - shadeAt(part, x - 1, y);
  const gy = shadeAt(part, x, y + 1) - shadeAt(part, x, y - 1);
  const size = Math.hypot(gx, gy);
  if (size < 1e-6) return [x, y];
  const [ux, uy] = [gx / size, gy / size];
  let best = 0;
  let most = -1;
  for (let t = -2; t <= 2; t += 0.25) {
    const g = shadeAt(field, x + t * ux, y + t * uy);
    if (g > most) [best, most] = [t, g];
  }
  return [x + best * ux, y + best * uy];
}

/** Each point the mean of itself and its neighbours: the steps of the pixels go, the edge stays. */
const evened = (points: readonly PixelPoint[]): PixelPoint[] =>
  points.map((p, i) => {
    const near = points.slice(Math.max(0, i - 2), i + 3);
    if (i < 2 || i > points.length - 3) return p;
    return [near.reduce((sum, q) => sum + q[0], 0) / 5, near.reduce((sum, q) => sum + q[1], 0) / 5];
  });
