import type { Protocol } from '@plesion/core/guide';
import { countOf, countOfSides, curveOver, lengthOf, ratioOf } from '../protocols';

/** How each measured character is taken on a photo. */
export const protocols: Record<string, Protocol> = {
  'body-length': lengthOf('dorsal', ['front edge of the head, jaws left out', 'tip of the wing cases']),
  'elytra-ratio': ratioOf(
    'dorsal',
    ['front end of the seam of the wing cases', 'hind end of the seam'],
    ['left edge of the wing cases at their widest', 'right edge there'],
  ),
  'pronotum-ratio': ratioOf(
    'dorsal',
    ['left edge of the neck shield at its widest', 'right edge there'],
    ['front edge of the neck shield on the midline', 'hind edge on the midline'],
  ),
  'antenna-reach': curveOver('dorsal', 'one feeler, from its foot to its tip', [
    'front edge of the head, jaws left out',
    'tip of the wing cases',
  ]),
  'spur-ratio': ratioOf(
    'hind-leg',
    ['foot of the longer spur', 'its tip'],
    ['where the first segment of the foot begins', 'where it ends'],
  ),
  'puncture-rows': countOfSides(
    'dorsal',
    'each row of punctures, on a line across the middle of both wing cases',
    ['hind end of the seam of the wing cases', 'front end of the seam'],
    true,
  ),
  'foot-segments': countOf('hind-leg', 'each segment of the hind foot, claws left out'),
};
