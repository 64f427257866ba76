import fc from 'fast-check';
import { ledgeCrabs } from '../../demo/ledgeCrabs';
import { tinyGuide } from '../test/tinyGuide';
import {
  compileGuide,
  curveAt,
  DEFAULT_WORDS,
  dayOfYear,
  formsOf,
  type Guide,
  misreadingMatrix,
  parseRange,
  priorBits,
  printRange,
  rangeSpread,
  readGuide,
  spreadFrequencies,
  type StatesTable,
  type ValuesTable,
  withinDates,
} from '.';

const ranges = fc
  .tuple(
    fc.integer({ min: 1, max: 500 }),
    fc.integer({ min: 1, max: 90 }),
    fc.integer({ min: 1, max: 90 }),
    fc.integer({ min: 1, max: 90 }),
    fc.boolean(),
    fc.boolean(),
  )
  .map(([lowest, a, b, c, hasLow, hasHigh]) => ({
    lowest: hasLow ? lowest / 10 : undefined,
    low: (lowest + a) / 10,
    high: (lowest + a + b) / 10,
    highest: hasHigh ? (lowest + a + b + c) / 10 : undefined,
  }));

describe('published ranges', () => {
  it('are read back as they were printed', () => {
    fc.assert(
      fc.property(ranges, (range) => {
        const read = parseRange(printRange(range));
        expect(read).toEqual({ ok: true, value: range });
      }),
    );
  });

  it('take b–c as the central 95 %', () => {
    // (40 − 30) / 2 = 5; 5 / 1.95996 = 2.5511
    const spread = rangeSpread({ low: 30, high: 40 }, false);
    expect(spread.mean).toBe(35);
    expect(spread.sd).toBeCloseTo(2.5511, 4);
  });

  it('take (a–)b–c(–d) as 99.5 % and 90 %', () => {
    // inner 5 / 1.64485 = 3.03979; outer (7 + 9) / 2 / 2.80703 = 2.84999; their mean 2.94489
    const spread = rangeSpread({ lowest: 28, low: 30, high: 40, highest: 44 }, false);
    expect(spread.sd).toBeCloseTo(2.94489, 4);
  });

  it.each([
    ['31–', 'range-unreadable'],
    ['big', 'range-unreadable'],
    ['38–31', 'range-backwards'],
    ['(40–)31–38', 'range-backwards'],
    ['5–5', 'range-backwards'],
  ])('say what is wrong with %s', (text, code) => {
    const read = parseRange(text);
    expect(read.ok ? undefined : read.problems[0].code).toBe(code);
  });
});

describe('frequency words', () => {
  it('keep their numbers and leave the rest to the states not mentioned', () => {
    expect(spreadFrequencies(['a', 'b', 'c'], { a: 'usually' }).p).toEqual([0.85, 0.07500000000000001, 0.07500000000000001]);
  });

  it('always add up to 1, and a sum above 1 is told', () => {
    const word = fc.constantFrom(...(Object.keys(DEFAULT_WORDS) as (keyof typeof DEFAULT_WORDS)[]));
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd'), word, { minKeys: 1 }), (stated) => {
        const { p, sum } = spreadFrequencies(['a', 'b', 'c', 'd'], stated);
        expect(p.reduce((x, y) => x + y, 0)).toBeCloseTo(1, 12);
        expect(sum).toBeCloseTo(
          Object.values(stated).reduce((x, w) => x + DEFAULT_WORDS[w], 0),
          12,
        );
      }),
    );
  });
});

describe('dates', () => {
  it('know spans that pass the turn of the year', () => {
    expect(withinDates('2026-01-10', { from: '11-01', to: '02-15' })).toBe(true);
    expect(withinDates('2026-06-10', { from: '11-01', to: '02-15' })).toBe(false);
  });

  it('read a curve between its points and round the year', () => {
    const curve = [
      ['03-02', 0],
      ['07-10', 1],
    ] as const;
    expect(dayOfYear('03-02')).toBe(61);
    // 191 − 61 = 130 days up; 65 days after 2 March is half way.
    expect(curveAt(curve, '05-06')).toBeCloseTo(0.5, 10);
    // From 10 July back to 2 March are 235 days; 26 September is 78 of them on: 1 − 78/235.
    expect(curveAt(curve, '09-26')).toBeCloseTo(1 - 78 / 235, 10);
    expect(curveAt([['05-01', 0.4]], '12-01')).toBe(0.4);
  });
});

