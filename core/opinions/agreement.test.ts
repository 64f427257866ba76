import { seeded } from '../probability';
import { cohenKappa, fleissKappa, sharedErrors } from '.';

describe('how far two agree', () => {
  it('is as in the worked example of Fleiss, Cohen & Everitt: a hundred judged by two', () => {
    const found = cohenKappa([
      [75, 1, 4],
      [5, 4, 1],
      [0, 0, 10],
    ])!;
    expect(found.kappa).toBeCloseTo(0.676, 3);
    expect(found.se).toBeCloseTo(0.088, 3);
    expect([found.low, found.high].map((end) => end!.toFixed(3))).toEqual(['0.505', '0.848']);
    expect([found.agreed, found.chance, found.n]).toEqual([0.89, expect.closeTo(0.66, 12), 100]);
  });

  it('is 1 where they always agree, 0 where as often as by chance, below where they contradict each other', () => {
    const of = (table: number[][]) => cohenKappa(table)!.kappa;
    expect(of([[5, 0], [0, 7]])).toBe(1); // prettier-ignore
    expect(of([[4, 4], [4, 4]])).toBe(0); // prettier-ignore
    expect(of([[0, 5], [5, 0]])).toBe(-1); // prettier-ignore
  });

  it('is nothing where nothing was judged, or chance explains all', () => {
    expect(cohenKappa([])).toBeUndefined();
    expect(cohenKappa([[0, 0], [0, 0]])).toBeUndefined(); // prettier-ignore
    expect(cohenKappa([[9, 0], [0, 0]])).toBeUndefined(); // prettier-ignore
  });

  it('has an interval that holds the true value about as often as it says', () => {
    const random = seeded('kappa');
    // Two who each see the truth with 8 in 10, else guess: κ = .8².
    const see = (truth: number) => (random() < 0.8 ? truth : Math.floor(2 * random()));
    let held = 0;
    for (let run = 0; run < 300; run++) {
      const table = [
        [0, 0],
        [0, 0],
      ];
      for (let i = 0; i < 120; i++) {
        const truth = Math.floor(2 * random());
        table[see(truth)][see(truth)]++;
      }
      const { low, high } = cohenKappa(table)!;
      if (low! <= 0.64 && high! >= 0.64) held++;
    }
    expect(held / 300).toBeGreaterThan(0.9);
    expect(held / 300).toBeLessThan(0.99);
  });
});

describe('how far many agree', () => {
  /** Fourteen people on ten things with five names; worked by hand with Fleiss' formulas: P̄ = .378, Pe = .213. */
  const fourteen = [
    [0, 0, 0, 0, 14],
    [0, 2, 6, 4, 2],
    [0, 0, 3, 5, 6],
    [0, 3, 9, 2, 0],
    [2, 2, 8, 1, 1],
    [7, 7, 0, 0, 0],
    [3, 2, 6, 3, 0],
    [2, 5, 3, 2, 2],
    [6, 5, 2, 1, 0],
    [0, 2, 2, 3, 7],
  ];

  it('is as worked by hand', () => {
    const found = fleissKappa(fourteen)!;
    expect([found.agreed, found.chance, found.kappa].map((one) => one.toFixed(3))).toEqual(['0.378', '0.213', '0.210']);
    expect(found.low).toBeGreaterThan(-0.1);
    expect(found.high).toBeLessThan(0.6);
  });

  it('is that of every pair alone where two judged, as a naive count has it', () => {
    const random = seeded('fleiss');
    const rows = Array.from({ length: 60 }, () => {
      const row = [0, 0, 0];
      for (let i = 0; i < 2; i++) row[Math.floor(3 * random() ** 2)]++;
      return row;
    });
    const same = rows.filter((row) => row.includes(2)).length / 60;
    const share = [0, 1, 2].map((j) => rows.reduce((sum, row) => sum + row[j], 0) / 120);
    const chance = share.reduce((sum, p) => sum + p * p, 0);
    expect(fleissKappa(rows)!.kappa).toBeCloseTo((same - chance) / (1 - chance), 12);
  });

  it('leaves out what one alone judged, and says nothing where all said the same', () => {
    expect(fleissKappa([...fourteen, [1, 0, 0, 0, 0], [0, 0, 0, 0, 0]])).toEqual(fleissKappa(fourteen));
    expect(fleissKappa([[3, 0], [2, 0]])).toBeUndefined(); // prettier-ignore
    expect(fleissKappa([[1, 0]])).toBeUndefined();
    expect(fleissKappa([])).toBeUndefined();
    // One thing alone: agreement, but no interval.
    expect(fleissKappa([[1, 1]])).toEqual({ kappa: -1, n: 1, agreed: 0, chance: 0.5 });
  });
});

describe('how far opinions on one photograph err together', () => {
  it('is as second looks do, while nothing is known', () => {
    expect(sharedErrors([])).toEqual({ correlation: 0.7, pairs: 0 });
    expect(sharedErrors([[true, true, true]])).toEqual({ correlation: 0.7, pairs: 0 });
    expect(sharedErrors([[true], [false]])).toEqual({ correlation: 0.7, pairs: 0 });
  });

  it('comes to what is seen: all or nobody wrong is 1, each for himself 0', () => {
    const together = Array.from({ length: 400 }, (_, i) => Array.from({ length: 4 }, () => i % 5 !== 0));
    expect(sharedErrors(together).correlation).toBeGreaterThan(0.99);
    const random = seeded('alone');
    const alone = Array.from({ length: 2000 }, () => Array.from({ length: 4 }, () => random() < 0.8));
    expect(sharedErrors(alone).correlation).toBeLessThan(0.05);
  });

  it('twelve who copied each other count as hardly more than one', () => {
    const { correlation } = sharedErrors(Array.from({ length: 50 }, (_, i) => Array.from({ length: 12 }, () => i % 3 > 0)));
    expect(12 / (1 + 11 * correlation)).toBeLessThan(1.05);
  });
});
