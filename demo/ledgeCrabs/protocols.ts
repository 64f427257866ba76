import type { Protocol } from '@plesion/core/guide';
import { countOf, curveOver, lengthOf, ratioOf } from '../protocols';

/** How each measured character is taken on a photo. */
export const protocols: Record<string, Protocol> = {
  'carapace-width': lengthOf('dorsal', ['left edge of the carapace at its widest, teeth included', 'right edge at its widest']),
  'width-ratio': ratioOf(
    'dorsal',
    ['left edge of the carapace at its widest', 'right edge at its widest'],
    ['front edge on the midline', 'rear edge on the midline'],
  ),
  'abdomen-ratio': ratioOf(
    'ventral',
    ['left edge of the abdomen at its widest', 'right edge of the abdomen'],
    ['left edge of the breastplate at its widest', 'right edge of the breastplate'],
  ),
  'claw-ratio': ratioOf(
    'dorsal',
    ['wrist of the larger claw', 'tip of its fixed finger'],
    ['left edge of the carapace at its widest', 'right edge at its widest'],
  ),
  'claw-depth': ratioOf(
    'dorsal',
    ['upper edge of the larger claw at its deepest', 'lower edge there'],
    ['wrist of the larger claw', 'tip of its fixed finger'],
  ),
  'leg-ratio': curveOver('dorsal', 'second walking leg, from where it leaves the shell to its tip', [
    'left edge of the carapace at its widest',
    'right edge at its widest',
  ]),
  'side-teeth': countOf('dorsal', 'each side tooth of one side, from behind the eye to the widest point'),
};
