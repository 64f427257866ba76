import { binomialTest, fisherTest, gammaBelow, gammaQuantile, garwood, seeded } from '.';

/** n over k by Pascal's triangle, for small numbers. */
const choose = (n: number, k: number): number => (k === 0 || k === n ? 1 : choose(n - 1, k - 1) + choose(n - 1, k));

describe('the gamma distribution', () => {
  it.each([
    [0.3, 0.5],
    [2, 0.5],
    [0.5, 3],
    [7, 3],
    [40, 30],
    [120, 100],
  ])('below %d with shape %d is the integral of its density', (x, a) => {
    // Simpson's rule in u = √t, where the density has no pole.
    const steps = 20_000;
    const f = (u: number) => (u === 0 ? (a === 0.5 ? 2 : 0) : 2 * u ** (2 * a - 1) * Math.exp(-u * u));
    const h = Math.sqrt(x) / steps;
    let sum = f(0) + f(Math.sqrt(x));
    for (let i = 1; i < steps; i++) sum += (i % 2 ? 4 : 2) * f(i * h);
    const whole = () => {
      const top = Math.sqrt(a + 40 * Math.sqrt(a) + 60);
      const k = top / steps;
      let total = f(0) + f(top);
      for (let i = 1; i < steps; i++) total += (i % 2 ? 4 : 2) * f(i * k);
      return (total * k) / 3;
    };
    expect(gammaBelow(x, a)).toBeCloseTo((sum * h) / 3 / whole(), 9);
  });

  it('is turned round by its quantile', () => {
    for (const a of [0.5, 1, 4.5, 60, 900])
      for (const p of [0.001, 0.025, 0.5, 0.975, 0.999]) expect(gammaBelow(gammaQuantile(p, a), a)).toBeCloseTo(p, 11);
    // χ² with one degree of freedom.
    expect(2 * gammaQuantile(0.95, 0.5)).toBeCloseTo(3.841458821, 8);
  });
});

describe('exact tests', () => {
  it('binomial: the sum over all that is no more probable', () => {
    expect(binomialTest(2, 10, 0.5)).toBeCloseTo(0.109375, 12);
    for (const [k, n, p] of [
      [0, 7, 0.3],
      [5, 7, 0.3],
      [3, 11, 0.5],
      [11, 12, 0.9],
    ]) {
      const all = Array.from({ length: n + 1 }, (_, i) => choose(n, i) * p ** i * (1 - p) ** (n - i));
      const naive = all.filter((one) => one <= all[k] * (1 + 1e-9)).reduce((sum, one) => sum + one, 0);
      expect(binomialTest(k, n, p)).toBeCloseTo(naive, 10);
    }
    expect(binomialTest(0, 0, 0.5)).toBe(1);
  });

  it('Fisher’s: the same over tables with these margins', () => {
    expect(
      fisherTest([
        [3, 1],
        [1, 3],
      ]),
    ).toBeCloseTo(34 / 70, 10);
    const random = seeded('tables');
    for (let i = 0; i < 60; i++) {
      const [a, b, c, d] = Array.from({ length: 4 }, () => Math.floor(random() * 7));
      const tables: { p: number; a: number }[] = [];
      for (let x = 0; x <= a + b; x++) {
        if (a + c - x < 0 || a + c - x > c + d) continue;
        tables.push({ a: x, p: (choose(a + b, x) * choose(c + d, a + c - x)) / choose(a + b + c + d, a + c) });
      }
      const own = tables.find((table) => table.a === a)!.p;
      const naive = tables.filter(({ p }) => p <= own * (1 + 1e-9)).reduce((sum, { p }) => sum + p, 0);
      expect(
        fisherTest([
          [a, b],
          [c, d],
        ]),
      ).toBeCloseTo(naive, 9);
    }
  });
});

it('Garwood’s interval leaves the tails it says, summed term by term', () => {
  expect(garwood(0)).toEqual({ low: 0, high: expect.closeTo(3.688879454, 8) as number });
  expect(garwood(10).low).toBeCloseTo(4.795389, 5);
  expect(garwood(10).high).toBeCloseTo(18.390356, 5);
  const upTo = (n: number, mean: number) => {
    let [term, sum] = [Math.exp(-mean), 0];
    for (let k = 0; k <= n; k++) [sum, term] = [sum + term, (term * mean) / (k + 1)];
    return sum;
  };
  for (const n of [1, 4, 23, 90]) {
    const { low, high } = garwood(n);
    expect(upTo(n, high)).toBeCloseTo(0.025, 9);
    expect(1 - upTo(n - 1, low)).toBeCloseTo(0.025, 9);
  }
});
