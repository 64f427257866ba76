import { blurred, halved, type Shades } from './blur';
import type { Grey } from './grey';
import type { PixelPoint } from './schema';

/** A spot that the machine found. */
export interface Spot {
  /** Its middle, in pixels. */
  at: PixelPoint;
  radius: number;
  /** Shades between it and what is about it. */
  contrast: number;
  /** Longer than wide by this: two that touch may look like one. */
  longer: number;
}

export interface SpotSearch {
  /** Within this outline; all of the photo where absent. */
  outline?: readonly PixelPoint[];
  /** Are spots darker, or lighter, than what is about them? Darker where absent. */
  lighter?: boolean;
  /** Least and greatest radius, in pixels. */
  radius: readonly [number, number];
  /** Shades by which a spot must differ; where absent 12, and two fifths of what the plainest do. */
  contrast?: number;
  /** Told how far it is, 0 to 1. */
  onProgress?: (share: number) => void;
}

/** Steps of size to a doubling. */
const STEPS = 3;
/** What a disc of contrast 1 answers at its own size: 2 ÷ e. */
const PEAK = 2 / Math.E;
/** A photo's own blur, and the size from which it is looked at in half as many pixels. */
const OWN = 0.5;
const COARSE = 2;
/** Fainter is not looked at. */
const LEAST_CONTRAST = 12;
/** How plain spots are is told by the one after so many, and what is fainter than this share of it is left out. */
const PLAINEST = 3;
const FAINT = 0.4;
/** An edge is a spot that is this much longer than wide. */
const EDGE = 4;

interface Level extends Shades {
  sd: number;
  /** Pixels of the photo to one of the level. */
  step: number;
  /** What makes answers of all levels alike, and those to what is looked for positive. */
  times: number;
}

/**
 * Spots by the scale-normalised Laplacian of a Gaussian (Lindeberg 1998): a spot of radius r answers
 * strongest at σ = r ÷ √2. A place that answers more strongly than its neighbours in place and size is one; long ones
 * are edges. Of two that lie in one another the stronger stays.
 *
 * @returns from the strongest down.
 */
export function findSpots(photo: Grey, { outline, lighter = false, radius, contrast, onProgress }: SpotSearch): Spot[] {
  const levels = levelsOf(photo, radius, lighter, onProgress);
  const found: Spot[] = [];
  for (let k = 1; k + 1 < levels.length; k++) found.push(...peaksOf(levels, k, (contrast ?? LEAST_CONTRAST) * PEAK));
  const inside = outline ? found.filter(({ at }) => isWithin(outline, at)) : found;
  const spots = apart(inside.sort((a, b) => b.contrast - a.contrast));
  if (contrast !== undefined || spots.length === 0) return spots;
  // Spots of one animal are about as plain as one another; what is much fainter is its ground.
  const plain = spots[Math.min(spots.length - 1, PLAINEST)].contrast;
  return spots.filter((spot) => spot.contrast >= FAINT * plain);
}

function levelsOf(
  photo: Grey,
  [least, most]: readonly [number, number],
  lighter: boolean,
  onProgress?: (share: number) => void,
): Level[] {
  const first = Math.log2(Math.max(OWN * 1.5, least / Math.SQRT2)) - 1 / STEPS;
  const count = Math.ceil((Math.log2(most / Math.SQRT2) + 1 / STEPS - first) * STEPS) + 1;
  const levels: Level[] = [];
  let so: Shades = { ...photo, data: new Float32Array(photo.data) };
  let [soft, step] = [OWN, 1];
  // Large spots are not looked for in more pixels than they need.
  for (; 2 ** first / step >= COARSE && isLarge(so); step *= 2) {
    so = halved(blurred(so, Math.sqrt((COARSE * step) ** 2 - soft ** 2) / step));
    soft = COARSE * step;
  }
  for (let k = 0; k < count; k++) {
    const sd = 2 ** (first + k / STEPS);
    so = blurred(so, Math.sqrt(Math.max(0, sd ** 2 - soft ** 2)) / step);
    soft = sd;
    levels.push({ ...so, sd, step, times: (sd / step) ** 2 * (lighter ? -1 : 1) });
    if (sd / step >= COARSE && isLarge(so)) {
      so = halved(so);
      step *= 2;
    }
    onProgress?.((k + 1) / count);
  }
  return levels;
}

const isLarge = ({ width, height }: Shades) => Math.min(width, height) > 64;

/** How much darker a pixel is than its eight neighbours, so that it does not depend on direction (Lindeberg's γ = 1/3). */
function laplacian(data: Float32Array, width: number, i: number): number {
  const cross = data[i - 1] + data[i + 1] + data[i - width] + data[i + width];
  const slant = data[i - width - 1] + data[i - width + 1] + data[i + width - 1] + data[i + width + 1];
  return (4 * cross + slant - 20 * data[i]) / 6;
}

/** What each pixel of a row of a level answers; the outermost nothing. */
function answerRow({ width, data, times }: Level, y: number, out: Float32Array): void {
  const [above, here, below] = [(y - 1) * width, y * width, (y + 1) * width];
  // What stands above and below is added once for the three places that ask for it.
  let [before, beside, left, middle] = [data[above] + data[below], data[above + 1] + data[below + 1], data[here], data[here + 1]];
  for (let x = 1; x < width - 1; x++) {
    const after = data[above + x + 1] + data[below + x + 1];
    const right = data[here + x + 1];
    out[x] = ((4 * (left + right + beside) + before + after - 20 * middle) / 6) * times;
    before = beside;
    beside = after;
    left = middle;
    middle = right;
  }
}

