import type { Quantity } from './quantities';
import { unitOf } from './units';

/** "(rarely", "(occasionally up to": what stands between a number and the one that it rarely comes to. */
const RARELY_TO =
  /^\s*\(\s*(?:very\s+)?(?:rarely|seldom|sometimes|occasionally|exceptionally),?\s+(?:(?:only|up|down)\s+)?(?:(?:to|from|as (?:many|much|long|large|few|little|short|small) as)\s+)?$/i;
/** As much as may stand between the two. */
const REACH = 40;

const isClosed = ({ low, high, lowOpen, highOpen }: Quantity) => low !== undefined && high !== undefined && !lowOpen && !highOpen;

/** A number as it stands, from `from` up to `to`. */
interface Standing {
  low: number;
  high: number;
  unit?: string;
  from: number;
  to: number;
}

/**
 * A number with the one in brackets behind it that it rarely comes to: "8–12 mm (rarely to 14)" is 8 to 14, as
 * "8–12(–14) mm" is. Undefined where the next is no such.
 */
export function withException(text: string, number: Quantity | undefined, next: Standing): Quantity | undefined {
  if (!number || next.from - number.to > REACH || !isClosed(number)) return undefined;
  const end = /^ ?(\p{L}{1,3}|%)? ?\)/u.exec(text.slice(next.to, next.to + 6));
  const unit = end?.[1] ?? next.unit;
  if (!end || (unit !== undefined && unitOf(unit) !== number.unit) || !RARELY_TO.test(text.slice(number.to, next.from)))
    return undefined;
  const to = next.to + end[0].length;
  const bounds = { low: Math.min(number.low!, next.low), high: Math.max(number.high!, next.high) };
  return { ...number, ...bounds, to, text: text.slice(number.from, to) };
}
