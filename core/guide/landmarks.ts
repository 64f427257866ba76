import type { Quantity } from './protocolSchema';

/** The landmarks that a quantity is worked out of. */
export function landmarksIn(quantity: Quantity): string[] {
  switch (quantity.kind) {
    case 'length':
      return quantity.line.points;
    case 'ratio':
      return [...quantity.numerator.points, ...quantity.denominator.points];
    case 'reach':
      return [quantity.tip, quantity.past, quantity.from, quantity.to, ...(quantity.denominator?.points ?? [])];
    case 'angle':
      return [...quantity.points];
    case 'count':
      return [quantity.markers, ...(quantity.axis ?? [])];
    case 'dip':
    case 'raggedness':
      return [quantity.path];
    default:
      return [quantity.outline];
  }
}
