import { hittingSets } from './hittingSets';

const set = (keys: string, weight = 0.1) => [...keys].map((key) => ({ key, weight }));
const said = (sets: readonly string[]) =>
  hittingSets(sets.map((keys) => set(keys))).map((chosen) =>
    chosen
      .map(({ key }) => key)
      .sort()
      .join(''),
  );

describe('the smallest sets that have one of each', () => {
  it('are all of those with fewest members', () => {
    expect(said(['ab', 'bc'])).toEqual(['b']);
    expect(said(['ab', 'cd'])).toEqual(['ac', 'ad', 'bc', 'bd']);
    expect(said([])).toEqual(['']);
  });

  it('begin with the likeliest', () => {
    const found = hittingSets([[...set('a', 0.01), ...set('b', 0.05)], set('c')]);
    expect(found.map((chosen) => chosen.map(({ key }) => key).join(''))).toEqual(['bc', 'ac']);
  });

  it('are one that hits all where more than four are needed', () => {
    const sets = ['ax', 'bx', 'cd', 'ef', 'gh', 'ij', 'kl'];
    const [found, ...others] = said(sets);
    expect(others).toEqual([]);
    expect(sets.every((keys) => [...keys].some((key) => found.includes(key)))).toBe(true);
    expect(found).toHaveLength(6);
  });
});
