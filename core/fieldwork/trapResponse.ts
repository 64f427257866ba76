/**
 * Do animals come back to the traps more, or less, often once they are marked? Under constant
 * catching, and however much animals differ from one another, all ways in which one that was met
 * s times of k can have been are equally probable; so, therefore, is how soon it was first met. The
 * visits at which animals were first met are added up and held against the exact distribution
 * of that sum (by convolution), given how often each was met: behavioural response, as model M_b
 * of Otis et al. (1978) against those without it. Trap-happy ones are first met too late for how
 * often they come, shy ones too early. Visits are taken to be alike in effort.
 *
 * @param visits the marks at each.
 * @returns undefined where no animal was met twice: nothing tells. p is two-sided.
 */
export function trapResponse(visits: readonly (readonly string[])[]): { p: number; happy: boolean } | undefined {
  const k = visits.length;
  const met = new Map<string, { first: number; times: number }>();
  visits.forEach((marks, visit) =>
    marks.forEach((mark) => {
      const known = met.get(mark);
      met.set(mark, { first: known?.first ?? visit, times: (known?.times ?? 0) + 1 });
    }),
  );
  // One that came every time was first met at the first: it tells nothing.
  const telling = [...met.values()].filter(({ times }) => times > 1 && times < k);
  if (!telling.length) return undefined;
  const observed = telling.reduce((sum, { first }) => sum + first, 0);
  let sums = [1];
  for (const { times } of telling) {
    const own = firstOf(k, times);
    const next = new Array<number>(sums.length + own.length - 1).fill(0);
    sums.forEach((p, i) => own.forEach((q, j) => (next[i + j] += p * q)));
    sums = next;
  }
  const early = sums.slice(0, observed + 1).reduce((sum, p) => sum + p, 0);
  const late = sums.slice(observed).reduce((sum, p) => sum + p, 0);
  return { p: Math.min(1, 2 * Math.min(early, late)), happy: late < early };
}

/** P(first met at visit f) of one met `times` of `k`, every way being equally probable: C(k − 1 − f, times − 1) / C(k, times). */
function firstOf(k: number, times: number): number[] {
  const ways = Array.from({ length: k - times + 1 }, (_, f) => choose(k - 1 - f, times - 1));
  const all = ways.reduce((sum, way) => sum + way, 0);
  return ways.map((way) => way / all);
}

function choose(n: number, k: number): number {
  let ways = 1;
  for (let i = 1; i <= k; i++) ways *= (n - k + i) / i;
  return ways;
}
