import type { Eye } from '@plesion/core/guide';

/** How somebody reads a value by eye, in words. */
export function sayEye({ ratio, spread }: Eye): string {
  const off = Math.round(100 * (ratio - 1));
  const middle =
    off === 0 ? 'right in the middle' : `${Math.abs(off)} in a hundred too ${off > 0 ? 'much' : 'little'} in the middle`;
  return `${middle}, scattering by ${Math.round(100 * spread)} in a hundred`;
}
