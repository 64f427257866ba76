import { tinyGuide } from '../test/tinyGuide';
import { blockGuide } from '../test/blockGuide';
import {
  compileGuide,
  compiledFor,
  type Guide,
  priorBits,
  type Score,
  type StatesTable,
  type Table,
  type ValuesTable,
  withCross,
} from '.';
import { expectedRange, rangeSpread } from './ranges';

const two = (given: Partial<Guide>) =>
  tinyGuide({
    sources: [
      { id: 'book', label: 'Book', citation: 'A book.', kind: 'book' },
      { id: 'other', label: 'Other', citation: 'Another.', kind: 'book' },
    ],
    ...given,
  });
const applies = (source: string, frequency: number): Score => ({
  character: 'edge',
  scope: { taxon: 'a' },
  source,
  value: { kind: 'applies', frequency },
});
const longer = (source: string, relation: 'above' | 'below'): Score => ({
  character: 'length',
  scope: { taxon: 'a' },
  source,
  value: { kind: 'comparison', relation, than: { taxon: 'b' } },
});

describe('whether a character applies', () => {
  const scores = (order: string[]) => [
    ...tinyGuide().scores,
    ...order.map((source) => applies(source, source === 'book' ? 0.9 : 0.1)),
  ];
  const of = (guide: Guide, policy?: Guide['policy']) => compileGuide(guide, {}, policy).tables.get('edge')!.applies![0];

  it('follows the sources, not the order of the file', () => {
    for (const order of [
      ['book', 'other'],
      ['other', 'book'],
    ]) {
      const guide = two({ scores: scores(order) });
      expect(of(guide)).toBe(0.9);
      expect(of(guide, { kind: 'prefer', order: ['other', 'book'] })).toBe(0.1);
      expect(of(guide, { kind: 'pool', weights: { book: 3, other: 1 } })).toBeCloseTo(0.7, 12);
      expect(of(guide, { kind: 'prefer', order: ['other'], exclude: ['other'] })).toBe(0.9);
    }
  });

  it('comparisons do, too', () => {
    for (const order of [
      ['book', 'other'],
      ['other', 'book'],
    ] as const) {
      const values = tinyGuide().scores.filter(({ scope, character }) => character === 'length' && scope.taxon === 'b');
      const guide = two({ scores: [...values, ...order.map((source) => longer(source, source === 'book' ? 'above' : 'below'))] });
      const mean = (policy?: Guide['policy']) => (compileGuide(guide, {}, policy).tables.get('length') as ValuesTable).mean[0];
      expect(mean()).toBeGreaterThan(12);
      expect(mean({ kind: 'prefer', order: ['other', 'book'] })).toBeLessThan(12);
      expect(mean({ kind: 'pool', weights: { book: 1, other: 5 } })).toBeLessThan(12);
    }
  });
});

describe('published numbers', () => {
  it('the ends of a count belong to it: 4–6 reaches from 3.5 to 6.5', () => {
    const guide = tinyGuide({
      scores: [
        { character: 'teeth', scope: { taxon: 'a' }, source: 'book', value: { kind: 'range', range: '4–6' } },
        { character: 'teeth', scope: { taxon: 'b' }, source: 'book', value: { kind: 'counts', counts: { 3: 1 } } },
      ],
    });
    const { frequency, states } = compileGuide(guide).tables.get('teeth') as StatesTable;
    const p = new Map(states.map((state, s) => [state, frequency[s * 2]]));
    // sd 1.5 / 1.96 = 0.765: the middle holds about half, the ends a quarter each.
    expect(p.get('5')).toBeGreaterThan(0.42);
    expect(p.get('5')).toBeLessThan(0.54);
    expect(p.get('4')).toBeGreaterThan(0.2);
  });

  it('the range of n is as wide as n make it (Tippett’s d₂)', () => {
    // As tabulated: d₂(2) = 1.128, d₂(5) = 2.326, d₂(25) = 3.931.
    expect(expectedRange(2)).toBeCloseTo(1.1284, 3);
    expect(expectedRange(5)).toBeCloseTo(2.3259, 3);
    expect(expectedRange(25)).toBeCloseTo(3.9306, 3);
    expect(rangeSpread({ low: 30, high: 40 }, false, 5).sd).toBeCloseTo(10 / 2.3259, 3);
    expect(rangeSpread({ low: 30, high: 40 }, false, 500).sd).toBeLessThan(rangeSpread({ low: 30, high: 40 }, false).sd);
  });
});

