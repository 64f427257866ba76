import type { Plate } from './display';
import type { Point } from './geometry';

/** A character to be pointed at. */
export interface PointedPart {
  part: string;
  text: string;
}

/** A character with its line: from the label beside the plate to the part on it. Millimetres. */
export interface Leader extends PointedPart {
  side: 'left' | 'right';
  /** Where the label's line begins, at the edge of the plate. */
  from: Point;
  to: Point;
}

/**
 * Leader lines from the edges of a plate to its parts: each goes to the nearer
 * side, the two sides are kept even, labels stand in the order of their parts so
 * that no two lines cross, and at least `gap` apart. Characters whose part is not on
 * the plate are left out; several characters of one part share one line.
 *
 * @param gap least distance between two labels, in millimetres.
 */
export function leadersOf(plate: Plate, characters: readonly PointedPart[], gap: number): Leader[] {
  const { box } = plate;
  const middle = box.x + box.width / 2;
  const byPart = new Map<string, string[]>();
  for (const { part, text } of characters) if (plate.parts[part]) byPart.set(part, [...(byPart.get(part) ?? []), text]);
  const placed = [...byPart].map(([part, texts]) => ({ part, text: texts.join('; '), to: pointOf(plate, part, middle) }));
  placed.sort((a, b) => a.to[0] - b.to[0]);
  const half = Math.ceil(placed.length / 2);
  return (['left', 'right'] as const).flatMap((side) => {
    const own = (side === 'left' ? placed.slice(0, half) : placed.slice(half)).sort((a, b) => a.to[1] - b.to[1]);
    const heights = spaced(
      own.map(({ to }) => to[1]),
      gap,
      box.y,
      box.y + box.height,
    );
    const x = side === 'left' ? box.x : box.x + box.width;
    return own.map(({ part, text, to }, i): Leader => ({ part, text, side, from: [x, heights[i]], to }));
  });
}

/** Where a part is pointed at: its middle, or for one that lies on both sides of the plate, on its left. */
function pointOf(plate: Plate, part: string, middle: number): Point {
  const own = plate.parts[part];
  const centre: Point = [own.x + own.width / 2, own.y + own.height / 2];
  const paired = own.width > plate.box.width * 0.15 && Math.abs(centre[0] - middle) < own.width * 0.08;
  return paired ? [own.x + own.width * 0.24, centre[1]] : centre;
}

/** Heights as near to those wanted as a gap between any two allows, within the plate where there is room. */
function spaced(wanted: readonly number[], gap: number, top: number, foot: number): number[] {
  const down: number[] = [];
  wanted.forEach((y, i) => down.push(i === 0 ? Math.max(top + gap / 2, y) : Math.max(down[i - 1] + gap, y)));
  const over = Math.max(0, (down[down.length - 1] ?? foot) - (foot - gap / 2));
  let limit = Infinity;
  return down
    .map((y) => y - over)
    .reverse()
    .map((y, i) => {
      const own = Math.min(down[down.length - 1 - i], Math.max(y, top + gap / 2 + gap * (down.length - 1 - i)), limit);
      limit = own - gap;
      return own;
    })
    .reverse();
}
