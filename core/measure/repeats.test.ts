import type { Quantity } from '../guide/working';
import { agreementByPeople, reliabilityByPerson, repeatedOf, type Taken } from './repeats';
import { agreementOf, reliabilityOf } from './reliability';
import type { PointSet } from './schema';

const quantity: Quantity = { id: 'l', kind: 'length', line: { points: ['a', 'b'] } };
const set = (length: number): PointSet => ({ a: [0, 0], b: [length, 0] });
const taken = (thing: string, by: string, ...lengths: number[]): Taken => ({ thing, by, quantity, sets: lengths.map(set) });

/** Four things; ann measures each three times, ben once, three pixels longer. */
const all = [100, 130, 90, 150].flatMap((length, i) => [
  taken(`thing ${i}`, 'ann', length, length + 1, length - 1),
  taken(`thing ${i}`, 'ben', length + 3),
]);

describe('what was measured again', () => {
  it('is each set by itself, by thing and person, whenever it was measured', () => {
    const groups = repeatedOf([...all, taken('thing 0', 'ben', 105)]);
    const ben = groups.find(({ thing, by }) => thing === 'thing 0' && by === 'ben')!;
    // The pointing bend takes a little off each: 4 ÷ length.
    expect(ben.values).toEqual([expect.closeTo(103, 1), expect.closeTo(105, 1)]);
    expect(groups).toHaveLength(8);
  });

  it('tells each person’s technical error, and how two people agree', () => {
    const groups = repeatedOf(all);
    const told = reliabilityByPerson(groups);
    expect(told.map(({ by }) => by)).toEqual(['ann']);
    expect(told[0].reliability).toEqual(reliabilityOf(groups.filter(({ by }) => by === 'ann').map(({ values }) => values)));
    expect(told[0].reliability.tem).toBeCloseTo(1, 2);
    const [both] = agreementByPeople(groups);
    expect(both.people).toEqual(['ann', 'ben']);
    expect(both.agreement.bias).toBeCloseTo(-3, 2);
    expect(both.agreement).toEqual(
      agreementOf(
        [0, 1, 2, 3].map((i) => {
          const [ann, ben] = ['ann', 'ben'].map(
            (name) => groups.find(({ thing, by }) => thing === `thing ${i}` && by === name)!.values,
          );
          return [(ann[0] + ann[1] + ann[2]) / 3, ben[0]];
        }),
      ),
    );
  });

  it('in pixels is left out beside what has a scale, and kept where nothing has', () => {
    const scale = {
      kind: 'lengths' as const,
      references: [
        { ends: [[0, 9] as [number, number], [10, 9] as [number, number]] as [[number, number], [number, number]], mm: 1 },
      ],
    };
    const groups = repeatedOf([taken('x', 'ann', 50, 51), { ...taken('y', 'ann', 50, 51), scale }]);
    expect(groups.map(({ thing, unit }) => [thing, unit])).toEqual([['y', 'mm']]);
    expect(repeatedOf([taken('x', 'ann', 50)])[0].unit).toBe('px');
    expect(repeatedOf([{ ...taken('x', 'ann'), sets: [{ a: [0, 0] }] }])).toEqual([]);
  });
});
