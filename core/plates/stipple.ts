import { seeded } from '../probability';
import { boxOf, type Point } from './geometry';

/** Dots of one unit square that repeats, in order of rank: any first n are evenly spread. */
const RANKS = 2400;

/** Cells along a side of the square; dots are looked up by cell. */
const CELLS = 24;

interface Dots {
  x: Float64Array;
  y: Float64Array;
  /** Dots of each cell in order of rank. */
  cells: number[][];
}

let ranked: Dots | undefined;

/**
 * A ranked blue-noise set: darts are thrown at a square that wraps round, each
 * kept when no dot is nearer than a distance that shrinks as the set fills
 * (progressive dart throwing, McCool & Fiume 1992). Made once.
 */
function rankedDots(): Dots {
  if (ranked) return ranked;
  const random = seeded('stipple');
  const x = new Float64Array(RANKS);
  const y = new Float64Array(RANKS);
  const grid: number[][] = Array.from({ length: CELLS * CELLS }, () => []);
  let scale = 0.8;
  let misses = 0;
  for (let count = 0; count < RANKS;) {
    const px = random();
    const py = random();
    if (isFree(px, py, scale / Math.sqrt(count + 1), x, y, grid, count)) {
      x[count] = px;
      y[count] = py;
      grid[Math.floor(py * CELLS) * CELLS + Math.floor(px * CELLS)].push(count++);
      misses = 0;
    } else if (++misses > 40) {
      scale *= 0.985;
      misses = 0;
    }
  }
  ranked = { x, y, cells: grid };
  return ranked;
}

function isFree(
  px: number,
  py: number,
  radius: number,
  x: Float64Array,
  y: Float64Array,
  grid: number[][],
  count: number,
): boolean {
  const limit = radius * radius;
  const clashes = (i: number) => {
    const dx = Math.abs(x[i] - px);
    const dy = Math.abs(y[i] - py);
    const wx = dx > 0.5 ? 1 - dx : dx;
    const wy = dy > 0.5 ? 1 - dy : dy;
    return wx * wx + wy * wy < limit;
  };
  const reach = Math.ceil(radius * CELLS);
  if (reach > 3) {
    for (let i = 0; i < count; i++) if (clashes(i)) return false;
    return true;
  }
  const cx = Math.floor(px * CELLS);
  const cy = Math.floor(py * CELLS);
  for (let gy = cy - reach; gy <= cy + reach; gy++) {
    for (let gx = cx - reach; gx <= cx + reach; gx++) {
      const cell = grid[((gy + CELLS) % CELLS) * CELLS + ((gx + CELLS) % CELLS)];
      for (let k = 0; k < cell.length; k++) if (clashes(cell[k])) return false;
    }
  }
  return true;
}

/**
 * Darkness at a point, 0 bare paper … 1 as dark as dots go. A tone that cannot
 * reach `needed` there may answer anything lower without working it out.
 */
export type Tone = (x: number, y: number, needed: number) => number;

/** Ranks above this are never drawn: solid black is for contours. */
const DARKEST = 0.85;

/**
 * Dots inside a polygon where their rank is below the tone, sorted into three
 * sizes that grow with the tone. The set is anchored to the sheet, so that a
 * dot stays where it is when a part moves a little.
 *
 * @param pitch side in millimetres of the square that holds all ranks.
 */
export function stipple(polygon: readonly Point[], tone: Tone, pitch: number): [Point[], Point[], Point[]] {
  const dots = rankedDots();
  const box = boxOf(polygon);
  const sizes: [Point[], Point[], Point[]] = [[], [], []];
  const cell = pitch / CELLS;
  const wrap = (k: number) => ((k % CELLS) + CELLS) % CELLS;
  for (let cy = Math.floor(box.y / cell); cy * cell <= box.y + box.height; cy++) {
    const edges = edgesBetween(polygon, cy * cell, (cy + 1) * cell);
    for (let cx = Math.floor(box.x / cell); cx * cell <= box.x + box.width; cx++) {
      const left = (cx - wrap(cx)) * cell;
      const top = (cy - wrap(cy)) * cell;
      const here = dots.cells[wrap(cy) * CELLS + wrap(cx)];
      for (let k = 0; k < here.length; k++) {
        const i = here[k];
        const rank = i / RANKS;
        if (rank >= DARKEST) break;
        const x = left + dots.x[i] * pitch;
        const y = top + dots.y[i] * pitch;
        const dark = tone(x, y, rank);
        if (rank < dark && within(edges, x, y)) sizes[dark > 0.55 ? 2 : dark > 0.25 ? 1 : 0].push([x, y]);
      }
    }
  }
  return sizes;
}

/** The polygon's edges that lie in a level strip: all that an even–odd test of a dot in it needs. */
function edgesBetween(polygon: readonly Point[], top: number, foot: number): number[] {
  const edges: number[] = [];
  let [bx, by] = polygon[polygon.length - 1];
  for (const [ax, ay] of polygon) {
    if ((ay > top || by > top) && (ay <= foot || by <= foot)) edges.push(ax, ay, bx, by);
    [bx, by] = [ax, ay];
  }
  return edges;
}

function within(edges: readonly number[], x: number, y: number): boolean {
  let odd = false;
  for (let i = 0; i < edges.length; i += 4) {
    const ay = edges[i + 1];
    const by = edges[i + 3];
    if (ay > y !== by > y && x < ((edges[i + 2] - edges[i]) * (y - ay)) / (by - ay) + edges[i]) odd = !odd;
  }
  return odd;
}
