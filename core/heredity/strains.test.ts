import { mixedBy, sharesOf, sharesOfYoung } from './strains';

const founder = (id: string, strain?: string) => ({ id, fathers: [], mothers: [], strain });
const young = (id: string, fathers: string[], mothers: string[], strain?: string) => ({ id, fathers, mothers, strain });

it('halves what parents have, on average over those that may be one', () => {
  const shares = sharesOf([
    young('backcross', ['f1'], ['q']),
    young('f1', ['n'], ['q']),
    founder('q', 'Quell'),
    founder('n', 'North'),
    young('either', ['n', 'f1'], ['q'], 'ignored'),
    young('half', ['n'], [], 'Quell'),
    young('stranger', ['n'], ['of another book']),
  ]);
  expect(shares.get('f1')).toEqual({ North: 0.5, Quell: 0.5 });
  expect(shares.get('backcross')).toEqual({ North: 0.25, Quell: 0.75 });
  // (1 + 1/2) / 2 of North from its father, halved.
  expect(shares.get('either')).toEqual({ North: 0.375, Quell: 0.625 });
  expect(shares.get('half')).toEqual({ North: 0.5, Quell: 0.5 });
  expect(shares.get('stranger')).toEqual({ North: 0.5 });
});

it('goes back two thousand generations without falling over', () => {
  const line = Array.from({ length: 2000 }, (_, i) => (i ? young(`k${i}`, [`k${i - 1}`], []) : founder('k0', 'Quell')));
  expect(sharesOf([...line].reverse()).get('k2')).toEqual({ Quell: 0.25 });
  expect(sharesOf([...line].reverse()).size).toBe(2000);
});

it('comes to an end where somebody would be its own ancestor', () => {
  const shares = sharesOf([
    young('a', ['b'], [], 'Quell'),
    young('b', ['a'], ['n']),
    young('self', ['self'], []),
    founder('n', 'North'),
  ]);
  expect([...shares.keys()].sort()).toEqual(['a', 'b', 'n', 'self']);
  for (const share of shares.values()) expect(Object.values(share).reduce((sum, one) => sum + one, 0)).toBeLessThanOrEqual(1);
});

it('stops what would be of two strains that are kept apart, where not both parents are already', () => {
  const rules = [{ strains: ['Quell', 'North'] as [string, string], why: 'kept apart' }];
  const [q, n, f1] = [{ Quell: 1 }, { North: 1 }, { Quell: 0.5, North: 0.5 }];
  const stopped = (a: object, b: object) => mixedBy(rules, a as never, b as never).length === 1;
  expect([stopped(q, n), stopped(n, q), stopped(q, f1), stopped(f1, n)]).toEqual([true, true, true, true]);
  expect([stopped(q, q), stopped(f1, f1), stopped(q, {}), stopped({ Skerry: 1 }, n)]).toEqual([false, false, false, false]);
  expect(sharesOfYoung(q, f1)).toEqual({ Quell: 0.75, North: 0.25 });
});
