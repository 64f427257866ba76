import { normalBelow } from '../probability';
import { TAIL_WIDTH, tailedLogDensity } from './density';

/** Equal shares of the individuals of a kind that a drawn value stands for. */
const SHARES = 2048;
const FARTHEST = 9;

const known = new Map<number, Float64Array>();

/**
 * log2 densities of the values that individuals of one kind have, one for each of
 * 2,048 equal shares of them: of the near component and of the wide one, each at
 * the middle quantiles of |z| of its shares. To draw a value's density is to take
 * one of them.
 *
 * @param tail share of the wide component, 0 … 1.
 */
export function tailedBits(tail: number): Float64Array {
  const made = known.get(tail);
  if (made) return made;
  const wide = Math.round(tail * SHARES);
  const bits = new Float64Array(SHARES);
  for (let i = 0; i < SHARES; i++) {
    const z = i < wide ? TAIL_WIDTH * halfNormal((i + 0.5) / wide) : halfNormal((i - wide + 0.5) / (SHARES - wide));
    bits[i] = tailedLogDensity(z * z, tail) * Math.LOG2E;
  }
  known.set(tail, bits);
  return bits;
}

/** The |z| that a share of a normal distribution lies within, by halving the interval. */
function halfNormal(share: number): number {
  let [low, high] = [0, FARTHEST];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (2 * normalBelow(middle, 0, 1) - 1 < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
