import { seeded } from '../probability';
import {
  abundance,
  bearing,
  byName,
  catchRate,
  chapman,
  distanceKm,
  flock,
  overlooked,
  pace,
  readTally,
  scaledMass,
  sexRatio,
  twoCounters,
  weightFall,
  windOf,
  writeTally,
} from '.';
import type { Outcome } from '../problem';
import { trapResponse } from './trapResponse';

const of = <T>(outcome: Outcome<T>): T => {
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
};
const codeOf = <T>(outcome: Outcome<T>) => (outcome.ok ? 'ok' : outcome.problems[0].code);

describe('a sex ratio', () => {
  it('is told of the sexed, and the unsexed leave bounds open', () => {
    const found = of(sexRatio({ males: 12, females: 4, unsexed: 9 }));
    expect(found).toMatchObject({ sexed: 16, unsexed: 9, share: 0.75, bounds: [12 / 25, 21 / 25] });
    expect(found.interval![0]).toBeCloseTo(0.505, 3);
    expect(found.interval![1]).toBeCloseTo(0.8982, 3);
    // 2 × P(X ≥ 12 of 16).
    expect(found.p).toBeCloseTo(0.076813, 5);
  });

  it('of none, or against a share that is none, is not made up', () => {
    expect(of(sexRatio({ males: 0, females: 0, unsexed: 3 }))).toEqual({ sexed: 0, unsexed: 3, expected: 0.5, bounds: [0, 1] });
    expect(of(sexRatio({ males: 0, females: 0, unsexed: 0 })).bounds).toBeUndefined();
    expect(codeOf(sexRatio({ males: 1, females: 1, unsexed: 0 }, 1))).toBe('bad-share');
    expect(codeOf(sexRatio({ males: 1, females: 1, unsexed: 0 }, Number.NaN))).toBe('bad-share');
  });

  it('is written and read in keepers’ notation', () => {
    expect(of(readTally(' 3.5.2 '))).toEqual({ males: 3, females: 5, unsexed: 2 });
    expect(of(readTally('3 . 5'))).toEqual({ males: 3, females: 5, unsexed: 0 });
    expect(writeTally({ males: 0, females: 1, unsexed: 0 })).toBe('0.1.0');
    for (const wrong of ['', '3', '3.-1.2', '3.5.2.1', '3,5,2', 'a.b.c']) expect(codeOf(readTally(wrong))).toBe('bad-tally');
  });
});

it('catch per effort has Garwood’s interval, and no effort is refused', () => {
  const { rate, interval } = of(catchRate(0, 24));
  expect([rate, interval[0]]).toEqual([0, 0]);
  expect(interval[1]).toBeCloseTo(3.688879454 / 24, 9);
  for (const effort of [0, -1, Number.NaN, Number.MIN_VALUE]) expect(codeOf(catchRate(3, effort))).toBe('no-effort');
});

