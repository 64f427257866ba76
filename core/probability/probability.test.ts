import {
  erf,
  fQuantile,
  lnGamma,
  multivariateT,
  normal,
  normalBelow,
  normalMass,
  normalQuantile,
  pick,
  seeded,
  tBelow,
  tQuantile,
} from '.';

describe('chance', () => {
  it('is the same for the same seed and different for another', () => {
    const draw = (seed: string | number) => Array.from({ length: 5 }, seeded(seed));
    expect(draw('crab')).toEqual(draw('crab'));
    expect(draw('crab')).not.toEqual(draw('cone'));
    expect(draw(7)).not.toEqual(draw(8));
  });

  it('is even, and normal deviates have mean 0 and variance 1', () => {
    const random = seeded(1);
    const uniform = Array.from({ length: 20_000 }, random);
    expect(uniform.reduce((a, b) => a + b, 0) / 20_000).toBeCloseTo(0.5, 1);
    expect(Math.min(...uniform)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...uniform)).toBeLessThan(1);
    const deviates = Array.from({ length: 20_000 }, () => normal(random));
    expect(deviates.reduce((a, b) => a + b, 0) / 20_000).toBeCloseTo(0, 1);
    expect(deviates.reduce((a, b) => a + b * b, 0) / 20_000).toBeCloseTo(1, 1);
  });

  it('picks by weight', () => {
    const random = seeded(2);
    const counts = [0, 0, 0];
    for (let i = 0; i < 9000; i++) counts[pick([1, 0, 2], random)]++;
    expect(counts[1]).toBe(0);
    expect(counts[2] / counts[0]).toBeCloseTo(2, 0);
  });
});

describe('the normal curve', () => {
  it.each([
    [0, 0],
    [0.3, 0.32862675945912745],
    [1, 0.8427007929497149],
    [2.5, 0.999593047982555],
    [5, 0.9999999999984626],
    [-1, -0.8427007929497149],
    [30, 1],
  ])('erf(%f)', (x, value) => expect(erf(x)).toBeCloseTo(value, 14));

  it('holds 95 % within 1.96 standard deviations', () => {
    expect(normalMass(-1.959963984540054, 1.959963984540054, 0, 1)).toBeCloseTo(0.95, 12);
    expect(normalBelow(10, 10, 3)).toBe(0.5);
  });
});

describe('ln Γ', () => {
  it.each([
    [1, 0],
    [2, 0],
    [5, Math.log(24)],
    [0.5, Math.log(Math.sqrt(Math.PI))],
    [10.5, 13.940625219403763],
  ])('(%f)', (x, value) => expect(lnGamma(x)).toBeCloseTo(value, 11));
});

describe('the multivariate t', () => {
  it('without degrees is the normal', () => {
    expect(multivariateT(undefined, 1)(4, Math.log(9))).toBeCloseTo(Math.log(Math.exp(-2) / (3 * Math.sqrt(2 * Math.PI))), 12);
  });

  it('nears the normal as its degrees grow', () => {
    const [t, normalLaw] = [multivariateT(1e7, 3), multivariateT(undefined, 3)];
    expect(t(5, 0.7)).toBeCloseTo(normalLaw(5, 0.7), 5);
  });

  it('holds all its mass, with the variance it was given', () => {
    const law = multivariateT(5, 1);
    let mass = 0;
    let variance = 0;
    for (let x = -400; x <= 400; x += 0.01) {
      const density = Math.exp(law((x / 2) ** 2, Math.log(4)));
      mass += density * 0.01;
      variance += density * 0.01 * x * x;
    }
    expect(mass).toBeCloseTo(1, 4);
    expect(variance).toBeCloseTo(4, 1);
  });

  it('has heavier tails with fewer degrees', () => {
    expect(multivariateT(4, 2)(60, 0)).toBeGreaterThan(multivariateT(40, 2)(60, 0));
    expect(multivariateT(40, 2)(60, 0)).toBeGreaterThan(multivariateT(undefined, 2)(60, 0));
  });
});

describe('Student’s t and F', () => {
  // As tabulated.
  it.each([
    [0.975, 1, 12.7062047],
    [0.975, 2, 4.30265273],
    [0.975, 4, 2.77644511],
    [0.95, 10, 1.81246112],
    [0.995, 30, 2.74999565],
    [0.975, Infinity, 1.95996398],
    [0.025, 5, -2.57058184],
  ])('t of %f with %f degrees of freedom', (p, df, t) => expect(tQuantile(p, df)).toBeCloseTo(t, 6));

  it('knows t of infinite degrees of freedom as the normal', () => {
    expect(tBelow(1.95996398, Infinity)).toBeCloseTo(0.975, 8);
    expect(tBelow(-3, Infinity)).toBeCloseTo(tBelow(-3, 999_999), 7);
  });

  it('go there and back for degrees that are not whole', () => {
    for (const df of [0.7, 1.5, 3.3, 17.2, 400.5])
      for (const p of [0.501, 0.7, 0.975, 0.9999]) expect(tBelow(tQuantile(p, df), df)).toBeCloseTo(p, 10);
    expect(normalBelow(normalQuantile(0.3), 0, 1)).toBeCloseTo(0.3, 12);
  });

  it.each([
    [0.95, 3, 12, 3.49029482],
    [0.975, 9, 10, 3.77896289],
    [0.95, 1, 5, 6.60789097],
  ])('F of %f with %d and %d', (p, a, b, f) => expect(fQuantile(p, a, b)).toBeCloseTo(f, 6));
});
