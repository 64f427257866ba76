import { garwood, lnChoose } from '../probability';
import { done, failed, type Outcome, type Problem } from '../problem';
import { trapResponse } from './trapResponse';

/** How many there are, as marks tell. */
export interface Abundance {
  method: 'chapman' | 'schnabel';
  /** Estimate; undefined where no mark was met again, which gives a lower bound only. */
  n?: number;
  /** 95 %; `null` for no upper bound. */
  interval: readonly [number, number | null];
  /** Standard error (Seber 1970), for two visits. */
  sd?: number;
  /** Different individuals met. */
  met: number;
  /** Marked ones met again, over all visits. */
  again: number;
  warnings: Problem[];
}

/** Fewer marks met again than this leave Chapman's estimate biased (Robson & Regier 1964). */
const FEW_AGAIN = 7;

/**
 * Two visits: Chapman's (1951) estimate of Lincoln's and Petersen's index, with Seber's (1970)
 * variance; the interval holds every number under which what was met again is not among the 2.5 %
 * least or the 2.5 % most (hypergeometric, exact), so that it keeps its 95 % with small numbers.
 *
 * @param first, second caught at each visit; @param both caught at both. Whole, 0 or more.
 */
export function chapman(first: number, second: number, both: number): Outcome<Abundance> {
  if (both > Math.min(first, second))
    return failed({ code: 'more-again', message: 'More were met again than were caught at one of the visits.', field: 'both' });
  const n = ((first + 1) * (second + 1)) / (both + 1) - 1;
  const variance = ((first + 1) * (second + 1) * (first - both) * (second - both)) / ((both + 1) ** 2 * (both + 2));
  const met = first + second - both;
  const warnings: Problem[] = [];
  if (both < FEW_AGAIN)
    warnings.push({
      code: 'few-again',
      message: `Only ${both} met again: under ${FEW_AGAIN} the estimate tends to be too low. Visit once more.`,
      field: 'both',
    });
  return done({
    method: 'chapman',
    n,
    interval: exactLimits(first, second, both),
    sd: Math.sqrt(variance),
    met,
    again: both,
    warnings,
  });
}

const TAIL = 0.025;

/** The least and the most there can be: monotone in the number, so found by halving. */
function exactLimits(first: number, second: number, both: number): readonly [number, number | null] {
  const met = first + second - both;
  const low = firstWhere(met, (n) => metAgain(first, second, n, (m) => m <= both) > TAIL);
  if (both === 0) return [low, null];
  return [low, firstWhere(met, (n) => metAgain(first, second, n + 1, (m) => m >= both) <= TAIL)];
}

/** The smallest number from `least` on of which it holds; from there on it always does. */
function firstWhere(least: number, holds: (n: number) => boolean): number {
  let [low, high] = [least, least + 1];
  while (!holds(high)) [low, high] = [high, high * 2];
  if (holds(least)) return least;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** Probability that the number met again is one of some, if there are n: hypergeometric, each term from the one before. */
function metAgain(first: number, second: number, n: number, counts: (m: number) => boolean): number {
  const least = Math.max(0, first + second - n);
  let ln = lnChoose(first, least) + lnChoose(n - first, second - least) - lnChoose(n, second);
  let sum = 0;
  for (let m = least; m <= Math.min(first, second); m++) {
    if (counts(m)) sum += Math.exp(ln);
    ln += Math.log(((first - m) * (second - m)) / ((m + 1) * (n - first - second + m + 1)));
  }
  return sum;
}

/** Under this probability by the exact test, marked and unmarked do not come alike. */
const UNLIKE = 0.05;

/**
 * Several visits with marks: Chapman for two; Schnabel's (1938) estimate for more, ΣCM / ΣR, with
 * limits by Garwood's (1936) of the Poisson count ΣR (wider than need be where a large share
 * is marked). From three visits on it is tested exactly whether marked ones come as unmarked ones
 * do (`trapResponse`): trap-happy animals make the estimate too low, trap-shy ones too high.
 *
 * @param visits the marks caught at each, in order of time; each mark once a visit.
 */
export function abundance(visits: readonly (readonly string[])[]): Outcome<Abundance> {
  const twice = visits.findIndex((marks) => new Set(marks).size < marks.length);
  if (twice >= 0) return failed({ code: 'mark-twice', message: 'A mark stands twice in one visit.', field: `visits[${twice}]` });
  if (visits.length < 2)
    return failed({ code: 'too-few-visits', message: 'An estimate needs two visits or more.', field: 'visits' });
  if (visits.length === 2) {
    const [first, second] = visits.map((marks) => new Set(marks));
    return chapman(first.size, second.size, [...second].filter((mark) => first.has(mark)).length);
  }
  const marked = new Set<string>();
  let [products, again] = [0, 0];
  visits.forEach((marks) => {
    products += marks.length * marked.size;
    again += marks.filter((mark) => marked.has(mark)).length;
    marks.forEach((mark) => marked.add(mark));
  });
  const met = marked.size;
  const { low, high } = garwood(again);
  const warnings: Problem[] = [];
  if (again === 0)
    warnings.push({
      code: 'none-again',
      message: 'No mark was met again: there is a lower bound and no estimate.',
      field: 'visits',
    });
  const response = trapResponse(visits);
  if (response && response.p < UNLIKE)
    warnings.push({
      code: response.happy ? 'trap-happy' : 'trap-shy',
      message: `Marked ones come ${response.happy ? 'more' : 'less'} often than unmarked ones (exact test, p = ${response.p.toPrecision(2)}): the estimate is likely too ${response.happy ? 'low' : 'high'}.`,
      field: 'visits',
    });
  return done({
    method: 'schnabel',
    ...(again > 0 ? { n: Math.max(met, products / again) } : {}),
    interval: [Math.max(met, products / high), low > 0 ? Math.max(met, products / low) : null],
    met,
    again,
    warnings,
  });
}
