import { validated } from '../test/discriminant';
import { learnedFrom as from } from '../test/learnedFrom';
import { lengths } from '../test/lengths';

describe('against linear discriminant analysis, on lengths that follow one size', () => {
  const cases = [
    { name: 'two forms', forms: 2, columns: 5, each: 50, apart: 0.03 },
    { name: 'four forms', forms: 4, columns: 5, each: 50, apart: 0.05 },
    { name: 'few specimens of many lengths', forms: 3, columns: 9, each: 20, apart: 0.04 },
    { name: 'some measured carelessly', forms: 3, columns: 4, each: 60, apart: 0.06, careless: 0.06 },
  ];
  it('over four kinds of table it is at least as accurate and surer where it is right', () => {
    const sums = { ours: [0, 0], lda: [0, 0] };
    for (const { name, ...wanted } of cases) {
      const table = lengths({ ...wanted, seed: `${name} a` });
      const { crossValidation } = from(table).guide.learned!;
      const yardstick = validated(table.rows);
      sums.ours[0] += crossValidation.accuracy;
      sums.ours[1] += crossValidation.logLoss;
      sums.lda[0] += yardstick.accuracy;
      sums.lda[1] += yardstick.logLoss;
    }
    expect(sums.ours[0]).toBeGreaterThanOrEqual(sums.lda[0]);
    expect(sums.ours[1]).toBeLessThan(sums.lda[1]);
  });

  it('finds what single lengths hide: independent lengths would be little better than chance', () => {
    const table = lengths({ forms: 4, columns: 5, each: 60, apart: 0.06, size: 0.35, seed: 'hidden' });
    const { accuracy } = from(table).guide.learned!.crossValidation;
    // The best single length, cut by nearest mean.
    const single = Math.max(
      ...table.columns.map((_, c) => validated(table.rows.map(({ form, x }) => ({ form, x: [x[c]] }))).accuracy),
    );
    expect(single).toBeLessThan(0.5);
    expect(accuracy).toBeGreaterThan(0.85);
  });
});
