import { TELLS } from '../evidence';
import { compileGuide } from '../guide';
import type { Reading } from '../observation';
import { normal, seeded } from '../probability';
import { tinyGuide } from '../test/tinyGuide';
import { type Call, hitRates, judge, type Judged, type Overturned, overturnedBy, returningOf, turnedOut } from '.';

const compiled = compileGuide(tinyGuide());
const round: Reading = { character: 'edge', states: ['round'] };
const toothed: Reading = { character: 'edge', states: ['toothed'] };
const long: Reading = { character: 'length', value: 12.5 };

const call = (readings: readonly Reading[], more: Partial<Call> = {}): Call => ({
  ...{
    determination: 'd',
    called: { taxon: 'a', facets: {} },
    by: 'Ada',
    at: '2026-05-01T10:00:00.000Z',
    p: 0.8,
    situation: {},
    readings,
  },
  ...more,
});
const is = (taxon: string) => ({ taxon, facets: {} });
const judged = (readings: readonly Reading[], truth: string, after: readonly Reading[] = readings, more: Partial<Call> = {}) =>
  judge(compiled, call(readings, more), is(truth), after)!;

describe('did it turn out so', () => {
  const { guide } = compiled;
  it.each([
    ['the same', { taxon: 'a', facets: {} }, is('a'), true],
    ['another', { taxon: 'a', facets: {} }, is('b'), false],
    ['wider, and it is of it', { taxon: 'genus', facets: {} }, is('b'), true],
    ['further than the outcome goes', { taxon: 'a', facets: {} }, is('genus'), undefined],
    ['one of two', { taxon: 'b', other: 'a', facets: {} }, is('a'), true],
    ['a sex that is known to be another', { taxon: 'a', facets: { sex: 'm' } }, { taxon: 'a', facets: { sex: 'f' } }, false],
    ['a sex on which nothing was said', { taxon: 'a', facets: { sex: 'm' } }, is('a'), true],
  ])('called %s', (_, called, truth, right) => expect(turnedOut(guide, called, truth)).toBe(right));
});

describe('what a call rested on', () => {
  it('is told in bits between what it was called and what it was, the worst first, and adds up to the odds', () => {
    const { right, marks, margin } = judged([round, long], 'b');
    expect(right).toBe(false);
    expect(marks.map(({ reading }) => reading.character)).toEqual(['edge', 'length']);
    expect(marks[0].bits).toBeCloseTo(-2, 9);
    // Two normal curves of variance 1 + ½², at 10 and 12: (2.5² − 0.5²) / (2 · 1.25) nats.
    expect(marks[1].bits).toBeCloseTo(6 / 2.5 / Math.LN2, 9);
    expect(margin).toBeCloseTo(2 - 6 / 2.5 / Math.LN2, 9);
  });

  it('names the mark that told in the end where it has been read since, else the one that would have told', () => {
    const { misled, told } = judged([round], 'b', [round, long]);
    expect(misled).toBe('Edge: round, in 8 of ten Tessella alba, in 2 of ten Tessella brevis.');
    expect(told).toEqual({
      character: 'length',
      read: true,
      text: 'Length: about 12.0 in Tessella brevis, about 10.0 in Tessella alba.',
    });
    // Of edge, length and teeth, length lies farthest apart: nothing else has an overlap below .32.
    expect(judged([round], 'b').told).toBeUndefined();
    const apart = tinyGuide();
    apart.scores = apart.scores.map((score) =>
      score.character === 'length' && score.scope.taxon === 'b'
        ? { ...score, value: { kind: 'values', mean: 20, sd: 1 } }
        : score,
    );
    expect(judge(compileGuide(apart), call([round]), is('b'), [round])!.told).toMatchObject({ character: 'length', read: false });
  });

  it('says so where no mark misled', () => {
    expect(judged([toothed], 'b').misled).toMatch(/given against what had been read/);
    const common = compileGuide(
      tinyGuide({
        occurrence: [
          { kind: 'range', taxon: 'a', region: 'north', frequency: 0.9 },
          { kind: 'range', taxon: 'b', region: 'north', frequency: 0.1 },
        ],
        regions: [{ id: 'north', label: 'North' }],
      }),
    );
    const found = judge(common, call([], { situation: { region: 'north' } }), is('b'), []);
    expect(found!.misled).toMatch(/map, date/);
    expect(found).toMatchObject({ marks: [], right: false });
    expect(overturnedBy(found!, { specimenId: 's', kind: 'egg', on: '2026-01-01', truth: is('b') })).toBeUndefined();
  });

  it('is held against what came nearest where the call was right, and says nothing of what misled', () => {
    const found = judged([round, long], 'a');
    expect(found).toMatchObject({ right: true });
    expect(found.marks.map(({ reading, bits }) => [reading.character, bits > 0])).toEqual([
      ['length', false],
      ['edge', true],
    ]);
    expect([found.misled, found.told]).toEqual([undefined, undefined]);
  });

  it('is nothing where the outcome is wider than the name, or the guide knows no such form', () => {
    expect(judge(compiled, call([round]), is('genus'), [])).toBeUndefined();
    expect(judge(compiled, call([round], { called: { taxon: 'gone', facets: {} } }), is('b'), [])).toBeUndefined();
  });

  it('a name of two that holds what it was is right; of two others it is held against both', () => {
    expect(judged([round], 'b', [round], { called: { taxon: 'a', other: 'b', facets: {} } }).right).toBe(true);
  });
});

