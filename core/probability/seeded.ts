/** A source of numbers in [0, 1), the same for the same seed. */
export type RandomSource = () => number;

/**
 * Small fast counter-based generator (the finaliser of MurmurHash3 over a Weyl
 * sequence). Good enough for drawing individuals and test cases; not for secrets.
 *
 * @param seed any text or integer.
 */
export function seeded(seed: string | number): RandomSource {
  let state = typeof seed === 'number' ? seed >>> 0 : textHash(seed);
  return () => {
    state = (state + 0x9e3779b9) >>> 0;
    let x = state;
    x = Math.imul(x ^ (x >>> 16), 0x85ebca6b);
    x = Math.imul(x ^ (x >>> 13), 0xc2b2ae35);
    return ((x ^ (x >>> 16)) >>> 0) / 4294967296;
  };
}

/** FNV-1a over UTF-16 units. */
function textHash(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}
