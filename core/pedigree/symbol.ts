import type { Sex } from '../guide/heredityVocabulary';
import { HALF } from './chart';

/** A diamond of the same area as the square reaches further. */
const DIAMOND = HALF * 1.12;

/** The outline of a symbol about the origin: a circle for a female, a square for a male, a diamond where it is not known. */
export function outlinePath(sex: Sex | undefined): string {
  if (sex === 'male') return `M${-HALF} ${-HALF}H${HALF}V${HALF}H${-HALF}Z`;
  if (sex === 'female') return `M${-HALF} 0A${HALF} ${HALF} 0 1 1 ${HALF} 0A${HALF} ${HALF} 0 1 1 ${-HALF} 0Z`;
  return `M0 ${-DIAMOND}L${DIAMOND} 0L0 ${DIAMOND}L${-DIAMOND} 0Z`;
}

/**
 * The lower part of a symbol, as high as a share of it.
 *
 * @param share from 0 to 1.
 */
export function shadedPath(sex: Sex | undefined, share: number): string {
  const half = sex === undefined ? DIAMOND : HALF;
  const top = half - 2 * half * Math.min(1, Math.max(0, share));
  const n = (value: number) => Number(value.toFixed(2));
  if (sex === 'male') return `M${-HALF} ${n(top)}H${HALF}V${HALF}H${-HALF}Z`;
  if (sex === 'female') {
    if (top <= -HALF) return outlinePath(sex);
    const wide = n(Math.sqrt(Math.max(0, HALF * HALF - top * top)));
    return `M${-wide} ${n(top)}A${HALF} ${HALF} 0 ${top < 0 ? 1 : 0} 0 ${wide} ${n(top)}Z`;
  }
  const wide = n(half - Math.abs(top));
  return top > 0
    ? `M${-wide} ${n(top)}L${wide} ${n(top)}L0 ${half}Z`
    : `M${-wide} ${n(top)}L${wide} ${n(top)}L${half} 0L0 ${half}L${-half} 0Z`;
}

/** The stroke through the symbol of one that is dead. */
export const DEAD = `M${-HALF - 7} ${HALF + 7}L${HALF + 7} ${-HALF - 7}`;

/** How wide the band at the side of a symbol is that tells its strains, and from where. */
export const BAND = { x: -HALF - 9, width: 6 };

/** The parts of that band, from below: as high as the share of each strain. */
export function bandOf(
  shares: Readonly<Record<string, number>>,
  strains: readonly string[],
): { strain: string; y: number; height: number }[] {
  let y = HALF;
  return strains.flatMap((strain) => {
    const height = 2 * HALF * (shares[strain] ?? 0);
    if (!height) return [];
    y -= height;
    return [{ strain, y, height }];
  });
}
