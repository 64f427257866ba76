import type { Protocol } from '@plesion/core/guide';
import { angleOf, countOf, lengthOf, ratioOf } from '../protocols';

/** How each measured character is taken on a photo. */
export const protocols: Record<string, Protocol> = {
  'shell-length': lengthOf('back', ['tip of the spire', 'end of the base']),
  'outline-ratio': ratioOf(
    'back',
    ['left edge of the shell at its widest', 'right edge at its widest'],
    ['tip of the spire', 'end of the base'],
  ),
  'spire-angle': angleOf('back', ['left shoulder', 'tip of the spire', 'right shoulder']),
  'aperture-ratio': ratioOf(
    'aperture',
    ['one edge of the opening at its middle', 'other edge of the opening there'],
    ['left edge of the shell at its widest', 'right edge at its widest'],
  ),
  'base-cords': countOf('back', 'each raised line round the base'),
  'dark-bands': countOf('back', 'each dark band round the body'),
};