describe('warned next time', () => {
  const overturned = (readings: readonly Reading[]): Overturned =>
    overturnedBy(judged(readings, 'b'), { specimenId: 's', kind: 'egg', on: '2026-01-01', truth: is('b') })!;
  const returns = (then: readonly Reading[], now: readonly Reading[]) =>
    returningOf(compiled, {}, now, [overturned(then)]).length === 1;

  it('is when the leader, its loudest reading and the thin margin return', () => {
    expect(overturned([round])).toMatchObject({ lead: round, called: is('a'), truth: is('b') });
    expect(returns([round], [round])).toBe(true);
  });

  it.each([
    ['another leads', [round, long]],
    ['the mark is read otherwise', [toothed]],
    ['another reading speaks louder', [round, { character: 'length', value: 8 }]],
    ['nothing is read', []],
  ] as [string, Reading[]][])('is not when %s', (_, now) => expect(returns([round], now)).toBe(false));

  it('is not when the margin is broad now', () => {
    // 9.5 for `a` says nearly as much as the edge, so that the edge is still the loudest.
    expect(returns([round], [round, { character: 'length', value: 10.4 }])).toBe(false);
    expect(returns([round], [round, { character: 'length', value: 10.9 }])).toBe(true);
  });

  it('holds values alike that their errors do not tell apart', () => {
    const at = (value: number): Reading[] => [{ character: 'length', value, error: 0.5 }];
    expect(returns(at(10), at(10.4))).toBe(true);
    expect(returns(at(10), at(8))).toBe(false);
  });

  it('is silent on what the guide no longer knows', () => {
    const gone = { ...overturned([round]), called: is('gone') };
    expect(returningOf(compiled, {}, [round], [gone])).toEqual([]);
    expect(returningOf(compiled, {}, [round], [{ ...overturned([round]), truth: is('gone') }])).toEqual([]);
    expect(returningOf(compiled, {}, [round], [{ ...overturned([round]), lead: { character: 'gone' } }])).toEqual([]);
  });
});

describe('how often a mark is right', () => {
  it('is as often as the guide says it must be, over drawn specimens', () => {
    const random = seeded('marks');
    const found: Judged[] = Array.from({ length: 2000 }, () => {
      const truth = random() < 0.5 ? 'a' : 'b';
      const isRound = random() < (truth === 'a' ? 0.8 : 0.2);
      const value = (truth === 'a' ? 10 : 12) + Math.sqrt(1.25) * normal(random);
      const readings = [isRound ? round : toothed, { character: 'length', value }];
      return judged(readings, truth, readings, { called: is(random() < 0.5 ? 'a' : 'b') });
    });
    const counts = ['edge', 'length'].map((character) => {
      const said = found.flatMap(({ marks }) =>
        marks.filter(({ reading, bits }) => reading.character === character && Math.abs(bits) >= TELLS),
      );
      return { character, n: said.length, hits: said.filter(({ bits }) => bits > 0).length };
    });
    const rates = hitRates(counts.reverse());
    expect(rates.map(({ character }) => character)).toEqual(['edge', 'length']);
    expect(rates[0].n).toBe(2000);
    expect(rates[0].low).toBeLessThan(0.8);
    expect(rates[0].high).toBeGreaterThan(0.8);
    // Φ(0.894) = 0.814 of values lie on their own side of the middle; those near it say too little, and are not counted.
    expect(rates[1].rate).toBeGreaterThan(0.8);
    expect(rates[1].rate).toBeLessThan(0.9);
    expect(rates[1].n).toBeLessThan(2000);
  });
});
