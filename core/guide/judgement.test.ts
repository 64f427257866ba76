import { ledgeCrabs } from '../../demo/ledgeCrabs';
import { tentCones } from '../../demo/tentCones';
import { normalBelow } from '../probability';
import { tinyGuide } from '../test/tinyGuide';
import {
  checkGuide,
  compileGuide,
  disagreementsOf,
  findTaxa,
  formsOf,
  type Guide,
  namingOf,
  priorBits,
  readGuide,
  type Score,
  type SourcePolicy,
  tableUnder,
  withCross,
} from '.';

const at = (guide: Guide, form: string) => formsOf(guide).findIndex(({ id }) => id === form);
const lengths = (guide: Guide, ...rest: Parameters<typeof compileGuide> extends [unknown, ...infer R] ? R : never) => {
  const table = compileGuide(guide, ...rest).tables.get('length')!;
  if (table.type !== 'values') throw new Error('length is a value');
  return table;
};

const tiny = tinyGuide();
const comparison = (relation: 'above' | 'below'): Score => ({
  character: 'length',
  scope: { taxon: 'b' },
  source: 'book',
  value: { kind: 'comparison', relation, than: { taxon: 'a' } },
});
const without = (taxon: string) => tiny.scores.filter((s) => !(s.character === 'length' && s.scope.taxon === taxon));
const above = (x: { mean: Float64Array; sd: Float64Array }, a: number, b: number) =>
  normalBelow(x.mean[a] - x.mean[b], 0, Math.hypot(x.sd[a], x.sd[b]));

describe('“longer than in B”', () => {
  it.each(['above', 'below'] as const)('places a taxon that has no value of its own %s the other, in 9 of 10', (relation) => {
    const table = lengths(tinyGuide({ scores: [...without('b'), comparison(relation)] }));
    expect(above(table, 1, 0)).toBeCloseTo(relation === 'above' ? 0.9 : 0.1, 9);
    expect(table.sd[1]).toBe(table.sd[0]);
    expect([...table.inferred!]).toEqual([0, 1]);
  });

  it('shifts the less known of two that are both measured', () => {
    const measured = (taxon: string, mean: number, n: number): Score => ({
      character: 'length',
      scope: { taxon },
      source: 'book',
      value: { kind: 'values', mean, sd: 1, n },
    });
    const few = lengths(tinyGuide({ scores: [measured('a', 10, 80), measured('b', 10.2, 5), comparison('above')] }));
    expect([few.mean[0], above(few, 1, 0)]).toEqual([10, expect.closeTo(0.9, 9)]);
    expect([...few.inferred!]).toEqual([0, 1]);
    const many = lengths(tinyGuide({ scores: [measured('a', 10, 5), measured('b', 10.2, 80), comparison('above')] }));
    expect([many.mean[1], above(many, 1, 0)]).toEqual([10.2, expect.closeTo(0.9, 9)]);
    expect([...many.inferred!]).toEqual([1, 0]);
  });

  it('leaves alone what is more certain already', () => {
    const apart = tiny.scores.map((s) =>
      s.character === 'length' && s.scope.taxon === 'b' ? { ...s, value: { kind: 'values' as const, mean: 20, sd: 1 } } : s,
    );
    const table = lengths(tinyGuide({ scores: [...apart, comparison('above')] }));
    expect([table.mean[1], table.inferred![1]]).toEqual([20, 0]);
  });

  it('says nothing where the other is unknown too', () => {
    const table = lengths(tinyGuide({ scores: [...without('b').filter((s) => s.character !== 'length'), comparison('above')] }));
    expect([...table.scored]).toEqual([0, 0]);
  });

  it('is drawn from the demo: the lancer gapes more widely than the weaver', () => {
    const table = compileGuide(tentCones).tables.get('aperture-ratio')!;
    if (table.type !== 'values') throw new Error('a ratio is a value');
    const [x, l] = [at(tentCones, 'vexillax/adult'), at(tentCones, 'lenior/adult')];
    expect(above(table, x, l)).toBeCloseTo(0.9, 6);
    expect(table.inferred![x]).toBe(1);
  });
});

