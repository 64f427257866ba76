import fc from 'fast-check';
import { ledgeCrabs } from '../../demo/ledgeCrabs';
import { tentCones } from '../../demo/tentCones';
import { OVERLAP, overlapBetween, separationOf, trapsBetween } from '../evidence';
import { compileGuide } from '../guide';
import { traitsOf } from '../plates';
import { blockGuide } from '../test/blockGuide';
import { tinyGuide } from '../test/tinyGuide';
import { apartFrom, compareForms, lookalikesOf, namesOf, sayScored, scoredOf, seriesOf } from '.';

const cones = compileGuide(tentCones);
const crabs = compileGuide(ledgeCrabs);
const tiny = compileGuide(tinyGuide());
const side = (form: number) => ({ forms: [form], weights: [1] });

describe('overlap', () => {
  it('is 1 with itself and 0 for what shares nothing', () => {
    for (const table of cones.tables.values()) expect(overlapBetween(table, side(0), side(0), 0.02)).toBeCloseTo(1, 2);
    const apart = compileGuide(
      tinyGuide({
        scores: [
          { character: 'edge', scope: { taxon: 'a' }, source: 'book', value: { kind: 'states', states: { round: 1 } } },
          { character: 'edge', scope: { taxon: 'b' }, source: 'book', value: { kind: 'states', states: { round: 0 } } },
        ],
      }),
    );
    expect(overlapBetween(apart.tables.get('edge')!, side(0), side(1), 0)).toBe(0);
  });

  it('is the same from either side and never outside 0..1', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: cones.forms.length - 1 }),
        fc.integer({ min: 0, max: cones.forms.length - 1 }),
        (a, b) => {
          for (const table of cones.tables.values()) {
            const overlap = overlapBetween(table, side(a), side(b), 0.02);
            expect(overlap).toBeCloseTo(overlapBetween(table, side(b), side(a), 0.02), 9);
            expect(overlap).toBeGreaterThanOrEqual(0);
            expect(overlap).toBeLessThanOrEqual(1 + 1e-9);
          }
        },
      ),
      { numRuns: 12 },
    );
  });

  it.each([
    [0.04, 'separates'],
    [0.2, 'helps'],
    [0.45, 'weak'],
    [0.61, 'does not separate'],
  ])('%f %s', (overlap, said) => expect(separationOf(overlap)).toBe(said));
});

describe('forms side by side', () => {
  const pair = ['vexillax/adult', 'lenior/adult'];
  const comparison = compareForms(cones, pair);
  const character = (id: string, of = comparison) => of.characters.find(({ character }) => character === id)!;

  it('puts what separates best first', () => {
    const overlaps = comparison.characters.map(({ overlap }) => overlap);
    expect(overlaps[0]).toBeLessThan(0.2);
    expect(comparison.characters[0].character).toBe('spire-outline');
    expect(overlaps.at(-1)).toBeGreaterThan(0.6);
  });

  it('gives each form its frequencies or its values', () => {
    expect(character('tent-size').forms[0]).toMatchObject({
      kind: 'states',
      states: [{ state: 'fine' }, { state: 'coarse', p: expect.closeTo(0.85, 6) }],
    });
    expect(character('outline-ratio').forms[1]).toMatchObject({
      kind: 'values',
      low: expect.closeTo(0.5, 2),
      high: expect.closeTo(0.58, 2),
    });
    expect(character('aperture-ratio').forms[0]).toMatchObject({ inferred: true });
  });

  it('flags the trap and labels what is only for some, or only in the hand', () => {
    expect(character('base-stain')).toMatchObject({ trap: true, separation: 'does not separate' });
    expect(character('base-cords').only).toEqual(['in hand only']);
    expect(character('spire-angle').trap).toBe(false);
  });

  it('leaves out what is scored for fewer than two, and what the situation hides comes last', () => {
    expect(comparison.characters.some(({ character }) => character === 'siphon')).toBe(false);
    const fromBehind = compareForms(cones, pair, { views: ['back'] });
    expect(character('aperture-ratio', fromBehind).setAside).toBe('needs a view from the opening');
    expect(fromBehind.characters.at(-1)!.setAside).toBeDefined();
  });

  it('takes up to four, every two with an overlap of their own', () => {
    const four = compareForms(cones, ['vexillax/adult', 'lenior/adult', 'gemellus/adult', 'sororius/adult']);
    const ratio = character('outline-ratio', four);
    expect(ratio.pairs).toHaveLength(6);
    expect(ratio.overlap).toBeCloseTo(ratio.pairs.reduce((sum, { overlap }) => sum + overlap!, 0) / 6, 12);
  });

  it('tells a pair that only proportion separates by proportion alone', () => {
    const twins = compareForms(cones, ['gemellus/adult', 'sororius/adult']);
    const telling = twins.characters
      .filter(({ separation }) => separation !== 'does not separate')
      .map(({ character }) => character);
    expect(telling.sort()).toEqual(['outline-ratio', 'spire-angle']);
    expect(twins.paragraph).toContain('No single character separates them cleanly; begin with the width ÷ length of the shell');
  });

  it('says it in plain words: what to go by and what not', () => {
    expect(comparison.paragraph).toMatch(
      /^No single character separates them cleanly; begin with the edge of the spire: straight points to T\. vexillax \(85 in 100 show it, \d+ of T\. lenior\), bulging to T\. lenior \(98 against \d+\)\./,
    );
    expect(comparison.paragraph).toMatch(/Do not go by the [^.]*stain at the tip of the base, however well known/);
    // Names lean, words stand; no two sentences begin alike.
    expect(comparison.typeset.filter(({ italic }) => italic).map(({ text }) => text.trim())).toContain('T. vexillax');
    expect(comparison.typeset.map(({ text }) => text).join('')).toBe(comparison.paragraph);
    const begins = comparison.paragraph.split(/\. (?=[A-Z][a-z])/).map((text) => text.split(' ').slice(0, 2).join(' '));
    expect(new Set(begins).size).toBe(begins.length);
    const hopeless = compareForms(crabs, ['cinerata/adult.female.plain', 'cinerata/adult.female.banded'], { views: ['front'] });
    expect(hopeless.paragraph).toMatch(/No single character tells/);
  });

  it('names forms of one taxon by their sex and age', () => {
    expect(namesOf(crabs, compareForms(crabs, ['murica/adult.male.plain', 'murica/juvenile']).forms)).toEqual([
      'P. murica (adult male, plain)',
      'P. murica (juvenile)',
    ]);
  });

  it('prints a score as people read it', () => {
    expect(sayScored(scoredOf(tiny.tables.get('length')!, 0)!, 'mm')).toBe('8.04–12 mm');
    expect(sayScored(scoredOf(tiny.tables.get('edge')!, 0)!)).toBe('round 80 in 100');
    expect(scoredOf(compileGuide(tinyGuide({ scores: tinyGuide().scores.slice(0, 1) })).tables.get('length')!, 0)).toBeNull();
  });

  it('says where it is not known which of several states a form has, and never how often', () => {
    const guide = tinyGuide();
    guide.scores[0].value = { kind: 'states', states: { round: 0.5, toothed: 0.5 }, uncertain: true };
    guide.characters[0].states!.push({ id: 'notched', label: 'notched' });
    guide.scores[1].value = { kind: 'states', states: { notched: 'always' } };
    const own = compileGuide(guide);
    expect(sayScored(scoredOf(own.tables.get('edge')!, 0)!)).toBe('either round or toothed');
    expect(scoredOf(own.tables.get('edge')!, 1)).not.toHaveProperty('uncertain');
    const { paragraph } = compareForms(own, ['a', 'b']);
    expect(paragraph).toMatch(/the edge: T\. alba either round or toothed, T\. brevis notched 98 in 100\./);
  });
});