describe('a cross', () => {
  const pair = ['a', 'b'] as [string, string];

  it('is met when both its parents are, whichever is named first', () => {
    const guide = tinyGuide({
      occurrence: [
        {
          kind: 'date',
          taxon: 'b',
          curve: [
            ['01-01', 0],
            ['07-01', 1],
          ],
        },
      ],
    });
    const at = (order: [string, string]) => {
      const compiled = compileGuide(withCross(guide, order));
      const { forms } = priorBits(compiled, { date: '2026-01-01' });
      return compiled.forms.reduce((sum, form, f) => sum + (form.cross ? 2 ** forms[f] : 0), 0) / 2 ** forms[0];
    };
    expect(at(['a', 'b'])).toBeCloseTo(at(['b', 'a']), 10);
    const { forms } = priorBits(compileGuide(withCross(guide, pair)), { date: '2026-01-01', switchedOff: ['date'] });
    expect(at(pair)).toBeLessThan(2 ** (forms[2] - forms[0]) * 4);
  });

  it('has what its parents have: applicability between theirs', () => {
    const guide = tinyGuide({
      scores: [...tinyGuide().scores, applies('book', 0.01), { ...applies('book', 0.01), scope: { taxon: 'b' } }],
    });
    const { applies: own } = compileGuide(withCross(guide, pair)).tables.get('edge')!;
    expect([...own!].every((share) => Math.abs(share - 0.01) < 1e-12)).toBe(true);
  });

  it('lies between its parents in a measured block, covariance and all', () => {
    const guide = blockGuide({
      forms: [
        { taxon: 'a', facets: {}, n: 30, mean: [10, 10], covariance: [1, 0.9, 1] },
        { taxon: 'b', facets: {}, n: 20, mean: [12, 14], covariance: [3, 0.5, 2] },
      ],
    });
    const { blocks, forms } = compileGuide(withCross(guide, pair));
    const half = forms.findIndex(({ cross }) => cross?.share === 0.5);
    const row = blocks[0].rows[blocks[0].rowOf[half]];
    expect(row).toMatchObject({ n: 20, mean: [11, 12] });
    expect([...row.covariance!]).toEqual([2, 0.7, 1.5].map((x) => expect.closeTo(x, 12)));
  });
});

describe('compiling again', () => {
  it('resolves only what a changed date touches', () => {
    const base = tinyGuide();
    const guide = tinyGuide({
      scores: [
        ...base.scores,
        {
          character: 'edge',
          scope: { taxon: 'a', dates: { from: '06-01', to: '08-31' } },
          source: 'book',
          value: { kind: 'states', states: { round: 0.1 } },
        },
      ],
    });
    const tables = (date?: string) => compiledFor(guide, { date }).tables;
    const [winter, summer, again] = [tables('2026-01-10'), tables('2026-07-10'), tables('2026-02-20')];
    const round = (table: Table) => (table as StatesTable).frequency[0];
    expect(round(winter.get('edge')!)).toBe(0.8);
    expect(round(summer.get('edge')!)).toBe(0.1);
    expect(summer.get('length')).toBe(winter.get('length'));
    expect(again.get('edge')).toBe(winter.get('edge'));
  });

  it('is asked for once: the same setting gives the same object', () => {
    const guide = tinyGuide();
    expect(compiledFor(guide, { region: 'x' })).toBe(compiledFor(guide, { region: 'x' }));
    expect(compiledFor(guide, {}, { cross: pair() }).guide).toBe(
      compiledFor(guide, { date: '2026-01-01' }, { cross: pair() }).guide,
    );
  });
  const pair = (): [string, string] => ['a', 'b'];
});
