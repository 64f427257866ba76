import type { DrawnTile } from '../../guide/tileSchema';
import { seeded } from '../../probability';
import { discPath, dotPath, INK, linePath } from '../display';
import { type Box, boxOf, cut, flat, inside, type Point } from '../geometry';
import { type Pen, wash } from '../pen';

/** What is painted on a shape, for those that are painted. */
export type Painted = Pick<Extract<DrawnTile, { pattern?: unknown }>, 'colour' | 'second' | 'pattern'>;

/** A shape that says nothing of its colour. */
export const UNPAINTED = '#d8d0ba';
const SECOND = '#6d4a2e';

/** The pattern of a shape, inside of it. */
export function paintPattern(
  pen: Pen,
  part: string,
  polygon: readonly Point[],
  { pattern = 'plain', second = SECOND }: Painted,
  tip: 'up' | 'right' = 'up',
): void {
  const box = boxOf(polygon);
  const byHeight = (from: number, to: number) =>
    cut(cut(polygon, [0, box.y + from * box.height], [0, 1]), [0, box.y + to * box.height], [0, -1]);
  const byWidth = (from: number, to: number) =>
    cut(cut(polygon, [box.x + from * box.width, 0], [1, 0]), [box.x + to * box.width, 0], [-1, 0]);
  // Shares run from the tip, and from one side.
  const across = tip === 'up' ? byHeight : (from: number, to: number) => byWidth(1 - to, 1 - from);
  const along = tip === 'up' ? byWidth : byHeight;
  const ink = (d: string, of: { fill?: string; stroke?: string; strokeWidth?: number }) => d && pen.inks.push({ d, part, ...of });
  const middle: Point = [box.x + box.width / 2, box.y + box.height / 2];
  const small = Math.min(box.width, box.height);
  switch (pattern) {
    case 'plain':
      return;
    case 'barred':
      for (const from of [0.12, 0.36, 0.6, 0.84]) wash(pen, part, across(from, from + 0.11), second);
      return;
    case 'striped':
      for (const from of [0.1, 0.38, 0.66]) wash(pen, part, along(from, from + 0.18), second);
      return;
    case 'tipped':
      return wash(pen, part, across(0, 0.24), second);
    case 'based':
      return wash(pen, part, across(0.76, 1), second);
    case 'two-toned':
      return wash(pen, part, along(0.5, 1), second);
    case 'edged': {
      const edge = polygon.filter((_, i) => i % 2 === 0);
      const inner = edge.map(([x, y]): Point => [middle[0] + (x - middle[0]) * 0.8, middle[1] + (y - middle[1]) * 0.86]);
      ink(linePath(edge) + linePath(inner), { fill: second });
      return;
    }
    case 'centred':
      ink(discPath([{ at: middle, radius: 0.2 * small }]), { fill: second });
      return;
    case 'eyed':
      for (const [radius, fill] of [
        [0.27, second],
        [0.17, '#f2ead2'],
        [0.09, INK],
      ] as const)
        ink(discPath([{ at: middle, radius: radius * small }]), { fill });
      return;
    case 'spotted':
      ink(discPath(insideGrid(polygon, box, 0.24 * spread(box), 0.07 * small)), { fill: second });
      return;
    case 'blotched':
      for (const { at, radius } of insideGrid(polygon, box, 0.33 * spread(box), 0.1 * small, 'blotches'))
        wash(pen, part, blotch(at, radius * 1.25), second);
      return;
    case 'speckled':
      ink(dotPath(insideGrid(polygon, box, 0.13 * spread(box), 0.02 * small, 'speckles').map(({ at }) => at)), {
        stroke: second,
        strokeWidth: Math.max(1, Math.round(small * 3.6)),
      });
      return;
    case 'netted':
      ink(lattice(polygon, box, 0.24 * spread(box)), { stroke: second, strokeWidth: Math.max(1, Math.round(small * 2)) });
  }
}

/** How far things on a shape lie from each other is told by this: between its two sizes. */
export const spread = ({ width, height }: Box): number => Math.sqrt(width * height);

/** Discs in rows, every other row between those of the row above, as many as are wholly inside. */
export function insideGrid(
  polygon: readonly Point[],
  box: Box,
  pitch: number,
  radius: number,
  unrest?: string,
): { at: Point; radius: number }[] {
  const edge = flat(polygon);
  const random = unrest ? seeded(unrest) : () => 0.5;
  const discs: { at: Point; radius: number }[] = [];
  const rows = Math.ceil(box.height / (pitch * 0.87) / 2) + 1;
  const columns = Math.ceil(box.width / pitch / 2) + 1;
  for (let row = -rows; row <= rows; row++)
    for (let column = -columns; column <= columns; column++) {
      const off = row % 2 ? 0.5 : 0;
      const x = box.x + box.width / 2 + (column + off + (random() - 0.5) * 0.5) * pitch;
      const y = box.y + box.height / 2 + (row * 0.87 + (random() - 0.5) * 0.5) * pitch;
      const here = radius * (unrest ? 0.8 + 0.4 * random() : 1);
      if (ROUND.every(([dx, dy]) => inside(edge, x + dx * here, y + dy * here))) discs.push({ at: [x, y], radius: here });
    }
  return discs;
}

const ROUND: readonly Point[] = Array.from({ length: 8 }, (_, i): Point => {
  const a = (i * Math.PI) / 4;
  return [Math.cos(a) * 1.15, Math.sin(a) * 1.15];
});

const blotch = ([x, y]: Point, radius: number): Point[] =>
  ROUND.map(([dx, dy], i): Point => [x + dx * radius * (i % 2 ? 0.74 : 1), y + dy * radius * (i % 3 ? 0.92 : 0.7)]);

/** Lines aslant both ways, as far as they are inside. */
function lattice(polygon: readonly Point[], box: Box, pitch: number): string {
  const edge = flat(polygon);
  const reach = box.width + box.height;
  const steps = 60;
  let d = '';
  for (const lean of [1, -1])
    for (let from = -Math.ceil(reach / pitch) * pitch; from <= reach; from += pitch) {
      let run: Point[] = [];
      const end = () => {
        if (run.length > 1) d += linePath([run[0], run[run.length - 1]], false);
        run = [];
      };
      for (let i = 0; i <= steps; i++) {
        const y = box.y + (i / steps) * box.height;
        const x = box.x + box.width / 2 + from + lean * 0.7 * (y - box.y - box.height / 2);
        if (inside(edge, x, y)) run.push([x, y]);
        else end();
      }
      end();
    }
  return d;
}