describe('misreading', () => {
  it('gives every true state a full distribution of readings', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 9 }),
        fc.boolean(),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        (S, ordered, rho, slip) => {
          const matrix = misreadingMatrix(S, ordered, rho, slip);
          for (let s = 0; s < S; s++) expect(matrix.slice(s * S, s * S + S).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
        },
      ),
    );
  });

  it('spreads to neighbours when ordered, to all others when not', () => {
    expect([...misreadingMatrix(3, true, 0.9, 0)].map((x) => +x.toFixed(3))).toEqual([0.9, 0.1, 0, 0.05, 0.9, 0.05, 0, 0.1, 0.9]);
    expect([...misreadingMatrix(3, false, 0.9, 0)].slice(0, 3).map((x) => +x.toFixed(3))).toEqual([0.9, 0.05, 0.05]);
  });
});

const states = (guide: Guide, setting = {}, policy = guide.policy) =>
  compileGuide(guide, setting, policy).tables.get('edge') as StatesTable;
const score = (scope: object, round: number, source = 'book') => ({
  character: 'edge',
  scope,
  source,
  value: { kind: 'states' as const, states: { round } },
});

describe('compiling', () => {
  const two = {
    sources: [
      { id: 'book', label: 'B', citation: 'B', kind: 'book' as const },
      { id: 'paper', label: 'P', citation: 'P', kind: 'paper' as const },
    ],
  };

  it('lets the most specific scope win: taxon depth, then facets, region, dates', () => {
    const guide = tinyGuide({
      regions: [{ id: 'north', label: 'North' }],
      scores: [score({ taxon: 'a', regions: ['north'] }, 0.9), score({ taxon: 'genus' }, 0.5), score({ taxon: 'a' }, 0.7)],
    });
    expect(states(guide).frequency[0]).toBeCloseTo(0.7);
    expect(states(guide, { region: 'north' }).frequency[0]).toBeCloseTo(0.9);
    expect(states(guide).frequency[1]).toBeCloseTo(0.5);
  });

  it('holds dated scores only within their dates', () => {
    const guide = tinyGuide({
      scores: [score({ taxon: 'genus' }, 0.5), score({ taxon: 'genus', dates: { from: '04-01', to: '07-31' } }, 0.9)],
    });
    expect(states(guide, { date: '2026-05-12' }).frequency[0]).toBeCloseTo(0.9);
    expect(states(guide, { date: '2026-12-12' }).frequency[0]).toBeCloseTo(0.5);
    expect(states(guide).frequency[0]).toBeCloseTo(0.5);
  });

  it('prefers, pools or leaves out sources', () => {
    const guide = tinyGuide({ ...two, scores: [score({ taxon: 'a' }, 0.8), score({ taxon: 'a' }, 0.4, 'paper')] });
    expect(states(guide, {}, { kind: 'prefer', order: ['paper', 'book'] }).frequency[0]).toBeCloseTo(0.4);
    // (3 × 0.8 + 1 × 0.4) / 4
    expect(states(guide, {}, { kind: 'pool', weights: { book: 3, paper: 1 } }).frequency[0]).toBeCloseTo(0.7);
    expect(states(guide, {}, { kind: 'prefer', order: ['book'], exclude: ['book'] }).frequency[0]).toBeCloseTo(0.4);
  });

  it('pools values with the spread between the sources in it', () => {
    const value = (mean: number, source: string) => ({
      character: 'length',
      scope: { taxon: 'a' },
      source,
      value: { kind: 'values' as const, mean, sd: 1 },
    });
    const guide = tinyGuide({ ...two, scores: [value(10, 'book'), value(12, 'paper')] });
    const table = compileGuide(guide, {}, { kind: 'pool', weights: {} }).tables.get('length') as ValuesTable;
    // mean 11, variance 1 + 1² = 2
    expect(table.mean[0]).toBeCloseTo(11);
    expect(table.sd[0] ** 2).toBeCloseTo(2);
  });

  it('gives forms without a score the predictive of the others, never zero', () => {
    const table = states(tinyGuide({ scores: [score({ taxon: 'a' }, 0.8)] }));
    expect(2 ** table.bits[1]).toBeCloseTo(0.8);
    expect(table.scored[1]).toBe(0);
  });
});