function peaksOf(levels: readonly Level[], k: number, least: number): Spot[] {
  const level = levels[k];
  const { width, height, step, sd } = level;
  const spots: Spot[] = [];
  // Three rows are at hand: a photo of them all would have to be fetched from afar again.
  let [upper, row, lower] = [new Float32Array(width), new Float32Array(width), new Float32Array(width)];
  if (height < 5) return spots;
  answerRow(level, 1, row);
  answerRow(level, 2, lower);
  for (let y = 2; y < height - 2; y++) {
    [upper, row, lower] = [row, lower, upper];
    answerRow(level, y + 1, lower);
    for (let x = 2; x < width - 2; x++) {
      const v = row[x];
      if (v < least || v < row[x - 1] || v <= row[x + 1] || v < upper[x] || v <= lower[x]) continue;
      if (v < upper[x - 1] || v < upper[x + 1] || v <= lower[x - 1] || v <= lower[x + 1]) continue;
      const [px, py] = [(x + 0.5) * step, (y + 0.5) * step];
      const below = answerNear(levels[k - 1], px, py, step);
      const above = answerNear(levels[k + 1], px, py, step);
      if (v < below || v < above) continue;
      const longer = lengthOver([upper, row, lower], x);
      if (longer > EDGE) continue;
      const bend = below - 2 * v + above;
      const shift = bend < 0 ? Math.max(-0.5, Math.min(0.5, (0.5 * (below - above)) / bend)) : 0;
      const size = sd * 2 ** (shift / STEPS);
      const dx = vertex(row[x - 1], v, row[x + 1]);
      const dy = vertex(upper[x], v, lower[x]);
      spots.push({
        // A halved pixel stands where the upper left of its four did.
        at: [px + (dx - 0.5) * step + 0.5, py + (dy - 0.5) * step + 0.5],
        radius: size * Math.SQRT2,
        contrast: v / PEAK,
        longer,
      });
    }
  }
  return spots;
}

/**
 * The strongest answer of a level about a place of the photo, as far as a pixel of the level that asks reaches: worked
 * out where it is asked, which is at a few places of many.
 */
function answerNear({ width, height, data, times, step }: Level, px: number, py: number, asking: number): number {
  const reach = asking > step ? asking / step : 1;
  const [cx, cy] = [Math.floor(px / step), Math.floor(py / step)];
  let most = Number.NEGATIVE_INFINITY;
  for (let y = Math.max(1, cy - reach); y <= Math.min(height - 2, cy + reach); y++)
    for (let x = Math.max(1, cx - reach); x <= Math.min(width - 2, cx + reach); x++)
      most = Math.max(most, laplacian(data, width, y * width + x) * times);
  return most;
}

/** Where the parabola through three neighbours has its top, from the middle one. */
function vertex(a: number, b: number, c: number): number {
  const bend = a - 2 * b + c;
  return bend < 0 ? Math.max(-0.5, Math.min(0.5, (0.5 * (a - c)) / bend)) : 0;
}

/** How much longer than wide a peak is: the root of the ratio of its two curvatures. */
function lengthOver([upper, row, lower]: readonly Float32Array[], x: number): number {
  const xx = row[x - 1] - 2 * row[x] + row[x + 1];
  const yy = upper[x] - 2 * row[x] + lower[x];
  const xy = (upper[x - 1] - upper[x + 1] - lower[x - 1] + lower[x + 1]) / 4;
  const [half, root] = [(xx + yy) / 2, Math.hypot((xx - yy) / 2, xy)];
  const [flat, steep] = [half + root, half - root];
  return flat < 0 ? Math.sqrt(steep / flat) : Number.POSITIVE_INFINITY;
}

/** Of spots that lie in one another the first stays. */
function apart(spots: readonly Spot[]): Spot[] {
  const cell = Math.max(1, ...spots.map(({ radius }) => radius)) * 2;
  const cells = new Map<string, Spot[]>();
  const kept: Spot[] = [];
  for (const spot of spots) {
    const [cx, cy] = spot.at.map((c) => Math.floor(c / cell));
    const near = [-1, 0, 1].flatMap((dx) => [-1, 0, 1].flatMap((dy) => cells.get(`${cx + dx},${cy + dy}`) ?? []));
    const covered = near.some((other) => {
      const between = Math.hypot(other.at[0] - spot.at[0], other.at[1] - spot.at[1]);
      return between < Math.max(other.radius, spot.radius);
    });
    if (covered) continue;
    kept.push(spot);
    const name = `${cx},${cy}`;
    cells.set(name, [...(cells.get(name) ?? []), spot]);
  }
  return kept;
}

/** Does a point lie within an outline (even–odd)? */
export function isWithin(outline: readonly PixelPoint[], [x, y]: PixelPoint): boolean {
  let inside = false;
  outline.forEach(([x0, y0], i) => {
    const [x1, y1] = outline[(i + 1) % outline.length];
    if (y0 > y !== y1 > y && x < x0 + ((y - y0) / (y1 - y0)) * (x1 - x0)) inside = !inside;
  });
  return inside;
}