describe('traps', () => {
  it('are trusted characters that overlap, the most famous first', () => {
    const traps = trapsBetween(cones, side(0), side(2));
    expect(traps[0].character).toBe('base-stain');
    for (const { overlap } of traps) expect(overlap).toBeGreaterThan(OVERLAP.doesNot);
  });

  it('are none where the famous character does separate', () => {
    const [cinerata, murica] = ['cinerata/adult.male.plain', 'murica/adult.male.plain'].map((id) =>
      crabs.forms.findIndex((f) => f.id === id),
    );
    const famous = {
      ...crabs,
      guide: {
        ...ledgeCrabs,
        characters: ledgeCrabs.characters.map((c) => ({ ...c, fame: c.id === 'front-edge' ? 1 : 0, salience: 0 })),
      },
    };
    expect(trapsBetween(famous, side(cinerata), side(murica))).toEqual([]);
  });
});

describe('look-alikes', () => {
  it('are the nearest forms, across sex and age too', () => {
    const near = lookalikesOf(cones, 'gemellus/adult');
    const errors = near.map(({ error }) => error);
    expect(errors).toEqual([...errors].sort((a, b) => b - a));
    expect(
      near
        .slice(0, 2)
        .map(({ taxon }) => taxon)
        .sort(),
    ).toEqual(['gemellus', 'sororius']);
    expect(lookalikesOf(crabs, 'murica/juvenile').some(({ sameTaxon }) => !sameTaxon)).toBe(true);
  });

  it('are bound by the Bhattacharyya coefficient, worked by hand', () => {
    const only = compileGuide(
      tinyGuide({ characters: tinyGuide().characters.slice(1, 2), scores: tinyGuide().scores.slice(2, 4) }),
    );
    // Two normals two standard deviations apart: BC = exp(−4/8), so at most half of that is wrong.
    expect(lookalikesOf(only, 'a')).toEqual([
      { form: 'b', taxon: 'b', error: expect.closeTo(Math.exp(-0.5) / 2, 9), sameTaxon: false },
    ]);
  });

  it('never include the form itself, and half is the worst', () => {
    for (const { form, error } of lookalikesOf(crabs, 'cinerata/juvenile', 50)) {
      expect(form).not.toBe('cinerata/juvenile');
      expect(error).toBeLessThanOrEqual(0.5);
    }
  });
});