describe('the prior', () => {
  it('multiplies range, habitat, date, abundance and shares, and each can be switched off', () => {
    const guide = tinyGuide({
      regions: [
        { id: 'north', label: 'North' },
        { id: 'south', label: 'South' },
      ],
      occurrence: [
        { kind: 'range', taxon: 'a', region: 'north', frequency: 0.9 },
        { kind: 'range', taxon: 'b', region: 'north', frequency: 0.1 },
      ],
    });
    const compiled = compileGuide(guide);
    const odds = (setting: object) => {
      const { forms } = priorBits(compiled, setting);
      return 2 ** (forms[0] - forms[1]);
    };
    expect(odds({})).toBeCloseTo(1);
    expect(odds({ region: 'north' })).toBeCloseTo(9);
    expect(odds({ region: 'north', switchedOff: ['range'] })).toBeCloseTo(1);
    expect(odds({ region: 'south' })).toBeCloseTo(1);
  });

  it('leaves ε for what is not in the guide', () => {
    const { forms, outside } = priorBits(compileGuide(ledgeCrabs), { region: 'ostren', date: '2026-05-12' });
    expect(2 ** outside).toBeCloseTo(0.02);
    expect(forms.reduce((sum, bits) => sum + 2 ** bits, 2 ** outside)).toBeCloseTo(1, 10);
  });
});

describe('reading a guide in', () => {
  it('takes the ledge crabs back as they were', () => {
    expect(readGuide(JSON.parse(JSON.stringify(ledgeCrabs)))).toEqual({ ok: true, value: ledgeCrabs });
  });

  it('names every field that is wrong, and takes nothing', () => {
    const broken = structuredClone(ledgeCrabs);
    broken.scores[0].character = 'nothing';
    broken.scores[1].source = 'hearsay';
    broken.taxa[1].parent = 'nobody';
    const read = readGuide(broken);
    expect(read.ok ? [] : read.problems.map(({ code, field }) => [code, field])).toEqual(
      expect.arrayContaining([
        ['unknown-character', 'scores[0].character'],
        ['unknown-source', 'scores[1].source'],
        ['unknown-taxon', 'taxa[1].parent'],
      ]),
    );
  });

  it('tells of frequencies above 1, states that do not exist and ranges that cannot be read', () => {
    const guide = tinyGuide();
    guide.scores[0].value = { kind: 'states', states: { round: 'always', toothed: 'often', square: 0.1 } };
    guide.scores[2].value = { kind: 'range', range: 'about ten' };
    const read = readGuide(guide);
    expect(read.ok ? [] : read.problems.map((p) => p.code)).toEqual([
      'unknown-state',
      'frequencies-above-one',
      'range-unreadable',
    ]);
  });

  it.each<[Record<string, 'always' | number>]>([[{ round: 'always' }], [{ round: 0.6, toothed: 0.3 }], [{}]])(
    'tells that where it is not known which state it is, two or more are named alike (%#)',
    (states) => {
      const guide = tinyGuide();
      guide.scores[0].value = { kind: 'states', states, uncertain: true };
      const read = readGuide(guide);
      expect(read.ok ? [] : read.problems.map((p) => [p.code, p.field])).toEqual([
        ['uncertain-states', 'scores[0].value.uncertain'],
      ]);
    },
  );

  it('tells of a misshapen file by its path', () => {
    const read = readGuide({ ...ledgeCrabs, taxa: [{ id: 'A B', name: 'x', rank: 'species' }] });
    expect(read.ok ? undefined : read.problems[0].field).toBe('taxa[0].id');
  });
});

describe('the ledge crabs', () => {
  it('have 18 forms, at least 24 characters, and a score for every form and character', () => {
    const compiled = compileGuide(ledgeCrabs);
    expect(formsOf(ledgeCrabs)).toHaveLength(18);
    expect(ledgeCrabs.characters.length).toBeGreaterThanOrEqual(24);
    const missing = [...compiled.tables].flatMap(([id, table]) =>
      [...table.scored].flatMap((scored, f) => (scored ? [] : [`${id} of ${compiled.forms[f].id}`])),
    );
    expect(missing).toEqual([]);
  });

  it('have two sources that contradict each other on some cells', () => {
    const frequencies = (order: string[]) =>
      (compileGuide(ledgeCrabs, {}, { kind: 'prefer', order }).tables.get('belly-spots') as StatesTable).frequency;
    expect([...frequencies(['handbook', 'revision'])]).not.toEqual([...frequencies(['revision', 'handbook'])]);
  });
});
