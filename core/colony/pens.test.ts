import { inPensNow, pairedInNow, penAnew, penNames, pensOf, whoWasIn } from './pens';
import type { Kept, Pen } from './schema';

const GUIDE = '00000000-0000-4000-8000-000000000001';
const one = (id: string, kept: Partial<Kept>) => ({ id, kept: { status: 'here' as const, phenotypes: {}, ...kept } });
const sexed = (called: 'female' | 'male', more: Partial<Kept> = {}) => ({ sex: { called, certainty: 1 }, ...more });

describe('a pen', () => {
  it('is known by what it was called, whatever its capitals; what one is called now is no former name', () => {
    const now = penNames([{ name: 'Loft', formerly: ['cage 1', 'Cage 2'] }, { name: 'cage 2' }]);
    expect(['Cage 1', ' loft', 'CAGE 2', 'cellar'].map(now)).toEqual(['Loft', 'Loft', 'cage 2', 'cellar']);
    const { kept } = one('a', {
      pen: 'cage 1',
      moves: [{ on: '2026-05-01', pen: 'cage 1' }],
      separations: [{ on: '2026-05-02', from: 'cage 1', found: 'none' }],
    });
    expect(inPensNow(kept, now)).toMatchObject({ pen: 'Loft', moves: [{ pen: 'Loft' }], separations: [{ from: 'Loft' }] });
    expect(inPensNow(one('b', {}).kept, now)).toEqual(one('b', {}).kept);
    expect([{ pen: 'cage 1' }, {}].map((pairing) => pairedInNow(pairing, now))).toEqual([{ pen: 'Loft' }, {}]);
  });

  it('that is written anew keeps the names it had, each once, and not the one it has', () => {
    type Named = Pick<Pen, 'name' | 'formerly'>;
    const anew = (before: Named | undefined, sent: Named) => penAnew(before, sent).formerly;
    expect(penAnew(undefined, { name: 'a' })).toStrictEqual({ name: 'a' });
    expect(anew({ name: 'a' }, { name: 'A' })).toBeUndefined();
    expect(anew({ name: 'b', formerly: ['a'] }, { name: 'c' })).toEqual(['a', 'b']);
    expect(anew({ name: 'c', formerly: ['a', 'b'] }, { name: 'A', formerly: ['x'] })).toEqual(['b', 'c']);
    const many = Array.from({ length: 40 }, (_, i) => `n${i}`);
    expect(anew({ name: 'b', formerly: many }, { name: 'c' })).toEqual([...many.slice(1), 'b']);
    expect(anew(undefined, { name: 'a', formerly: ['b', 'B', 'a'] })).toEqual(['b']);
  });

  it('says who is in it, who is too many, who is a stranger, and what is kept apart and is together', () => {
    const rules = [{ strains: ['Quell', 'North'] as [string, string], why: 'They would be lost.' }];
    const shares = new Map<string, Record<string, number>>([
      ['f', { Quell: 1 }],
      ['m', { North: 1 }],
      ['n', { North: 1 }],
    ]);
    const members = [
      one('f', sexed('female', { pen: 'cage 2', strain: 'Quell' })),
      one('m', sexed('male', { pen: 'cage 2', strain: 'North' })),
      one('n', sexed('male', { pen: 'cage 10', strain: 'North' })),
      one('gone', { pen: 'cage 2', status: 'gone' }),
    ];
    const pens = [
      { guideId: GUIDE, name: 'cage 2', holds: 1, strain: 'Quell' },
      { guideId: GUIDE, name: 'cage 1' },
    ];
    const states = pensOf(members, pens, rules, shares);
    expect(states.map(({ name, here }) => [name, here.map(({ id }) => id).join()])).toEqual([
      ['cage 1', ''],
      ['cage 2', 'f,m'],
      ['cage 10', 'n'],
    ]);
    expect(states[1]).toMatchObject({ pen: pens[0], over: 1, strangers: [{ id: 'm' }], mixed: rules });
    expect([states[0], states[2]].map(({ over, strangers, mixed }) => [over, strangers, mixed])).toEqual([
      [0, [], []],
      [0, [], []],
    ]);
  });

  it('held somebody on a day by the moves that are written', () => {
    const members = [
      one('stayed', { pen: 'a', hatched: '2026-05-01' }),
      one('moved', {
        pen: 'b',
        moves: [
          { on: '2026-05-10', pen: 'a' },
          { on: '2026-06-01', pen: 'b' },
        ],
      }),
      one('unsorted', {
        pen: 'a',
        moves: [
          { on: '2026-06-01', pen: 'a' },
          { on: '2026-05-10', pen: 'b' },
        ],
      }),
      one('twice', {
        pen: 'b',
        moves: [
          { on: '2026-05-10', pen: 'a' },
          { on: '2026-05-10', pen: 'b' },
        ],
      }),
    ];
    const on = (pen: string, day: string) =>
      whoWasIn(members, pen, day)
        .map(({ id }) => id)
        .join();
    expect([on('a', '2026-04-30'), on('a', '2026-05-09'), on('a', '2026-05-10'), on('a', '2026-06-01')]).toEqual([
      '',
      'stayed',
      'stayed,moved',
      'stayed,unsorted',
    ]);
    expect([on('b', '2026-05-10'), on('b', '2026-06-01')]).toEqual(['unsorted,twice', 'moved,twice']);
  });
});
