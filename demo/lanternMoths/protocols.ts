import type { Protocol } from '@plesion/core/guide';
import { curveOver, edgeOf, lengthOf, ratioOf } from '../protocols';

/** How each measured character is taken on a photo. */
export const protocols: Record<string, Protocol> = {
  'wing-length': lengthOf('spread', ['root of the fore wing', 'tip of the fore wing']),
  'wing-ratio': ratioOf(
    'spread',
    ['root of the fore wing', 'tip of the fore wing'],
    ['front edge of the fore wing where it is broadest', 'hind corner of the fore wing'],
  ),
  'antenna-ratio': curveOver('spread', 'one feeler, from its foot to its tip', ['root of the fore wing', 'tip of the fore wing']),
  'band-ratio': ratioOf(
    'spread',
    ['inner edge of the midband, on the front edge of the wing', 'outer edge of the midband there'],
    ['root of the fore wing', 'tip of the fore wing'],
  ),
  'wing-edge': edgeOf('spread', 'raggedness', 'outer edge of the fore wing, from its tip to its hind corner', [
    { state: 'even', to: 1.02 },
    { state: 'wavy', from: 1.012 },
    { state: 'notched', from: 1.015 },
  ]),
};
