import { tinyGuide } from '../test/tinyGuide';
import { type Character, compileGuide, formsOf, type Guide, lineage, priorBits, statesTable, taxonAtRank, valuesTable } from '.';

const settings = { reliability: 1, slip: 0 };
const nominal: Character = {
  id: 'edge',
  label: 'Edge',
  kind: 'nominal',
  group: 'shape',
  views: ['top'],
  handling: 'look',
  distance: 'near',
  needsLight: false,
  seconds: 1,
  states: [
    { id: 'x', label: 'x' },
    { id: 'y', label: 'y' },
  ],
};
const half = Float64Array.of(0.5, 0.5);

describe('a table of states', () => {
  it('is laid out by state, then by form', () => {
    const { bits, frequency } = statesTable(nominal, ['x', 'y'], [{ p: [0.25, 0.75] }, { p: [0.5, 0.5] }], half, settings);
    expect([...frequency]).toEqual([0.25, 0.5, 0.75, 0.5]);
    expect(bits[0]).toBe(-2);
    expect(bits[3]).toBe(-1);
  });

  it('knows the predictive of the guide and a broader one for what is outside it', () => {
    const { predictive, outside } = statesTable(nominal, ['x', 'y'], [{ p: [0.9, 0.1] }, { p: [0.7, 0.3] }], half, settings);
    expect(predictive[0]).toBeCloseTo(0.8);
    // Half way to even: (0.8 + 0.5) / 2.
    expect(outside[0]).toBeCloseTo(0.65);
  });

  it('weighs the predictive by how common the forms are', () => {
    const { predictive } = statesTable(nominal, ['x', 'y'], [{ p: [1, 0] }, { p: [0, 1] }], Float64Array.of(0.9, 0.1), settings);
    expect(predictive[0]).toBeCloseTo(0.9);
  });
});

describe('a table of values', () => {
  it('has the mean and spread of the mixture of forms', () => {
    // Means 10 and 14, both with variance 1: centre 12, variance 1 + 2².
    const table = valuesTable(
      { ...nominal, kind: 'measurement' },
      [
        { mean: 10, sd: 1 },
        { mean: 14, sd: 1 },
      ],
      half,
    );
    expect(table.centre).toBe(12);
    expect(table.spread ** 2).toBeCloseTo(5);
  });

  it('gives forms without a score the mixture', () => {
    const table = valuesTable({ ...nominal, kind: 'measurement' }, [{ mean: 10, sd: 1 }, undefined], half);
    expect([table.mean[1], table.sd[1], table.scored[1]]).toEqual([10, 1, 0]);
  });
});

describe('log-scaled sizes', () => {
  it('are compiled to the logarithm’s mean and spread', () => {
    const guide = tinyGuide();
    guide.characters[1] = { ...guide.characters[1], log: true };
    guide.scores[2].value = { kind: 'range', range: '8–12.5' };
    const table = compileGuide(guide).tables.get('length')!;
    // The middle of ln 8 and ln 12.5 is ln 10.
    expect(table.type === 'values' && Math.exp(table.mean[0])).toBeCloseTo(10);
  });

  it('take a mean and sd as those of the size itself', () => {
    const guide = tinyGuide();
    guide.characters[1] = { ...guide.characters[1], log: true };
    const table = compileGuide(guide).tables.get('length')!;
    if (table.type !== 'values') throw new Error('length is measured');
    // Of a lognormal with these parameters the mean is exp(μ + σ²/2) = 10.
    expect(Math.exp(table.mean[0] + table.sd[0] ** 2 / 2)).toBeCloseTo(10);
  });
});

describe('counts', () => {
  it('from a range are whole numbers that add up to 1', () => {
    const guide = tinyGuide();
    guide.scores[4].value = { kind: 'values', mean: 4, sd: 0.5 };
    const table = compileGuide(guide).tables.get('teeth')!;
    if (table.type !== 'states') throw new Error('teeth are counted');
    const own = table.states.map((_, s) => table.frequency[s * 2]);
    expect(own.reduce((a, b) => a + b, 0)).toBeCloseTo(1);
    expect(own[1]).toBeGreaterThan(own[0]);
    expect(own[0]).toBeCloseTo(own[2]);
  });
});

