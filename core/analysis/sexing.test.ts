import type { Guide } from '../guide';
import type { Reading } from '../observation';
import type { VerifiedRecord } from '../own';
import { tinyGuide } from '../test/tinyGuide';
import { sexingOf } from './sexing';

type Score = Guide['scores'][number];
const states = (character: string, sex: string, value: Record<string, number>): Score => ({
  ...{ character, source: 'book', value: { kind: 'states', states: value } },
  scope: { taxon: 'a', facets: { sex: [sex] } },
});
const counts = (sex: string, value: Record<string, number>): Score => ({
  ...{ character: 'teeth', source: 'book', value: { kind: 'counts', counts: value } },
  scope: { taxon: 'a', facets: { sex: [sex] } },
});
/** Females are round in 8 of 10 and males in 2; females have four teeth in 9 of 10, males in half. */
const guide = (more: Partial<Guide> = {}): Guide => {
  const [genus, a, b] = tinyGuide().taxa;
  const forms = [{ share: 1, facets: { sex: { female: 0.5, male: 0.5 } } }];
  return tinyGuide({
    facets: {
      sex: [
        { id: 'female', label: 'female' },
        { id: 'male', label: 'male' },
      ],
    },
    taxa: [genus, { ...a, forms }, b],
    scores: [
      states('edge', 'female', { round: 0.8, toothed: 0.2 }),
      states('edge', 'male', { round: 0.2, toothed: 0.8 }),
      counts('female', { 4: 0.9, 5: 0.1 }),
      counts('male', { 4: 0.5, 5: 0.5 }),
      ...tinyGuide().scores.filter(({ scope }) => scope.taxon === 'b'),
    ],
    ...more,
  });
};
const edge = (state: string): Reading => ({ character: 'edge', states: [state] });
const teeth = (value: number): Reading => ({ character: 'teeth', value });
const ofSex = (sex: string, state: string, n: number): VerifiedRecord[] =>
  Array.from({ length: n }, () => ({ truth: { taxon: 'a', facets: { sex } }, wrong: 0, readings: [edge(state)] }));
const ask = (readings: Reading[], records: VerifiedRecord[] = [], own = guide()) =>
  sexingOf(own, { taxon: 'a', readings, records, weight: 10 });
/** Ten of each sex of a strain in which males are round as often as elsewhere females. */
const strain = [
  ...ofSex('female', 'round', 2),
  ...ofSex('female', 'toothed', 8),
  ...ofSex('male', 'round', 8),
  ...ofSex('male', 'toothed', 2),
];

describe('the sex by several marks', () => {
  it('is what the guide has of them together, and each says what the odds would lack without it', () => {
    const { female, books, marks, known } = ask([edge('round'), teeth(5)])!;
    // 0.8 · 0.1 beside 0.2 · 0.5.
    expect(female).toBeCloseTo(0.08 / 0.18, 9);
    expect(books).toBeCloseTo(0.08 / 0.18, 9);
    expect(marks).toEqual([
      { character: 'teeth', bits: expect.closeTo(Math.log2(0.1 / 0.5), 9) as number, ours: false },
      { character: 'edge', bits: expect.closeTo(2, 9) as number, ours: false },
    ]);
    expect(known).toBe(0);
  });

  it.each([
    ['prefers one source', {}],
    ['pools its sources', { policy: { kind: 'pool' as const, weights: { book: 1 } } }],
  ])('follows what its strain shows here where the guide %s', (_, more) => {
    const { female, books, marks, known } = ask([edge('round')], strain, guide(more))!;
    // Worth ten: females (8 + 2) / 20 round, males (2 + 8) / 20. It says nothing more.
    expect(female).toBeCloseTo(0.5, 3);
    expect(books).toBeCloseTo(0.8, 9);
    expect(known).toBe(20);
    expect(marks.every(({ bits }) => Math.abs(bits) < 0.01)).toBe(true);
  });

  it('is weighed by the guide where too few of its strain are known', () => {
    expect(ask([edge('round')], strain.slice(0, 3))!.female).toBeCloseTo(0.8, 9);
  });

  it('is not told without a mark, nor by a guide that does not tell the sexes apart', () => {
    expect(ask([])).toEqual({ marks: [], known: 0 });
    expect(sexingOf(tinyGuide(), { taxon: 'a', readings: [edge('round')], records: [], weight: 10 })).toBeUndefined();
  });

  it('that no male can show is told without a number that is none', () => {
    const only = guide({
      scores: [states('edge', 'female', { round: 1 }), states('edge', 'male', { toothed: 1 })],
    });
    const { female, marks } = ask([edge('round')], [], only)!;
    expect(female).toBeGreaterThan(0.999);
    expect(Number.isFinite(marks[0].bits)).toBe(true);
  });
});
