import type { Line, Quantity } from '../guide/working';
import { placesOf } from './points';
import type { PixelPoint, PointSet } from './schema';

/** What is drawn of a measured quantity: the lines it was taken along, and single places that were counted. */
export interface Drawn {
  lines: { points: PixelPoint[]; closed: boolean }[];
  places: PixelPoint[];
}

/** The lines and places of a quantity, as they were set; what is missing is left out. */
export function drawnOf(quantity: Quantity, set: PointSet): Drawn {
  const at = (id: string): PixelPoint[] => (set[id] ? placesOf(set[id]) : []);
  const along = ({ points }: Line) => points.flatMap(at);
  const open = (...lines: PixelPoint[][]): Drawn => ({
    lines: lines.filter(({ length }) => length > 1).map((points) => ({ points, closed: false })),
    places: [],
  });
  switch (quantity.kind) {
    case 'length':
      return open(along(quantity.line));
    case 'ratio':
      return open(along(quantity.numerator), along(quantity.denominator));
    case 'reach':
      return open(
        [...at(quantity.from), ...at(quantity.to)],
        [...at(quantity.past), ...at(quantity.tip)],
        quantity.denominator ? along(quantity.denominator) : [],
      );
    case 'angle':
      return open(quantity.points.flatMap(at));
    case 'dip':
    case 'raggedness':
      return open(at(quantity.path));
    case 'count':
      return { ...open(quantity.axis ? quantity.axis.flatMap(at) : []), places: at(quantity.markers) };
    default:
      return { lines: [{ points: at(quantity.outline), closed: true }].filter(({ points }) => points.length > 2), places: [] };
  }
}
