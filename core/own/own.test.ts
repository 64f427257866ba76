import { checkGuide, compileGuide, disagreementsOf, formsOf, type Guide } from '../guide';
import type { Reading } from '../observation';
import { normal, seeded } from '../probability';
import { tinyGuide } from '../test/tinyGuide';
import {
  asBooksSay,
  CORRECTED,
  correctionOf,
  followedIn,
  isCorrected,
  OWN,
  ownCells,
  type VerifiedRecord,
  withOwn,
  withoutOwn,
} from '.';

const record = (taxon: string, readings: Reading[], more: Partial<VerifiedRecord> = {}): VerifiedRecord => ({
  ...{ truth: { taxon, facets: {} }, wrong: 0, readings },
  ...more,
});
const edge = (state: string): Reading => ({ character: 'edge', states: [state] });
const times = <T>(n: number, one: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => one(i));
const cells = (records: VerifiedRecord[], weight = 10, guide: Guide = tinyGuide()) =>
  ownCells(compileGuide(guide), records, weight);
/** So many of `a` read as round, the rest as toothed. */
const read = (round: number, n: number) => times(n, (i) => record('a', [edge(i < round ? 'round' : 'toothed')]));

describe('our own records of a state', () => {
  it('are counted, and with the books come to a Dirichlet posterior, where nothing is misread', () => {
    const [cell] = cells(read(5, 20));
    expect(cell).toMatchObject({ character: 'edge', taxon: 'a', facets: {}, n: 20, pulls: true });
    // Books 8 in 10, worth ten specimens: (8 + 5) / 30.
    expect(cell.states!.map(({ state, books, read: k, both }) => [state, books, k, both])).toEqual([
      ['round', 0.8, 5, expect.closeTo(13 / 30, 12)],
      ['toothed', expect.closeTo(0.2, 12), 15, expect.closeTo(17 / 30, 12)],
    ]);
    expect(cell.text).toBe('round: books 80 in 100; ours 5 of 20');
    // Exact: twenty times one in five, fifteen or more, and as rare on the other side.
    expect(cell.surprise).toBeCloseTo(1.8e-7, 7);
  });

  it('pull away only where the books would hardly have it so', () => {
    expect(cells(read(16, 20))[0]).toMatchObject({ pulls: false, surprise: expect.closeTo(1, 6) as number });
    expect(cells(read(13, 20))[0].pulls).toBe(false);
    expect(cells(read(9, 20))[0].pulls).toBe(true);
  });

  it('count for what may have been misread: with a reader who errs, less than what they said', () => {
    const errs = tinyGuide({ settings: { ...tinyGuide().settings, reliability: 0.9 } });
    const shares = (guide: Guide) => cells(read(50, 100), 10, guide)[0].states![0].both;
    expect(shares(tinyGuide())).toBeCloseTo(58 / 110, 12);
    // Half of what a reader with one error in ten says of two states is half: it stays there, against the books' eight in ten.
    const both = shares(errs);
    expect(both).toBeGreaterThan(0.5);
    expect(both).toBeLessThan(0.6);
    // A naive second way: the mode by trying all shares, of the likelihood with the books as ten of the true states.
    const tried = times(9999, (i) => (i + 1) / 10000);
    const logLikelihood = (p: number) =>
      8 * Math.log(p) + 2 * Math.log(1 - p) + 50 * Math.log(0.9 * p + 0.1 * (1 - p)) + 50 * Math.log(0.1 * p + 0.9 * (1 - p));
    const best = tried.reduce((top, p) => (logLikelihood(p) > logLikelihood(top) ? p : top));
    expect(both).toBeCloseTo(best, 3);
  });

  it('say nothing by fewer than five, a guess, several states, or what was not seen', () => {
    expect(cells(read(1, 4))).toEqual([]);
    const doubtful: Partial<Reading>[] = [
      { certainty: 'guess' },
      { states: ['round', 'toothed'] },
      { states: undefined, status: 'not-visible' },
    ];
    for (const more of doubtful) expect(cells(times(9, () => record('a', [{ ...edge('round'), ...more }])))).toEqual([]);
  });

  it('count a verification for less that may itself be wrong', () => {
    expect(cells(times(20, () => record('a', [edge('toothed')], { wrong: 0.25 })))[0].n).toBe(15);
    expect(cells(times(6, () => record('a', [edge('toothed')], { wrong: 0.5 })))).toEqual([]);
  });
});