describe('a form’s own series', () => {
  const form = cones.forms.findIndex(({ id }) => id === 'lenior/adult');
  const series = seriesOf(cones, form);

  it('begins with the usual and ends with the extreme', () => {
    expect(series.map(({ label }) => label)).toEqual(['usual', 'often', 'now and then', 'extreme']);
    expect(series[0].traits).toEqual(traitsOf(cones, form));
  });

  it('moves every value further from the middle, and never shows a state that is not met', () => {
    const distance = (k: number) =>
      Math.abs((series[k].traits['spire-angle'] as number) - (series[0].traits['spire-angle'] as number));
    expect(distance(1)).toBeGreaterThan(0);
    expect(distance(3)).toBeGreaterThan(distance(2));
    const table = cones.tables.get('pattern')!;
    if (table.type !== 'states') throw new Error('pattern has states');
    for (const { traits } of series) {
      const at = table.states.indexOf(traits.pattern as string);
      expect(table.frequency[at * cones.forms.length + form]).toBeGreaterThan(0.05);
    }
  });
});

describe('what is not scored', () => {
  const guide = tinyGuide({
    taxa: [
      ...tinyGuide().taxa,
      { id: 'c', name: 'Tessella curva', rank: 'species', parent: 'genus', abundance: 1, forms: [{ share: 1, facets: {} }] },
    ],
    characters: tinyGuide().characters.map((character) => (character.id === 'edge' ? { ...character, fame: 0.9 } : character)),
    scores: tinyGuide().scores.map((score) =>
      score.character === 'edge'
        ? { ...score, value: { kind: 'states' as const, states: { round: score.scope.taxon === 'a' ? 0.97 : 0.03 } } }
        : score,
    ),
  });

  it('is not alike: the mean is over the pairs that are known, and a character that separates them is no trap', () => {
    const compared = compareForms(compileGuide(guide), ['a', 'b', 'c']);
    const edge = compared.characters.find(({ character }) => character === 'edge')!;
    expect(edge.pairs.map(({ overlap }) => overlap)).toEqual([expect.closeTo(0.06, 6), null, null]);
    expect([edge.overlap, edge.trap, edge.separation]).toEqual([expect.closeTo(0.06, 6), false, 'helps']);
    expect(compared.paragraph).toContain('not known for T. curva');
    expect(compared.paragraph).not.toContain('Do not go by');
  });
});

describe('look-alikes by lengths measured together', () => {
  it('use their covariance: exp(−⅛ Δᵀ Σ⁻¹ Δ)', () => {
    // Fifteen lengths with correlation .95, each two sd apart: alone each separates a little, together hardly more.
    const order = 15;
    const ids = Array.from({ length: order }, (_, i) => `l${i}`);
    const lower = ids.flatMap((_, i) => ids.slice(0, i + 1).map((_other, j) => (i === j ? 1 : 0.95)));
    const base = blockGuide();
    const guide = {
      ...base,
      scores: [],
      characters: ids.map((id) => ({ ...base.characters[1], id, label: id })),
      blocks: [
        {
          ...base.blocks![0],
          characters: ids,
          covariance: lower,
          forms: base.blocks![0].forms.map((form, f) => ({ ...form, mean: ids.map(() => 10 + 2 * f) })),
        },
      ],
    };
    const [near] = lookalikesOf(compileGuide(guide), 'a');
    // Δ = 2 · 1, Σ⁻¹ 1 = 1 / (1 + 14 · .95): ΔᵀΣ⁻¹Δ = 4 · 15 / 14.3.
    expect(near.error).toBeCloseTo(Math.exp(-(60 / 14.3) / 8) / 2, 9);
  });

  it('and their own covariances where they have them', () => {
    const guide = blockGuide({
      forms: [
        { taxon: 'a', facets: {}, n: 9, mean: [10, 10], covariance: [1, 0, 1] },
        { taxon: 'b', facets: {}, n: 9, mean: [10, 10], covariance: [4, 0, 1] },
      ],
    });
    const edge = Math.sqrt(0.8 * 0.2) * 2;
    // |Σ̄| = 2.5, √(1 · 4) = 2: BC = √(2 / 2.5).
    expect(lookalikesOf(compileGuide(guide), 'a')[0].error).toBeCloseTo((Math.sqrt(2 / 2.5) * edge) / 2, 9);
  });
});

describe('a description', () => {
  it('begins with what the form is most easily taken for, and how the two are told apart', () => {
    const said = apartFrom(cones, 'gemellus/adult')!;
    const text = said.map((part) => part.text).join('');
    expect(text).toMatch(/^Most easily taken for T\. sororius/);
    expect(said).toContainEqual({ text: expect.stringContaining('T. sororius'), italic: true });
    expect(text).toContain('width ÷ length of the shell');
  });

  it('says nothing where nothing comes near', () => {
    const far = tinyGuide({
      scores: ['a', 'b'].map((taxon, i) => ({
        character: 'length',
        scope: { taxon },
        source: 'book',
        value: { kind: 'values' as const, mean: 10 + 90 * i, sd: 1 },
      })),
    });
    expect(apartFrom(compileGuide(far), 'a')).toBeUndefined();
  });
});