describe('forms and lineages', () => {
  const facetted: Guide = tinyGuide({
    facets: {
      sex: [
        { id: 'f', label: 'f' },
        { id: 'm', label: 'm' },
      ],
      stage: [
        { id: 'adult', label: 'adult' },
        { id: 'young', label: 'young' },
      ],
    },
    taxa: [
      { id: 'g', name: 'G', rank: 'genus', abundance: 1 },
      {
        id: 'a',
        name: 'G a',
        rank: 'species',
        parent: 'g',
        abundance: 1,
        forms: [
          { share: 0.6, facets: { stage: { adult: 1 }, sex: { f: 0.5, m: 0.5 } } },
          { share: 0.4, facets: { stage: { young: 1 } } },
        ],
      },
    ],
    scores: tinyGuide().scores.slice(0, 1),
  } as unknown as Partial<Guide>);

  it('are the product of the facets of each block, and shares sum to 1', () => {
    const forms = formsOf(facetted);
    expect(forms.map((form) => [form.id, +form.share.toFixed(3)])).toEqual([
      ['a/adult.f', 0.3],
      ['a/adult.m', 0.3],
      ['a/young', 0.4],
    ]);
  });

  it('lead from a taxon up to its root', () => {
    expect(lineage(facetted, 'a').map((t) => t.id)).toEqual(['a', 'g']);
    expect(taxonAtRank(facetted, 'a', 'genus')?.id).toBe('g');
    expect(taxonAtRank(facetted, 'a', 'family')).toBeUndefined();
  });
});

describe('the prior by habitat and season', () => {
  const guide = tinyGuide({
    habitats: [
      { id: 'pool', label: 'pool' },
      { id: 'ledge', label: 'ledge' },
    ],
    occurrence: [
      { kind: 'habitat', taxon: 'a', habitat: 'pool', frequency: 0.8 },
      {
        kind: 'date',
        taxon: 'b',
        curve: [
          ['01-01', 0.2],
          ['07-01', 1],
        ],
      },
    ],
  });
  const odds = (setting: object) => {
    const { forms } = priorBits(compileGuide(guide), setting);
    return 2 ** (forms[0] - forms[1]);
  };

  it('favours where a taxon is recorded, and is slow to rule out where it is not', () => {
    const both = tinyGuide({
      ...guide,
      occurrence: [...guide.occurrence, { kind: 'habitat', taxon: 'b', habitat: 'ledge', frequency: 0.5 }],
    });
    const { forms: pool } = priorBits(compileGuide(both), { habitat: 'pool' });
    expect(2 ** (pool[0] - pool[1])).toBeCloseTo(0.8 / 0.02);
    const { forms: ledge } = priorBits(compileGuide(both), { habitat: 'ledge' });
    expect(2 ** (ledge[0] - ledge[1])).toBeCloseTo(0.02 / 0.5);
  });

  it('takes the mean of what is known for a taxon of which nothing is recorded', () => {
    expect(odds({ habitat: 'pool' })).toBeCloseTo(1);
    expect(odds({ habitat: 'ledge' })).toBeCloseTo(1);
    const species = (id: string) => ({
      id,
      name: `Tessella ${id}`,
      rank: 'species' as const,
      parent: 'genus',
      abundance: 1,
      forms: [{ share: 1, facets: {} }],
    });
    const five = tinyGuide({
      regions: [{ id: 'north', label: 'north' }],
      taxa: [tinyGuide().taxa[0], ...['a', 'b', 'c', 'd', 'e'].map(species)],
      occurrence: ['a', 'b', 'c', 'd'].map((taxon) => ({
        kind: 'range' as const,
        taxon,
        region: 'north',
        frequency: 'sometimes' as const,
      })),
    });
    const { forms } = priorBits(compileGuide(five), { region: 'north' });
    // Four recorded "sometimes", one not recorded anywhere: a fifth each.
    for (const bits of forms) expect(2 ** bits).toBeCloseTo((1 - five.settings.outside) / 5, 10);
  });

  it('follows the curve of the year', () => {
    expect(odds({ date: '2026-07-01' })).toBeCloseTo(1);
    expect(odds({ date: '2026-01-01' })).toBeCloseTo(5);
    expect(odds({ date: '2026-01-01', switchedOff: ['date'] })).toBeCloseTo(1);
  });
});