describe('our own measurements', () => {
  const long = (mean: number, sd: number, n: number) => {
    const random = seeded('own');
    return times(n, () => record('a', [{ character: 'length', value: mean + Math.hypot(sd, 0.5) * normal(random) }]));
  };

  it('come with the books to a Normal-Inverse-Gamma posterior, the error taken out of the spread', () => {
    const values = [11, 12, 13, 12, 12];
    const [cell] = cells(
      values.map((value) => record('a', [{ character: 'length', value, error: 0.5 }])),
      5,
    );
    // Five of the books at 10, five of ours at 12; κ and ν five each.
    expect(cell.values!.read).toEqual({ mean: 12, sd: expect.closeTo(0.5, 12) as number });
    expect(cell.values!.both.mean).toBeCloseTo(11, 12);
    const variance = (5 * (1 + 0.25) + 2 + (25 / 10) * 4) / 10;
    expect(cell.values!.both.sd).toBeCloseTo(Math.sqrt(variance - 0.25), 12);
    expect(cell).toMatchObject({ pulls: true, text: 'books 10.0 ± 1.0 mm; ours 12.0 ± 0.50 mm, 5 measured' });
  });

  it('find what is truly there, whatever the books say, with enough of them', () => {
    const { both } = cells(long(13, 1.4, 4000), 10)[0].values!;
    expect(both.mean).toBeCloseTo(13, 1);
    expect(both.sd).toBeCloseTo(1.4, 1);
    expect(cells(long(10, 1, 200), 10)[0].pulls).toBe(false);
  });

  it('of one specimen measured again and again count as one', () => {
    const again = (value: number): Reading[] =>
      times(4, (i) => ({ id: String(i), character: 'length', value: value + (i % 2 ? 1 : -1) }));
    const [cell] = cells(times(6, () => record('a', again(10))));
    expect(cell.n).toBe(6);
    expect(cell.values!.read.mean).toBeCloseTo(10, 12);
  });

  it('of what is told by its logarithm are reckoned there, and told as they are', () => {
    const guide = tinyGuide();
    const log = {
      ...guide,
      characters: guide.characters.map((one) => (one.id === 'length' ? { ...one, log: true, error: 0 } : one)),
    };
    const [cell] = cells(
      times(8, () => record('a', [{ character: 'length', value: 20, error: 0 }])),
      10,
      log,
    );
    expect(cell.values!.books.mean).toBeCloseTo(10, 9);
    expect(cell.values!.books.sd).toBeCloseTo(1, 9);
    expect(cell.values!.read.mean).toBeGreaterThan(19.9);
    expect(cell.pulls).toBe(true);
  });
});

describe('a taxon whose forms differ in a character', () => {
  const guide = tinyGuide();
  const sexes = {
    sex: [
      { id: 'm', label: 'male' },
      { id: 'f', label: 'female' },
    ],
  };
  const forms = [{ share: 0.5, facets: { sex: { m: 0.5, f: 0.5 } } }];
  const sexed = (apart: boolean): Guide => ({
    ...guide,
    facets: sexes,
    taxa: guide.taxa.map((one) => (one.id === 'a' ? { ...one, forms } : one)),
    scores: apart
      ? [
          ...guide.scores,
          {
            character: 'edge',
            scope: { taxon: 'a', facets: { sex: ['f'] } },
            source: 'book',
            value: { kind: 'states', states: { round: 0.1 } },
          },
        ]
      : guide.scores,
  });

  it('is counted by form, where it is known which it was, and not where it is not', () => {
    expect(formsOf(sexed(true)).filter(({ taxon }) => taxon === 'a')).toHaveLength(2);
    const of = (sex?: string) =>
      times(6, () => record('a', [edge('round')], { truth: { taxon: 'a', facets: sex ? { sex } : {} } }));
    expect(cells(of(), 10, sexed(true))).toEqual([]);
    expect(cells([...of('f'), ...of('m')], 10, sexed(true)).map(({ facets, states }) => [facets, states![0].books])).toEqual([
      [{ sex: 'f' }, expect.closeTo(0.1, 9)],
      [{ sex: 'm' }, expect.closeTo(0.8, 9)],
    ]);
    // Where the guide does not tell the sexes apart by it, all count together.
    expect(cells([...of('f'), ...of()], 10, sexed(false))).toEqual([expect.objectContaining({ facets: {}, n: 12 })]);
  });

  it('or that the guide scores by season, is left out', () => {
    const dated: Guide = {
      ...guide,
      scores: guide.scores.map((one) =>
        one.character === 'edge' ? { ...one, scope: { ...one.scope, dates: { from: '05-01', to: '08-31' } } } : one,
      ),
    };
    expect(cells(read(5, 20), 10, dated)).toEqual([]);
  });
});

