import { done, failed, type Outcome, type Problem } from '../problem';

/** How many of a kind: counted, estimated in a range, or only as a share of all in percent. */
export type Amount =
  | { how: 'counted'; n: number }
  | { how: 'estimated'; from: number; to: number }
  | { how: 'shared'; fromPercent: number; toPercent: number };

export type Interval = readonly [low: number, high: number];

/** A flock of several kinds, each with the least and the most there can have been. */
export interface Flock {
  kinds: { kind: string; interval: Interval }[];
  total: Interval;
}

/**
 * A flock of several kinds, each counted, estimated or shared out in percent. All intervals are
 * what the statements together allow: kinds bound the whole, and the whole bounds each kind
 * (narrowed until nothing changes). Whole animals.
 *
 * @param total of all, where it was counted or estimated by itself.
 * @returns problems where the statements contradict one another.
 */
export function flock(
  parts: readonly { kind: string; amount: Amount }[],
  total?: Exclude<Amount, { how: 'shared' }>,
): Outcome<Flock> {
  const problems: Problem[] = [];
  const shares = parts.map(({ amount }) => (amount.how === 'shared' ? spanOf(amount) : undefined));
  parts.forEach(({ amount }, i) => {
    const [low, high] = spanOf(amount);
    if (!(low >= 0) || !(high >= low) || (amount.how === 'shared' && high > 1))
      problems.push({
        code: 'bad-range',
        message: 'A range goes from the smaller to the larger, and a share to 100 at most.',
        field: `parts[${i}]`,
      });
  });
  if (problems.length) return { ok: false, problems };
  if (shares.some(Boolean) && !total && parts.every(({ amount }) => amount.how === 'shared'))
    return failed({
      code: 'no-number',
      message: 'All are shares: say how many there were of all, or of one kind.',
      field: 'total',
    });

  let all: Interval = total ? spanOf(total) : OPEN;
  let kinds: Interval[] = parts.map(({ amount }) => (amount.how === 'shared' ? OPEN : spanOf(amount)));
  // What is not told as a share is the rest of the whole.
  const most = parts.reduce((sum, { amount }) => sum + (amount.how === 'shared' ? 0 : spanOf(amount)[1]), 0);
  const left = 1 - shares.reduce((sum, share) => sum + (share?.[1] ?? 0), 0);
  if (shares.some(Boolean) && left > 0) all = [all[0], Math.min(all[1], Math.floor(most / left + 1e-9))];
  const narrowed = (a: Interval, b: Interval): Interval => [Math.max(a[0], b[0]), Math.min(a[1], b[1])];
  for (let pass = 0; pass < 100; pass++) {
    const before = JSON.stringify([all, kinds]);
    const sum = (end: 0 | 1) => kinds.reduce((s, interval) => s + interval[end], 0);
    all = narrowed(all, [sum(0), sum(1)]);
    kinds = kinds.map((own, i) => {
      const others: Interval = [sum(0) - own[0], kinds.reduce((high, one, k) => (k === i ? high : high + one[1]), 0)];
      const rest = narrowed(own, [all[0] - others[1], all[1] - others[0]]);
      const share = shares[i];
      return share ? narrowed(rest, [Math.ceil(share[0] * all[0] - 1e-9), Math.floor(share[1] * all[1] + 1e-9)]) : rest;
    });
    kinds.forEach((own, i) => {
      const share = shares[i];
      if (!share) return;
      all = narrowed(all, [
        share[1] > 0 ? Math.ceil(own[0] / share[1] - 1e-9) : all[0],
        share[0] > 0 ? Math.floor(own[1] / share[0] + 1e-9) : all[1],
      ]);
    });
    if (all[1] < all[0] || kinds.some(([low, high]) => high < low))
      return failed({
        code: 'contradiction',
        message: 'The parts and the whole contradict one another; check the numbers.',
        field: 'parts',
      });
    if (JSON.stringify([all, kinds]) === before) break;
  }
  if (all[1] === Number.POSITIVE_INFINITY)
    return failed({
      code: 'no-number',
      message: 'The shares leave open how many there were: say how many of all.',
      field: 'total',
    });
  return done({ kinds: parts.map(({ kind }, i) => ({ kind, interval: kinds[i] })), total: all });
}

const OPEN: Interval = [0, Number.POSITIVE_INFINITY];

/** The least and the most that a statement says: animals, or shares of 1. */
function spanOf(amount: Amount): Interval {
  if (amount.how === 'counted') return [amount.n, amount.n];
  if (amount.how === 'estimated') return [amount.from, amount.to];
  return [amount.fromPercent / 100, amount.toPercent / 100];
}
