import { normal, seeded } from '../probability';
import { TAIL_WIDTH, tailedLogDensity } from './density';
import { tailedBits } from './tailedBits';

describe.each([0, 0.02, 0.5])('log densities of drawn values, with a tail of %s', (tail) => {
  const bits = tailedBits(tail);
  const random = seeded('drawn');
  const drawn = Float64Array.from({ length: 40_000 }, () => {
    const z = normal(random) * (random() < tail ? TAIL_WIDTH : 1);
    return tailedLogDensity(z * z, tail) * Math.LOG2E;
  });

  it.each([-12, -8, -5, -4, -3, -2, -1.5])('fall below %s as often as those of values drawn one by one', (limit) => {
    const share = (list: Float64Array) => list.filter((b) => b < limit).length / list.length;
    expect(Math.abs(share(bits) - share(drawn))).toBeLessThan(0.008);
  });

  it('have the mean of minus the entropy', () => {
    const mean = (list: Float64Array) => list.reduce((sum, b) => sum + b, 0) / list.length;
    expect(Math.abs(mean(bits) - mean(drawn))).toBeLessThan(0.02);
  });
});