describe('as a source of the guide', () => {
  const guide = tinyGuide();
  const found = [...cells(read(2, 20)), ...cells(times(6, () => record('b', [{ character: 'teeth', value: 5 }])))];

  it('they are followed before the books, or kept beside, and can be taken away without a trace', () => {
    const followed = withOwn(guide, found, 'followed', 26);
    expect(checkGuide(followed)).toEqual([]);
    expect(followed.policy).toEqual({ kind: 'prefer', order: [OWN, 'book'] });
    expect(followed.scores.filter(({ source }) => source === OWN).map(({ value }) => value)).toEqual([
      { kind: 'states', states: { round: 0.3333, toothed: 0.6666 } },
      { kind: 'counts', counts: { 3: 0, 4: 0.3125, 5: 0.6875, 6: 0 } },
    ]);
    const beside = withOwn(followed, found, 'beside', 26);
    expect(beside.policy).toEqual({ kind: 'prefer', order: ['book'], exclude: [OWN] });
    expect(withoutOwn(beside)).toEqual(guide);
    expect(withoutOwn(guide)).toBe(guide);
    expect([guide, followed, beside].map(followedIn)).toEqual([undefined, 'followed', 'beside']);
    // Nothing to say is no source.
    expect(withOwn(guide, [], 'followed', 0)).toEqual(guide);
  });

  it('they join a pool with the weight of one', () => {
    const pool = tinyGuide({ policy: { kind: 'pool', weights: { book: 2 } } });
    const followed = withOwn(pool, found, 'followed', 26);
    expect(followed.policy).toEqual({ kind: 'pool', weights: { book: 2, [OWN]: 1 } });
    expect(withoutOwn(followed)).toEqual(pool);
  });

  it('they move what the guide says, and stand against the books where they differ', () => {
    const compiled = compileGuide(withOwn(guide, found, 'followed', 26));
    const a = compiled.forms.findIndex(({ taxon }) => taxon === 'a');
    const table = compiled.tables.get('edge')!;
    expect(table.type === 'states' && table.frequency[a]).toBeCloseTo(1 / 3, 3);
    expect(disagreementsOf(compiled).map(({ character, said }) => [character, said.map(({ source }) => source)])).toEqual([
      ['edge', [OWN, 'book']],
    ]);
  });
});

describe('a correction by our own records', () => {
  const guide = tinyGuide();
  const corrected = (of: Guide, cell = cells(read(5, 20))[0]): Guide => {
    const { source, policy, scores } = correctionOf(of, cell);
    return { ...of, sources: [...of.sources, source], policy, scores: [...of.scores, ...scores] };
  };

  it('is one mark of one taxon, asked before the books, and a guide that holds', () => {
    const next = corrected(guide);
    expect(checkGuide(next)).toEqual([]);
    const [cell] = cells(read(5, 20));
    expect(next.scores.slice(guide.scores.length)).toEqual([
      expect.objectContaining({ character: 'edge', source: CORRECTED, scope: { taxon: 'a' } }),
    ]);
    expect(isCorrected(next, cell)).toBe(true);
    expect(isCorrected(guide, cell)).toBe(false);
    expect(isCorrected(next, { ...cell, taxon: 'b' })).toBe(false);
    expect(isCorrected(next, { ...cell, facets: { sex: 'female' } })).toBe(false);
    // Asked of the guide as it then is, the books are what both came to.
    const both = Math.floor((13 / 30) * 1e4) / 1e4;
    expect(cells(read(16, 20), 10, next)[0].states![0].books).toBeCloseTo(both, 3);
  });

  it('goes away without a trace, with what is followed as a whole, for the guide as the books say', () => {
    const both = withOwn(corrected(guide), cells(read(5, 20)), 'followed', 20);
    expect(both.policy).toMatchObject({ order: [OWN, CORRECTED, ...(guide.policy as { order: string[] }).order] });
    expect(asBooksSay(both)).toEqual(guide);
    expect(asBooksSay(guide)).toBe(guide);
    expect(withoutOwn(both).scores.filter(({ source }) => source === CORRECTED)).toHaveLength(1);
  });

  it('in a guide that pools its sources counts as one of them', () => {
    const pooled = tinyGuide({ policy: { kind: 'pool', weights: { book: 3 } } });
    expect(correctionOf(pooled, cells(read(5, 20))[0]).policy).toEqual({ kind: 'pool', weights: { book: 3, [CORRECTED]: 1 } });
  });
});
