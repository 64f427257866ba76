/** A tone measured beside a grey card in the same light. */
export interface Tone {
  /** CIE L*, 0 black to 100 white. */
  lightness: number;
  sd: number;
}

/** A card: what it reflects, and how far that is known. */
export interface GreyCard {
  /** Share of the light, 0 to 1: .18 for the usual grey. */
  reflectance: number;
  /** Standard error of it. */
  error: number;
}

/** Shades of an area of the photo: their mean and the standard error of that, 0 to 255. */
export interface Shade {
  mean: number;
  error: number;
}

/**
 * How light a surface is, from its shade beside that of a grey card in the same light: both are
 * turned to light (sRGB transfer, IEC 61966-2-1), their ratio times the card's reflectance is
 * the surface's, and that is told as CIE L* (CIE 15:2004). Errors of both areas and of the card go in by the delta method.
 *
 * @returns undefined without a card that can be used: one that is black, or burnt out.
 */
export function toneOf(surface: Shade, card: Shade, { reflectance, error }: GreyCard): Tone | undefined {
  if (!(card.mean > 4 && card.mean < 250) || !(reflectance > 0)) return undefined;
  const [s, c] = [surface.mean, card.mean].map(light);
  if (c === 0) return undefined;
  const y = (reflectance * s) / c;
  const relative = Math.hypot(
    s === 0 ? 0 : (lightSlope(surface.mean) * surface.error) / s,
    (lightSlope(card.mean) * card.error) / c,
    error / reflectance,
  );
  return { lightness: lStar(y), sd: Math.abs(lStarSlope(y)) * y * relative };
}

/** Light of a coded shade, 0 to 1. */
function light(shade: number): number {
  const v = Math.min(255, Math.max(0, shade)) / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
}

function lightSlope(shade: number): number {
  const v = shade / 255;
  return (v <= 0.04045 ? 1 / 12.92 : (2.4 / 1.055) * ((v + 0.055) / 1.055) ** 1.4) / 255;
}

const EDGE = (6 / 29) ** 3;

/** CIE L* of a relative luminance. */
const lStar = (y: number): number => (y > EDGE ? 116 * Math.cbrt(y) - 16 : (29 / 3) ** 3 * y);
const lStarSlope = (y: number): number => (y > EDGE ? 116 / (3 * Math.cbrt(y) ** 2) : (29 / 3) ** 3);
