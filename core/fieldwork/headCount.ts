import { chapman, type Abundance } from './abundance';
import { done, failed, type Outcome } from '../problem';

/** Heads against what was expected. */
export interface HeadCount {
  missing: string[];
  surplus: string[];
}

/** Who is missing and who is there unexpectedly, where individuals are known by name. */
export function byName(expected: readonly string[], seen: readonly string[]): HeadCount {
  const [ought, are] = [new Set(expected), new Set(seen)];
  return { missing: expected.filter((one) => !are.has(one)), surplus: [...are].filter((one) => !ought.has(one)) };
}

/**
 * How probable is it that so many or more were overlooked, each with the same chance and by itself,
 * though all were there? Binomial tail.
 *
 * @param expected heads; @param counted fewer; @param overlooks chance to overlook one, 0..1.
 */
export function overlooked(expected: number, counted: number, overlooks: number): Outcome<number> {
  if (!(overlooks >= 0 && overlooks <= 1))
    return failed({ code: 'bad-chance', message: 'The chance to overlook one lies between 0 and 1.', field: 'overlooks' });
  if (counted >= expected) return done(1);
  const missed = expected - counted;
  let term = (1 - overlooks) ** expected;
  let below = 0;
  for (let k = 0; k < missed; k++) {
    below += term;
    term *= ((expected - k) / (k + 1)) * (overlooks / (1 - overlooks));
  }
  return done(overlooks === 1 ? 1 : Math.max(0, 1 - below));
}

/** Two who counted the same animals, each by itself: how many there were, and how often each overlooks one. */
export interface TwoCounters extends Abundance {
  /** Share of those the other saw that the first and the second overlooked. */
  overlooks: readonly [number | undefined, number | undefined];
}

/**
 * Two counters reconciled, as two visits with marks are (Lincoln–Petersen with Chapman's 1951
 * correction and Seber's 1970 variance): those that both saw are the ones met again.
 */
export function twoCounters(first: readonly string[], second: readonly string[]): Outcome<TwoCounters> {
  const [a, b] = [new Set(first), new Set(second)];
  const both = [...a].filter((one) => b.has(one)).length;
  const found = chapman(a.size, b.size, both);
  if (!found.ok) return found;
  const share = (missed: number, of: number) => (of ? missed / of : undefined);
  return done({ ...found.value, overlooks: [share(b.size - both, b.size), share(a.size - both, a.size)] });
}