describe('how many there are', () => {
  it('by two visits: Chapman with Seber’s variance', () => {
    const found = of(chapman(41, 53, 12));
    expect(found.n).toBeCloseTo((42 * 54) / 13 - 1, 10);
    expect(found.sd! ** 2).toBeCloseTo((42 * 54 * 29 * 41) / (13 ** 2 * 14), 8);
    expect(found.warnings).toEqual([]);
    expect(of(chapman(8, 8, 2)).warnings[0].code).toBe('few-again');
    expect(codeOf(chapman(4, 3, 4))).toBe('more-again');
    expect(of(chapman(7, 7, 7))).toMatchObject({ n: 7, interval: [7, 9] });
    expect(of(chapman(9, 12, 0)).interval).toEqual([expect.any(Number), null]);
    expect(of(chapman(0, 0, 0))).toMatchObject({ n: 0, met: 0 });
  });

  const simulate = (seed: string, visits: number, share: number, size: number) => {
    const random = seeded(seed);
    return Array.from({ length: visits }, () => Array.from({ length: size }, (_, i) => `m${i}`).filter(() => random() < share));
  };

  it.each([
    ['two visits', 2, 0.3, 120, 0.99],
    ['two visits, few of them', 2, 0.4, 40, 0.99],
    ['two visits, very few of them', 2, 0.5, 14, 0.997],
    // Schnabel's limits are Poisson's: too wide where many are marked, never too narrow.
    ['five visits', 5, 0.15, 150, 1],
  ])('the interval by %s holds the truth as often as it says', (name, visits, share, size, most) => {
    let held = 0;
    const runs = 1500;
    for (let run = 0; run < runs; run++) {
      const [low, high] = of(abundance(simulate(`${name} ${run}`, visits, share, size))).interval;
      if (low <= size && (high === null || size <= high)) held++;
    }
    expect(held / runs).toBeGreaterThan(0.935);
    expect(held / runs).toBeLessThanOrEqual(most);
  });

  it('by many visits is Schnabel’s sum, worked out by hand', () => {
    const found = of(
      abundance([
        ['a', 'b', 'c'],
        ['b', 'd'],
        ['a', 'd', 'e', 'f'],
      ]),
    );
    // ΣCM = 0 + 2·3 + 4·4, ΣR = 1 + 2.
    expect(found).toMatchObject({ method: 'schnabel', n: 22 / 3, met: 6, again: 3 });
    expect(found.interval[0]).toBe(6);
    const none = of(abundance([['a'], ['b'], ['c']]));
    expect(none.n).toBeUndefined();
    expect(none.interval[1]).toBeNull();
    expect(none.warnings[0].code).toBe('none-again');
  });

  it('says when marked ones come more or less often, and in 5 of 100 at most where they do not', () => {
    const warned = (name: string, again: number, unlike = 0, base = 0.18) => {
      const codes = Array.from({ length: 200 }, (_, run) => {
        const random = seeded(`${name} ${run}`);
        // However much animals differ from one another, that by itself is no response to traps.
        const own = Array.from({ length: 100 }, () => base * Math.exp(unlike * (random() - 0.5)));
        const known = new Set<string>();
        const visits = Array.from({ length: 6 }, () => {
          const marks = own.flatMap((p, i) => (random() < p * (known.has(`m${i}`) ? again : 1) ? [`m${i}`] : []));
          marks.forEach((mark) => known.add(mark));
          return marks;
        });
        return of(abundance(visits)).warnings.map(({ code }) => code);
      });
      const share = (code: string) => codes.filter((all) => all.includes(code)).length / codes.length;
      return { happy: share('trap-happy'), shy: share('trap-shy') };
    };
    expect(warned('happy', 2.5).happy).toBeGreaterThan(0.8);
    expect(warned('shy', 0.3, 0, 0.4).shy).toBeGreaterThan(0.3);
    for (const unlike of [0, 2]) {
      const { happy, shy } = warned('neither', 1, unlike);
      expect(happy + shy).toBeLessThan(0.085);
    }
  });

  it('the exact test is the share of all ways that are as odd, counted out', () => {
    const visits = [['a', 'b'], ['b'], ['a', 'c'], ['c', 'b']];
    // a: met at 0 and 2, b: at 0, 1, 3, c: at 2 and 3, of four visits.
    const ways = (times: number) =>
      [...Array(16).keys()]
        .filter((set) => [0, 1, 2, 3].filter((i) => set & (1 << i)).length === times)
        .map((set) => [0, 1, 2, 3].find((i) => set & (1 << i))!);
    const sums: number[] = [];
    for (const a of ways(2)) for (const b of ways(3)) for (const c of ways(2)) sums.push(a + b + c);
    const observed = 0 + 0 + 2;
    const tail = (holds: (sum: number) => boolean) => sums.filter(holds).length / sums.length;
    const late = tail((sum) => sum >= observed);
    const early = tail((sum) => sum <= observed);
    expect(trapResponse(visits)!.p).toBeCloseTo(Math.min(1, 2 * Math.min(late, early)), 12);
    expect(trapResponse([['a'], ['b'], ['c']])).toBeUndefined();
  });

  it('a mark twice in one visit, or one visit, is refused by name', () => {
    expect(codeOf(abundance([['a'], ['b', 'b']]))).toBe('mark-twice');
    expect(codeOf(abundance([['a']]))).toBe('too-few-visits');
  });
});