describe('circumstances', () => {
  const siphon = (circumstances?: string[]) => compileGuide(tentCones, { circumstances }).tables.get('siphon')!;

  it('bring in the scores that hold only in them', () => {
    expect(siphon().scored[at(tentCones, 'vexillax/adult')]).toBe(0);
    expect(siphon(['wet']).scored[at(tentCones, 'vexillax/adult')]).toBe(0);
    expect(siphon(['wet', 'crawling']).scored[at(tentCones, 'vexillax/adult')]).toBe(1);
  });

  it('beat a plain score of the same taxon, and lose to a deeper taxon', () => {
    const windy = { id: 'wind', label: 'wind' };
    const edge = (round: number, more: object): Score => ({
      character: 'edge',
      scope: more,
      source: 'book',
      value: { kind: 'states', states: { round } },
    });
    const guide = tinyGuide({
      circumstances: [windy],
      scores: [edge(0.9, { taxon: 'genus', circumstances: ['wind'] }), edge(0.5, { taxon: 'genus' }), edge(0.1, { taxon: 'b' })],
    });
    const rounds = (circumstances?: string[]) => {
      const table = compileGuide(guide, { circumstances }).tables.get('edge')!;
      return table.type === 'states' ? [...table.frequency.subarray(0, 2)] : [];
    };
    expect(rounds()).toEqual([0.5, 0.1]);
    expect(rounds(['wind'])).toEqual([0.9, 0.1]);
  });
});

