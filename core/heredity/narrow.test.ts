import { narrow, restricted } from './narrow';

const is = (v: number, ...chances: number[]) => ({ vars: [v], table: Float64Array.from(chances) });
const same = (a: number, b: number) => ({ vars: [a, b], table: Float64Array.of(1, 0, 0, 1) });

describe('values that cannot be', () => {
  it('are taken away, and what stands for one value only leaves its factor', () => {
    const factors = [is(0, 0.3, 0), same(0, 1), { vars: [1, 2], table: Float64Array.of(0.2, 0.8, 0.5, 0.5) }];
    const narrowed = narrow([2, 2, 2], factors);
    if ('conflict' in narrowed) throw new Error('All of these can be.');
    expect(narrowed.left).toEqual([[0], [0], [0, 1]]);
    expect(factors.map((one) => restricted(one, [2, 2, 2], narrowed.left))).toEqual([
      { vars: [], table: Float64Array.of(0.3) },
      { vars: [], table: Float64Array.of(1) },
      { vars: [2], table: Float64Array.of(0.2, 0.8) },
    ]);
    expect([...narrowed.why([1])].sort()).toEqual([0, 1]);
  });

  it('are told by what they hang on, and by nothing else', () => {
    const narrowed = narrow([2, 2, 2, 2, 2], [is(0, 1, 0), is(4, 1, 0), same(0, 1), same(1, 2), is(2, 0, 1), same(3, 4)]);
    expect('conflict' in narrowed && [...narrowed.conflict].sort()).toEqual([0, 1, 2]);
    const nothing = narrow([2, 2], [is(0, 1, 1), { vars: [], table: Float64Array.of(0) }]);
    expect('conflict' in nothing && [...nothing.conflict]).toEqual([0, 1]);
  });
});