describe('heads', () => {
  it('missing and surplus are named', () => {
    expect(byName(['Ada 1', 'Ada 2', 'Ada 3'], ['Ada 3', 'stray'])).toEqual({ missing: ['Ada 1', 'Ada 2'], surplus: ['stray'] });
  });

  it('the chance to have overlooked so many is the binomial’s tail', () => {
    expect(of(overlooked(10, 9, 0.05))).toBeCloseTo(1 - 0.95 ** 10, 12);
    expect(of(overlooked(10, 8, 0.05))).toBeCloseTo(1 - 0.95 ** 10 - 10 * 0.05 * 0.95 ** 9, 12);
    expect(of(overlooked(10, 12, 0.05))).toBe(1);
    expect(of(overlooked(10, 3, 0))).toBe(0);
    expect(of(overlooked(10, 3, 1))).toBe(1);
    expect(codeOf(overlooked(10, 9, 2))).toBe('bad-chance');
  });

  it('two counters are reconciled by those that both saw', () => {
    const found = of(twoCounters(['a', 'b', 'c', 'd'], ['b', 'c', 'd', 'e']));
    expect(found.n).toBeCloseTo(25 / 4 - 1, 12);
    expect(found.overlooks).toEqual([1 / 4, 1 / 4]);
  });
});

describe('a flock', () => {
  it('adds up counts, ranges and shares to what they allow together', () => {
    const found = of(
      flock(
        [
          { kind: 'A', amount: { how: 'counted', n: 12 } },
          { kind: 'B', amount: { how: 'estimated', from: 20, to: 30 } },
          { kind: 'C', amount: { how: 'shared', fromPercent: 50, toPercent: 50 } },
        ],
        undefined,
      ),
    );
    expect(found.total).toEqual([64, 84]);
    expect(found.kinds[2].interval).toEqual([32, 42]);
  });

  it('holds what every way of filling it in holds', () => {
    const parts = [
      { kind: 'A', amount: { how: 'estimated', from: 3, to: 9 } as const },
      { kind: 'B', amount: { how: 'shared', fromPercent: 20, toPercent: 40 } as const },
      { kind: 'C', amount: { how: 'counted', n: 5 } as const },
    ];
    const total = { how: 'estimated', from: 10, to: 20 } as const;
    const found = of(flock(parts, total));
    const all: [number, number, number][] = [];
    for (let a = 3; a <= 9; a++)
      for (let b = 0; b <= 20; b++) {
        const sum = a + b + 5;
        if (sum >= 10 && sum <= 20 && b >= 0.2 * sum - 1e-9 && b <= 0.4 * sum + 1e-9) all.push([a, b, sum]);
      }
    const span = (i: number) => [Math.min(...all.map((one) => one[i])), Math.max(...all.map((one) => one[i]))];
    // What can be is never left out; the bounds may be a little wider than what whole animals allow.
    expect(found.kinds[0].interval[0]).toBeLessThanOrEqual(span(0)[0]);
    expect(found.kinds[0].interval[1]).toBeGreaterThanOrEqual(span(0)[1]);
    expect(found.kinds[1].interval[0]).toBeLessThanOrEqual(span(1)[0]);
    expect(found.kinds[1].interval[1]).toBeGreaterThanOrEqual(span(1)[1]);
    expect(found.total[0]).toBeLessThanOrEqual(span(2)[0]);
    expect(found.total[1]).toBeGreaterThanOrEqual(span(2)[1]);
    expect(found.total[1] - found.total[0]).toBeLessThanOrEqual(span(2)[1] - span(2)[0] + 2);
  });

  it('that contradicts itself, or says no number, is refused', () => {
    const counted = (kind: string, n: number) => ({ kind, amount: { how: 'counted', n } as const });
    expect(codeOf(flock([counted('A', 12), counted('B', 9)], { how: 'counted', n: 20 }))).toBe('contradiction');
    expect(codeOf(flock([{ kind: 'A', amount: { how: 'shared', fromPercent: 40, toPercent: 60 } }]))).toBe('no-number');
    expect(codeOf(flock([{ kind: 'A', amount: { how: 'estimated', from: 9, to: 3 } }]))).toBe('bad-range');
    expect(codeOf(flock([{ kind: 'A', amount: { how: 'shared', fromPercent: 40, toPercent: 130 } }, counted('B', 3)]))).toBe(
      'bad-range',
    );
  });
});

