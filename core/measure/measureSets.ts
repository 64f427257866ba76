import type { Quantity } from '../guide/working';
import { measure, type Measuring } from './measure';
import type { MeasureRequest, PointSet } from './schema';

/** One quantity as it is taken on a photo. */
export interface TakenSets extends Pick<MeasureRequest, 'scale' | 'photo'> {
  /** The points as they were set: once, and again for each repeat. */
  sets: readonly PointSet[];
  quantity: Quantity;
  /** How well the person points; what is usual, where it rests on no degrees of freedom. */
  own?: { sd: number; df?: number };
}

/** What a measurement comes to, in the application and on the server alike. */
export function measureSets({ sets: [points, ...repeats], quantity, own, ...rest }: TakenSets): Measuring {
  const known = own?.df !== undefined && Number.isFinite(own.df) ? { pointingSd: own.sd, pointingDf: own.df } : {};
  return measure({ points, repeats, quantities: [quantity], ...rest, ...known });
}
