import type { Problem } from '../problem';
import { planeOf, type Plane } from './plane';
import { pixelSize, type PixelSize, TILT_SHARE } from './scale';
import type { MeasureRequest } from './schema';

/** What the points lie in: pixels as they are, pixels of a known size, or a plane put right. */
export type Ground = { kind: 'pixels' } | { kind: 'sized'; size: PixelSize } | { kind: 'plane'; plane: Plane; sd: number };

/** The ground that a request tells; what is wrong with its scale is added to the warnings, and then it is pixels. */
export function groundOf({ scale }: MeasureRequest, pointingSd: number, warnings: Problem[]): Ground {
  if (!scale || scale.kind === 'none') return { kind: 'pixels' };
  if (scale.kind === 'lengths') {
    const size = pixelSize(scale.references, pointingSd);
    if (!size) {
      warnings.push({
        code: 'scale-without-length',
        message: 'The scale has no length: set its two ends apart.',
        field: 'scale.references',
      });
      return { kind: 'pixels' };
    }
    if (size.disagreement > TILT_SHARE)
      warnings.push({
        code: 'scales-disagree',
        message: `The scales differ by ${Math.round(size.disagreement * 100)} in 100: the photo is tilted, or one of them is wrong. Lengths may be out by as much; a grid would put it right.`,
        field: 'scale.references',
      });
    return { kind: 'sized', size };
  }
  const plane = planeOf(scale.points);
  if (!plane) {
    warnings.push({
      code: 'no-plane',
      message: 'The grid makes no plane: set at least four of its crossings, no three of them in one line.',
      field: 'scale.points',
    });
    return { kind: 'pixels' };
  }
  // Where the crossings lie further off than pointing explains, that is the error they are known with.
  const sd = Math.max(pointingSd, plane.spare > 0 ? plane.reprojection * Math.sqrt((plane.spare + 8) / plane.spare / 2) : 0);
  if (sd > 3 * pointingSd)
    warnings.push({
      code: 'grid-uneven',
      message: `The crossings lie ${plane.reprojection.toFixed(1)} px from where a flat grid has them: check each, or the grid is bent.`,
      field: 'scale.points',
    });
  return { kind: 'plane', plane, sd };
}