describe('where it went', () => {
  it('a quarter of a meridian is a quarter of the way round', () => {
    expect(distanceKm({ latitude: 0, longitude: 0 }, { latitude: 90, longitude: 77 })).toBeCloseTo((Math.PI / 2) * 6371.0088, 6);
    expect(distanceKm({ latitude: 12, longitude: 179.9 }, { latitude: 12, longitude: -179.9 })).toBeLessThan(22);
  });

  it('bearings are from north by east, and none leads nowhere', () => {
    const here = { latitude: 10, longitude: 20 };
    expect(bearing(here, { latitude: 11, longitude: 20 })).toBeCloseTo(0, 9);
    expect(bearing(here, { latitude: 9, longitude: 20 })).toBeCloseTo(180, 9);
    expect(bearing({ latitude: 0, longitude: 0 }, { latitude: 0, longitude: -5 })).toBeCloseTo(270, 9);
    expect(bearing(here, here)).toBeUndefined();
    expect([windOf(0), windOf(359), windOf(112), windOf(270)]).toEqual(['N', 'N', 'ESE', 'W']);
  });
});

it('a deadline counts its own day, and is past after it', () => {
  const season = { first: '2026-05-01', last: '2026-05-31' };
  expect(pace('2026-05-31', season, { allowed: 100, used: 90 })).toEqual({ days: 1, left: 10, needed: 10, sofar: 3 });
  expect(pace('2026-05-01', season, { allowed: 100, used: 0 })).toEqual({ days: 31, left: 100, needed: 100 / 31 });
  expect(pace('2026-06-01', season, { allowed: 100, used: 120 })).toMatchObject({ days: 0, left: 0 });
});

describe('condition', () => {
  it('where mass goes with the cube of length, all have one index', () => {
    const kind = [60, 64, 70, 77, 81].map((length) => ({ length, mass: 0.0004 * length ** 3 }));
    const { index, slope, meanLength } = of(scaledMass(kind));
    expect(slope).toBeCloseTo(3, 10);
    for (const one of index) expect(one).toBeCloseTo(0.0004 * meanLength ** 3, 8);
  });

  it('needs five of the kind that are more than nothing', () => {
    expect(codeOf(scaledMass([{ mass: 5, length: 3 }]))).toBe('too-few');
    expect(codeOf(scaledMass(Array.from({ length: 6 }, (_, i) => ({ mass: i, length: 3 + i }))))).toBe('not-positive');
    expect(codeOf(scaledMass(Array.from({ length: 6 }, (_, i) => ({ mass: 5 + i, length: 3 }))))).toBe('no-slope');
  });

  it('a fall is told against the own line', () => {
    const series = [100, 102, 101, 103, 102].map((mass, day) => ({ day, mass }));
    expect(weightFall([...series, { day: 5, mass: 103 }])!.flagged).toBe(false);
    expect(weightFall([...series, { day: 5, mass: 90 }])!.flagged).toBe(true);
    expect(weightFall(series.slice(0, 4))).toBeUndefined();
  });
});