describe('a cross', () => {
  const crossed = withCross(tiny, ['a', 'b']);
  const forms = formsOf(crossed);

  it('comes in three shares of ancestry that add up to one', () => {
    const own = forms.filter(({ cross }) => cross);
    expect(own.map(({ id }) => id)).toEqual(['a-x-b~25', 'a-x-b~50', 'a-x-b~75']);
    expect(own.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
  });

  it('lies between its parents by its share, states mixed', () => {
    const compiled = compileGuide(crossed);
    const length = compiled.tables.get('length')!;
    const edge = compiled.tables.get('edge')!;
    if (length.type !== 'values' || edge.type !== 'states') throw new Error('kinds');
    const [q25, q50, q75] = ['a-x-b~25', 'a-x-b~50', 'a-x-b~75'].map((id) => at(crossed, id));
    expect([length.mean[q25], length.mean[q50], length.mean[q75]]).toEqual([11.5, 11, 10.5]);
    expect(length.sd[q50]).toBeCloseTo(1, 12);
    expect(edge.frequency[q50]).toBeCloseTo(0.5, 12);
    expect(edge.frequency[q75]).toBeCloseTo(0.75 * 0.8 + 0.25 * 0.2, 12);
  });

  it('is named with its sign and stands beside its parents', () => {
    expect(crossed.taxa.at(-1)).toMatchObject({ name: 'Tessella alba × T. brevis', parent: 'genus', rank: 'species' });
  });

  it('is not made twice, nor of what is not there', () => {
    expect(withCross(crossed, ['b', 'a'])).toBe(crossed);
    expect(withCross(tiny, ['a', 'nothing'])).toBe(tiny);
  });

  it('is only where both its parents are', () => {
    const compiled = compileGuide(tentCones);
    const { forms: prior } = priorBits(compiled, { region: 'lagoons' });
    const elsewhere = priorBits(compiled, { region: 'outer-reefs' });
    const f = compiled.forms.findIndex(({ taxon }) => taxon === 'guttarius-x-annulax');
    expect(prior[f]).toBeLessThan(elsewhere.forms[f]);
  });
});

describe('a taxonomic treatment', () => {
  const forms = formsOf(ledgeCrabs);

  it('sinks subspecies into their species: names follow, forms do not', () => {
    const naming = namingOf(ledgeCrabs, forms, 'revision');
    expect(naming.taxa.map(({ id }) => id)).not.toContain('velloma-ostrena');
    expect(naming.of[at(ledgeCrabs, 'velloma-ostrena/juvenile')]).toBe('velloma');
    expect(formsOf(ledgeCrabs)).toEqual(forms);
  });

  it('renames', () => {
    const guide = { ...tiny, treatments: [{ id: 't', label: 'T', explanation: '', sinks: [], renames: { a: 'Tessella nova' } }] };
    expect(namingOf(guide, formsOf(guide), 't').taxa.map(({ name }) => name)).toEqual([
      'Tessella',
      'Tessella nova',
      'Tessella brevis',
    ]);
  });

  it('not asked for changes nothing', () => {
    expect(namingOf(ledgeCrabs, forms).taxa).toBe(ledgeCrabs.taxa);
    expect(namingOf(ledgeCrabs, forms, 'unheard-of').of).toEqual(forms.map(({ taxon }) => taxon));
  });

  it('leaves every score where it was', () => {
    const [kept, sunk] = [undefined, 'revision'].map((t) => compileGuide(ledgeCrabs, {}, ledgeCrabs.policy, t));
    for (const [id, table] of kept.tables) expect(sunk.tables.get(id)).toEqual(table);
  });
});

describe('company', () => {
  const compiled = compileGuide(tentCones);
  const prior = (company?: string[], switchedOff?: ['company']) => priorBits(compiled, { company, switchedOff }).forms;
  const odds = (bits: Float64Array) => bits[at(tentCones, 'vexillax/adult')] - bits[at(tentCones, 'lenior/adult')];

  it('speaks for those it goes with', () => {
    expect(odds(prior(['blennies'])) - odds(prior())).toBeCloseTo(Math.log2(0.6 / 0.15), 9);
    expect(odds(prior(['tube-worms'])) - odds(prior())).toBeCloseTo(Math.log2(0.2 / 0.8), 9);
  });

  it('can be left out', () => {
    expect(odds(prior(['blennies'], ['company']))).toBeCloseTo(odds(prior()), 12);
  });

  it('takes what is not known of it as neither for nor against', () => {
    const change = (form: string) => prior(['blennies'])[at(tentCones, form)] - prior()[at(tentCones, form)];
    expect(change('gemellus/adult')).toBeLessThan(change('vexillax/adult'));
    expect(change('gemellus/adult')).toBeGreaterThan(change('lenior/adult'));
  });
});

describe('disagreements between sources', () => {
  it('are the cells whose answers overlap by less than .6, told with both answers', () => {
    const compiled = compileGuide(tentCones);
    const spire = disagreementsOf(compiled).find(({ character }) => character === 'spire-outline')!;
    expect(spire.said.map(({ source }) => source)).toEqual(['shell-book', 'reef-survey']);
    expect(spire.forms.map((f) => compiled.forms[f].taxon)).toEqual(['lenior', 'lenior']);
    // Σ min: always bulging (.01, .01, .98) against often straight, sometimes bulging (.1, .6, .3).
    expect(spire.overlap).toBeCloseTo(0.01 + 0.01 + 0.3, 9);
  });

  it('are gone when a source is left out', () => {
    const policy: SourcePolicy = { kind: 'prefer', order: ['shell-book'], exclude: ['reef-survey'] };
    expect(disagreementsOf(compileGuide(tentCones, {}, policy))).toEqual([]);
  });

  it('are not sought where there is one source', () => expect(disagreementsOf(compileGuide(tiny))).toEqual([]));

  it('can be looked at from either side', () => {
    const compiled = compileGuide(tentCones);
    const character = tentCones.characters.find(({ id }) => id === 'spire-outline')!;
    const domed = (first: string) => {
      const table = tableUnder(compiled, character, { kind: 'prefer', order: [first] });
      return table.type === 'states' ? table.frequency[2 * compiled.forms.length + at(tentCones, 'lenior/adult')] : Number.NaN;
    };
    expect([domed('shell-book'), domed('reef-survey')]).toEqual([expect.closeTo(0.98, 9), expect.closeTo(0.3, 9)]);
  });
});

describe('any name leads to the right taxon', () => {
  it.each([
    ['vexillax', 'vexillax', 'name'],
    ['lancer cone', 'vexillax', 'vernacular'],
    ['textor', 'vexillax', 'former'],
    ['false lancer', 'lenior', 'nickname'],
    ['ROSE-tip', 'lenior', 'misleading'],
    ['minor gemellus', 'sororius', 'former'],
  ])('%s', (text, taxon, kind) => expect(findTaxa(tentCones, text)).toMatchObject([{ taxon, kind }]));

  it('nothing is found for nothing', () => {
    expect(findTaxa(tentCones, '  ')).toEqual([]);
    expect(findTaxa(tentCones, 'walrus')).toEqual([]);
  });

  it('true names come before misleading ones', () => {
    expect(findTaxa(tentCones, 'lancer').map(({ kind }) => kind)).toEqual(['vernacular', 'nickname']);
  });
});

describe('what a guide says of judgement is checked', () => {
  const problem = (given: Partial<Guide>) => checkGuide({ ...tiny, ...given }).map(({ field, code }) => `${field} ${code}`);
  const taxon = (given: object) => tiny.taxa.map((t) => (t.id === 'b' ? { ...t, ...given } : t));

  it.each<[string, Partial<Guide>, string]>([
    [
      'a cross of nobody',
      { taxa: [...tiny.taxa, { id: 'x', name: 'X', rank: 'species', abundance: 1, cross: ['a', 'z'] }] },
      'taxa[3].cross[1] unknown-taxon',
    ],
    [
      'a cross of a genus',
      { taxa: [...tiny.taxa, { id: 'x', name: 'X', rank: 'species', abundance: 1, cross: ['a', 'genus'] }] },
      'taxa[3].cross[1] cross-of-no-forms',
    ],
    ['a cross with forms', { taxa: taxon({ cross: ['a', 'a'] }) }, 'taxa[2].forms cross-has-forms'],
    [
      'a hazard of no such sex',
      { taxa: taxon({ hazards: [{ kind: 'bite', grade: 'slight', text: 'x', facets: { sex: ['male'] } }] }) },
      'taxa[2].hazards[0].facets.sex unknown-facet',
    ],
    [
      'a treatment that sinks nothing known',
      { treatments: [{ id: 't', label: 'T', explanation: '', sinks: ['z'] }] },
      'treatments[0].sinks[0] unknown-taxon',
    ],
    [
      'a treatment that sinks the root',
      { treatments: [{ id: 't', label: 'T', explanation: '', sinks: ['genus'] }] },
      'treatments[0].sinks[0] sinks-root',
    ],
    [
      'a renaming of nobody',
      { treatments: [{ id: 't', label: 'T', explanation: '', sinks: [], renames: { z: 'Z' } }] },
      'treatments[0].renames.z unknown-taxon',
    ],
    [
      'a union of no such sex',
      { unions: [{ id: 'u', label: 'U', of: [{ sex: ['male'] }, { sex: ['female'] }] }] },
      'unions[0].of[0].sex unknown-facet',
    ],
    ['a cost of nobody', { costs: [{ taxon: 'z', weight: 5, reason: '' }] }, 'costs[0].taxon unknown-taxon'],
    [
      'a score in no such wind',
      { scores: [{ ...tiny.scores[0], scope: { circumstances: ['wind'] } }] },
      'scores[0].scope.circumstances unknown-circumstance',
    ],
    [
      'company of nobody',
      { occurrence: [{ kind: 'company', taxon: 'a', company: 'worms', frequency: 0.5 }] },
      'occurrence[0].company unknown-company',
    ],
    ['a comparison of states', { scores: [{ ...comparison('above'), character: 'edge' }] }, 'scores[0].value score-kind'],
    ['a guide that scores nothing', { scores: [] }, 'scores no-scores'],
  ])('%s', (_, given, expected) => expect(problem(given)).toContain(expected));

  const block = {
    id: 'm',
    label: 'm',
    characters: ['length', 'width'],
    log: false,
    temper: 1,
    covariance: [1, 0, 1],
    forms: [{ taxon: 'a', facets: {}, n: 3, mean: [1, 2] }],
  };
  const wide = { ...tiny.characters[1], id: 'width' };

  it.each<[string, object, string]>([
    ['an unknown character', { characters: ['length', 'depth'] }, 'blocks[0].characters[1] unknown-character'],
    ['a count', { characters: ['length', 'teeth'] }, 'blocks[0].characters[1] block-kind'],
    ['a triangle of the wrong size', { covariance: [1, 0] }, 'blocks[0].covariance block-size'],
    ['too few means', { forms: [{ ...block.forms[0], mean: [1] }] }, 'blocks[0].forms[0].mean block-size'],
    ['an unknown taxon', { forms: [{ ...block.forms[0], taxon: 'z' }] }, 'blocks[0].forms[0].taxon unknown-taxon'],
  ])('a measured block with %s', (_, given, expected) =>
    expect(problem({ characters: [...tiny.characters, wide], blocks: [{ ...block, ...given }] })).toContain(expected),
  );

  it('nothing is found in the demo guides', () => {
    expect(checkGuide(tentCones)).toEqual([]);
    expect(checkGuide(ledgeCrabs)).toEqual([]);
  });

  it('a name may be kept as a table has it, but not with blanks or dots', () => {
    const named = (id: string) => readGuide({ ...tiny, regions: [{ id, label: 'x' }] }).ok;
    expect(['FL', 'Adelie', 'b_2', 'Ostræn'].map(named)).toEqual([true, true, true, true]);
    expect(['a b', 'a.b', '-a', ''].map(named)).toEqual([false, false, false, false]);
  });
});
