import fc from 'fast-check';
import { ledgeCrabs } from '../../demo/ledgeCrabs';
import { seeded } from '../probability';
import { type Character, compileGuide, type Guide } from '../guide';
import { traitsOf } from '../plates';
import { tinyGuide } from '../test/tinyGuide';
import { checkReadings, ratioOf, type Reading } from '../observation';
import {
  standingOf,
  beamBetween,
  callOf,
  entropyOf,
  evenWeights,
  expectedInformation,
  groupByRank,
  inHundred,
  possibleForms,
  nextLooks,
  ofHundred,
  overlapBetween,
  posteriorOf,
  tailedDensity,
  tailedLogDensity,
  withoutReading,
} from '.';

const crabs = compileGuide(ledgeCrabs, { date: '2026-05-12', region: 'south-tessary' });

/** Any reading that the ledge crab guide allows. */
const anyReading = fc.constantFrom(...ledgeCrabs.characters).chain((character): fc.Arbitrary<Reading> => {
  const certainty = fc.constantFrom('sure', 'likely', 'guess') as fc.Arbitrary<Reading['certainty']>;
  const about = { character: fc.constant(character.id), certainty };
  if (character.states)
    return fc.record({
      ...about,
      states: fc.subarray(
        character.states.map((s) => s.id),
        { minLength: 1 },
      ),
    });
  if (character.counts)
    return fc.record({ ...about, value: fc.integer({ min: character.counts.from, max: character.counts.to }) });
  const [low, high] = character.kind === 'measurement' ? [3, 50] : [0.1, 2.5];
  return fc.record({
    ...about,
    value: fc.double({ min: low, max: high, noNaN: true }),
    error: fc.double({ min: 0, max: 1, noNaN: true }),
  });
});
const someReadings = fc.array(anyReading, { maxLength: 12 });

const edge = (state: string, more: Partial<Reading> = {}): Reading => ({ character: 'edge', states: [state], ...more });

describe('laws of the standing', () => {
  it('probabilities sum to 1 and none is negative', () => {
    fc.assert(
      fc.property(someReadings, (readings) => {
        const { p, outside } = posteriorOf(crabs, {}, readings);
        expect(p.reduce((a, b) => a + b, outside)).toBeCloseTo(1, 10);
        expect(Math.min(outside, ...p)).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it('the order of readings does not matter', () => {
    fc.assert(
      fc.property(someReadings, (readings) => {
        const forth = posteriorOf(crabs, {}, readings).p;
        const back = posteriorOf(crabs, {}, [...readings].reverse()).p;
        forth.forEach((p, f) => expect(back[f]).toBeCloseTo(p, 9));
      }),
    );
  });

  it('what is not visible is no evidence', () => {
    fc.assert(
      fc.property(someReadings, fc.constantFrom(...ledgeCrabs.characters), (readings, character) => {
        const with_ = posteriorOf(crabs, {}, [...readings, { character: character.id, status: 'not-visible' }]).p;
        expect([...with_]).toEqual([...posteriorOf(crabs, {}, readings).p]);
      }),
    );
  });

  it('all states together are no evidence', () => {
    const before = posteriorOf(crabs, {}, []).p;
    const after = posteriorOf(crabs, {}, [{ character: 'front-edge', states: ['two-lobes', 'one-arch', 'three-teeth'] }]).p;
    after.forEach((p, f) => expect(p).toBeCloseTo(before[f], 10));
  });

  it('a ratio does not depend on the unit of its two lengths', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 50, noNaN: true }),
        fc.double({ min: 5, max: 50, noNaN: true }),
        fc.double({ min: 0.01, max: 100, noNaN: true }),
        (a, b, unit) => {
          const mm = ratioOf({ numerator: a, denominator: b, error: 0.3 });
          const other = ratioOf({ numerator: a * unit, denominator: b * unit, error: 0.3 * unit });
          expect(other.value).toBeCloseTo(mm.value, 9);
          expect(other.error!).toBeCloseTo(mm.error!, 9);
        },
      ),
    );
  });

  it('the beam adds up to the log odds of its sides, whatever was read', () => {
    fc.assert(
      fc.property(someReadings, (readings) => {
        const full = posteriorOf(crabs, {}, readings);
        const { of } = groupByRank(crabs, 'species');
        const side = (group: number) => ({ forms: [...of.keys()].filter((f) => of[f] === group) });
        const logMass = (group: number) => {
          const bits = side(group).forms.map((f) => full.bits[f]);
          const most = Math.max(...bits);
          return most + Math.log2(bits.reduce((sum, b) => sum + 2 ** (b - most), 0));
        };
        const beam = beamBetween(full, side(0), side(1));
        expect(beam.sum).toBeCloseTo(logMass(0) - logMass(1), 6);
        expect(beam.start + beam.contributions.reduce((a, b) => a + b, 0)).toBeCloseTo(beam.sum, 9);
      }),
    );
  });

  it('leaving a reading out is the standing without it', () => {
    fc.assert(
      fc.property(fc.array(anyReading, { minLength: 1, maxLength: 8 }), (readings) => {
        const full = posteriorOf(crabs, {}, readings);
        const at = readings.length - 1;
        const left = withoutReading(crabs, full, full.weighed.length - 1);
        if (full.weighed.at(-1)?.index !== at) return;
        posteriorOf(crabs, {}, readings.slice(0, at)).p.forEach((p, f) => expect(left.p[f]).toBeCloseTo(p, 8));
      }),
    );
  });
});

describe('cases worked on paper', () => {
  it('one state, read without error', () => {
    // Prior ½ : ½ (ε = 0.0001). L(round|a) = 0.8, L(round|b) = 0.2.
    // P(a) : P(b) = 0.8 : 0.2, so 0.8 and 0.2 but for the outside class.
    const { p } = posteriorOf(compileGuide(tinyGuide()), {}, [edge('round')]);
    expect(p[0] / (p[0] + p[1])).toBeCloseTo(0.8, 10);
  });

  it('one state that is misread in 1 of 10', () => {
    // L(round|a) = 0.8 × 0.9 + 0.2 × 0.1 = 0.74; L(round|b) = 0.2 × 0.9 + 0.8 × 0.1 = 0.26.
    const guide = tinyGuide({ settings: { ...tinyGuide().settings, reliability: 0.9 } });
    const { p } = posteriorOf(compileGuide(guide), {}, [edge('round')]);
    expect(p[0] / (p[0] + p[1])).toBeCloseTo(0.74, 10);
  });

  it('a reading that is only likely', () => {
    // Predictive (0.8 + 0.2) / 2 = 0.5. L'(a) = 0.8 × 0.8 + 0.2 × 0.5 = 0.74; L'(b) = 0.8 × 0.2 + 0.2 × 0.5 = 0.26.
    const { p } = posteriorOf(compileGuide(tinyGuide()), {}, [edge('round', { certainty: 'likely' })]);
    expect(p[0] / (p[0] + p[1])).toBeCloseTo(0.74, 10);
  });

  it('a length with an error', () => {
    // 10.5 ± 1: variance 1 + 1 = 2. z²: a 0.25 / 2, b 2.25 / 2. ln odds = (2.25 − 0.25) / 4 = 0.5; odds e^0.5 = 1.6487; P(a) = 0.62246.
    const { p } = posteriorOf(compileGuide(tinyGuide()), {}, [{ character: 'length', value: 10.5, error: 1 }]);
    expect(p[0] / (p[0] + p[1])).toBeCloseTo(0.62246, 5);
  });

  it('a count that only one of them has', () => {
    // Four teeth: ½ of a, ½ of b: no evidence. Five: never a, so b but for the outside class.
    const compiled = compileGuide(tinyGuide());
    const four = posteriorOf(compiled, {}, [{ character: 'teeth', value: 4 }]).p;
    expect(four[0] / (four[0] + four[1])).toBeCloseTo(0.5, 10);
    // Never scored and never misread is one in 10¹², not nothing.
    expect(posteriorOf(compiled, {}, [{ character: 'teeth', value: 5 }]).p[0]).toBeLessThan(1e-11);
  });

  it('two readings of one dependence group, γ = 0.6', () => {
    // Kish's total for two is 2 / 1.6 = 1.25: the stronger counts whole, the weaker ¼. Odds 4 from the edge, e^2 from 10 mm (z² 0 and 4, error 0): 2.8854 + 0.25 × 2 bits = 3.3854.
    const base = tinyGuide();
    const guide = tinyGuide({
      dependence: [{ id: 'size', label: 'size', gamma: 0.6 }],
      characters: base.characters.map((c): Character => ({ ...c, dependence: 'size' })),
    });
    const { bits } = posteriorOf(compileGuide(guide), {}, [edge('round'), { character: 'length', value: 10, error: 0 }]);
    expect(bits[0] - bits[1]).toBeCloseTo(3.3854, 4);
  });

  it('a second look at the same character counts less: γ = 0.7', () => {
    // 1 / (1 + 0.7) = 0.588 each, 1.176 looks in all: 2 bits × 1.17647 = 2.35294.
    const { bits } = posteriorOf(compileGuide(tinyGuide()), {}, [edge('round', { id: '1' }), edge('round', { id: '2' })]);
    expect(bits[0] - bits[1]).toBeCloseTo(2.35294, 5);
    expect(evenWeights(tinyGuide(), [edge('round'), edge('round')])).toEqual([1 / 1.7, 1 / 1.7]);
  });

  it('an outlier is held by the tail', () => {
    // 2 % at four times the width: at z = 8 density 0.02/4 φ(2) + 0.98 φ(8) = 2.69955e-4.
    expect(Math.exp(tailedLogDensity(64, 0.02))).toBeCloseTo(0.005 * 0.05399097, 9);
    expect(tailedLogDensity(9, 0)).toBeCloseTo(-4.5 - 0.9189385, 6);
    for (const z2 of [0, 0.5, 4, 64, 900]) expect(Math.log(tailedDensity(z2, 0.02))).toBeCloseTo(tailedLogDensity(z2, 0.02), 10);
    expect(Number.isFinite(tailedLogDensity(1e6, 0.02))).toBe(true);
  });

  it('"does not apply" speaks through the scored applicability only', () => {
    const base = tinyGuide();
    const applies = (taxon: string, frequency: number) => ({
      character: 'edge',
      scope: { taxon },
      source: 'book',
      value: { kind: 'applies' as const, frequency },
    });
    const guide = tinyGuide({ scores: [...base.scores, applies('a', 0.9), applies('b', 0.3)] });
    // 0.1 : 0.7
    const { p } = posteriorOf(compileGuide(guide), {}, [{ character: 'edge', status: 'does-not-apply' }]);
    expect(p[0] / p[1]).toBeCloseTo(1 / 7, 10);
    const silent = posteriorOf(compileGuide(base), {}, [{ character: 'edge', status: 'does-not-apply' }]);
    expect(silent.weighed).toEqual([]);
  });

  it('expected information of a perfect character is the whole bit, of a useless one nothing', () => {
    const character = (a: number, b: number): Guide => {
      const guide = tinyGuide();
      guide.scores[0].value = { kind: 'states', states: { round: a } };
      guide.scores[1].value = { kind: 'states', states: { round: b } };
      return guide;
    };
    const worth = (guide: Guide) => {
      const compiled = compileGuide(guide);
      const full = posteriorOf(compiled, {}, []);
      return expectedInformation(compiled.tables.get('edge')!, possibleForms(full, groupByRank(compiled, 'species')), 0);
    };
    expect(worth(character(0.999999, 0.000001))).toBeCloseTo(1, 2);
    expect(worth(character(0.5, 0.5))).toBeCloseTo(0, 6);
    // 0.8 against 0.2: 1 − H(0.8) = 1 − 0.72193
    expect(worth(character(0.8, 0.2))).toBeCloseTo(0.27807, 2);
  });

  it('information of a length, by quadrature', () => {
    // Two normals two standard deviations apart, ½ : ½, with the error 0.5 in it: d = 2 / √1.25 = 1.78885.
    // I = 1 − E[H] for the balanced pair; numerical integration on paper's finer grid gives 0.4182 bits.
    const compiled = compileGuide(tinyGuide());
    const live = possibleForms(posteriorOf(compiled, {}, []), groupByRank(compiled, 'species'));
    const d = 2 / Math.sqrt(1.25);
    let exact = 0;
    for (let x = -8; x < 8 + d; x += 0.001) {
      const [a, b] = [x, x - d].map((z) => Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI));
      const m = (a + b) / 2;
      if (m > 1e-300) exact += (0.001 * (a * Math.log2(a / m) + b * Math.log2(b / m))) / 2;
    }
    expect(expectedInformation(compiled.tables.get('length')!, live, 0)).toBeCloseTo(exact, 2);
  });

  it('overlap of two normals two standard deviations apart is 0.3173', () => {
    // 2 Φ(−1)
    const compiled = compileGuide(tinyGuide());
    const [a, b] = [0, 1].map((form) => ({ forms: [form], weights: [1] }));
    expect(overlapBetween(compiled.tables.get('length')!, a, b, 0)).toBeCloseTo(0.3173, 3);
    expect(overlapBetween(compiled.tables.get('edge')!, a, b, 0)).toBeCloseTo(0.4, 10);
  });

  it('entropy of four alike is two bits', () => {
    expect(entropyOf(Float64Array.of(0.25, 0.25, 0.25, 0.25))).toBe(2);
  });
});

describe('the call', () => {
  const at = { date: '2026-05-12', region: 'south-tessary' };
  const s = (character: string, ...states: string[]): Reading => ({ character, states });
  const call = (...readings: Reading[]) => callOf(crabs, posteriorOf(crabs, at, readings));
  const murica = [s('front-edge', 'three-teeth'), s('granules', 'dense'), s('claw-gape', 'gaping'), s('claw-tips', 'half-dark')];

  it('says nothing before anything was read', () => {
    expect(call()).toMatchObject({ kind: 'undetermined', facets: {} });
  });

  it('does not rest on one character, however famous', () => {
    const one = call(s('front-edge', 'three-teeth'), s('front-edge', 'three-teeth'));
    expect(one.verdicts.find((v) => v.group === 'murica')).toMatchObject({ passes: false, characters: 1 });
  });

  it('names the species on independent characters and says why not finer', () => {
    const named = call(...murica);
    expect(named).toMatchObject({ kind: 'taxon', taxon: 'murica' });
    expect(named.verdicts.find((v) => v.group === 'murica')!.worst!.p).toBeGreaterThan(0.8);
  });

  it('names sex and stage from one good look, and morph not without', () => {
    const named = call(...murica, s('abdomen', 'narrow'), { character: 'carapace-width', value: 33 });
    expect(named.facets).toEqual({ stage: 'adult', sex: 'male' });
    expect(named.verdicts.find((v) => v.level.kind === 'facet' && v.level.facet === 'morph')).toMatchObject({ passes: false });
  });

  it('species yes; subspecies no: needs more', () => {
    const readings = [
      s('eye-stalks', 'long'),
      s('rear-edge', 'hollowed'),
      s('granules', 'smooth'),
      s('claw-inside', 'violet'),
      s('alarm', 'flattens'),
    ];
    const named = callOf(crabs, posteriorOf(crabs, { region: 'south-tessary', switchedOff: ['range', 'abundance'] }, readings));
    expect(named).toMatchObject({ kind: 'taxon', taxon: 'velloma' });
    expect(named.text).toMatch(/^Species yes; subspecies no: needs /);
  });

  it('says one of two when only two are left', () => {
    const named = callOf(
      crabs,
      posteriorOf(crabs, { switchedOff: ['abundance'] }, [
        s('granules', 'scattered', 'smooth'),
        s('claw-gape', 'closed'),
        s('leg-fringe', 'none', 'sparse'),
        s('tooth-form', 'sharp', 'blunt'),
        { character: 'side-teeth', value: 5 },
        s('front-edge', 'two-lobes', 'one-arch'),
      ]),
    );
    expect(named.kind).toBe('either');
    expect([named.taxon, named.other].sort()).toEqual(['cinerata', 'velloma']);
  });

  it('finds that something is not in the guide', () => {
    const odd = callOf(
      crabs,
      posteriorOf(crabs, {}, [
        { character: 'width-ratio', value: 0.6, error: 0.02 },
        { character: 'leg-ratio', value: 3, error: 0.05 },
        { character: 'claw-depth', value: 0.9, error: 0.02 },
        { character: 'claw-ratio', value: 2, error: 0.02 },
        { character: 'abdomen-ratio', value: 1.6, error: 0.03 },
      ]),
    );
    expect(odd.kind).toBe('outside');
  });

  it('is not surer of itself than it may be: 9 of 10 simulated crabs that it names are that species', () => {
    const random = seeded('calls');
    const compiled = compileGuide(ledgeCrabs);
    let named = 0;
    let right = 0;
    for (let n = 0; n < 150; n++) {
      const form = Math.floor(random() * compiled.forms.length);
      const traits = traitsOf(compiled, form, random);
      const readings = ledgeCrabs.characters
        .filter(() => random() < 0.5)
        .map((c): Reading =>
          typeof traits[c.id] === 'number'
            ? { character: c.id, value: traits[c.id] as number }
            : { character: c.id, states: [traits[c.id] as string] },
        );
      const { kind, taxon } = callOf(compiled, posteriorOf(compiled, { switchedOff: ['abundance'] }, readings));
      if (kind !== 'taxon' || taxon === 'petralda') continue;
      named++;
      if (compiled.forms[form].taxon.startsWith(taxon!)) right++;
    }
    expect(named).toBeGreaterThan(60);
    expect(right / named).toBeGreaterThan(0.9);
  });
});

describe('next looks', () => {
  const looks = (situation: object, readings: Reading[] = []) =>
    nextLooks(crabs, posteriorOf(crabs, {}, readings), groupByRank(crabs, 'species'), situation, readings);

  it('rank worth per second, and offer nothing that was read', () => {
    const [first, second] = looks({});
    expect((first.bits * first.chance) / first.seconds).toBeGreaterThanOrEqual((second.bits * second.chance) / second.seconds);
    expect(looks({}, [{ character: first.character, status: 'not-visible' }]).map((l) => l.character)).not.toContain(
      first.character,
    );
  });

  it('list what needs another view, more handling or nearness apart, with the reason', () => {
    const setAside = (situation: object, character: string) => looks(situation).find((l) => l.character === character)?.setAside;
    expect(setAside({ views: ['dorsal'] }, 'belly-spots')).toBe('view');
    expect(setAside({ handling: 'look' }, 'width-ratio')).toBe('handling');
    expect(setAside({ distance: 'far' }, 'granules')).toBe('distance');
    expect(setAside({}, 'granules')).toBeUndefined();
    const all = looks({ handling: 'look' });
    expect(all.findIndex((l) => l.setAside)).toBeGreaterThan(all.findLastIndex((l) => !l.setAside));
  });

  it('count for less beside a reading of the same dependence group', () => {
    const full = posteriorOf(crabs, {}, []);
    const grouping = groupByRank(crabs, 'species');
    const bits = (readings: Reading[]) =>
      nextLooks(crabs, full, grouping, {}, readings).find((l) => l.character === 'granules')!.bits;
    // γ = 0.3 in "relief": one mate tempers by 1 / 1.3
    expect(bits([{ character: 'back-groove', states: ['deep'] }])).toBeCloseTo(bits([]) / 1.3, 10);
  });
});

describe('the whole answer', () => {
  it('rolls up, keeps a ledger in the order given, and says when only the map leads', () => {
    const readings: Reading[] = [
      { character: 'front-edge', states: ['one-arch'] },
      { character: 'granules', status: 'not-visible' },
    ];
    const answer = standingOf(crabs, { region: 'south-tessary' }, readings);
    const species = answer.taxa.filter((t) => t.rank === 'species').reduce((sum, t) => sum + t.p, answer.outside);
    expect(species).toBeCloseTo(1, 9);
    expect(answer.ledger.map(({ character, weight }) => [character, weight])).toEqual([
      ['front-edge', 1],
      ['granules', 0],
    ]);
    expect(answer.beam.left.p).toBeGreaterThanOrEqual(answer.beam.right.p);
    expect(answer.mapOnly).toEqual({ without: 'velloma', label: 'Petralda velloma' });
  });

  it('answers the level asked', () => {
    const answer = standingOf(crabs, {}, [], { kind: 'facet', facet: 'sex' });
    expect([answer.beam.left.group, answer.beam.right.group].sort()).toEqual(['female', 'male']);
  });
});

describe('readings that cannot be', () => {
  it.each<[Reading, string, string]>([
    [{ character: 'wings', states: ['two'] }, 'unknown-character', 'readings[0].character'],
    [{ character: 'front-edge', states: ['square'] }, 'unknown-state', 'readings[0].states'],
    [{ character: 'front-edge' }, 'states-missing', 'readings[0].states'],
    [{ character: 'front-edge', states: ['one-arch'], value: 3 }, 'value-unsuited', 'readings[0].value'],
    [{ character: 'width-ratio', states: ['wide'] }, 'states-unsuited', 'readings[0].states'],
    [{ character: 'width-ratio' }, 'value-missing', 'readings[0].value'],
    [{ character: 'width-ratio', value: -1 }, 'value-not-positive', 'readings[0].value'],
    [{ character: 'width-ratio', value: 1.2, error: -1 }, 'error-negative', 'readings[0].error'],
    [{ character: 'carapace-width', parts: { numerator: 1, denominator: 2 } }, 'parts-unsuited', 'readings[0].parts'],
    [{ character: 'side-teeth', value: 4.5 }, 'count-out-of-range', 'readings[0].value'],
    [{ character: 'side-teeth', value: 40 }, 'count-out-of-range', 'readings[0].value'],
  ])('%j', (reading, code, field) => {
    expect(checkReadings(ledgeCrabs, [reading])).toContainEqual(expect.objectContaining({ code, field }));
  });

  it('leave what was not seen alone', () => {
    expect(checkReadings(ledgeCrabs, [{ character: 'front-edge', status: 'not-visible' }])).toEqual([]);
  });
});

describe('probabilities in words', () => {
  it.each([
    [0.93, '93 in 100'],
    [0.004, '4 in 1000'],
    [0.0004, 'under 1 in 1000'],
    [0.994, 'over 99 in 100'],
    [0.99995, 'over 999 in 1000'],
  ])('%f is %s', (p, words) => {
    expect(inHundred(p)).toBe(words);
  });

  it('says it as a number of a hundred where there is no room for more, and never a thousandth as one', () => {
    expect([0.0004, 0.004, 0.04, 0.93, 0.9951, 0.99999].map(ofHundred)).toEqual(['<1', '<1', '4', '93', '>99', '>99']);
  });
});

describe('the worth of a measurement where forms are narrow', () => {
  it('is not lost between points: against a fine sum over values', () => {
    const species = (i: number) => ({
      id: `s${i}`,
      name: `Tessella s${i}`,
      rank: 'species' as const,
      parent: 'genus',
      abundance: 1,
      forms: [{ share: 1, facets: {} }],
    });
    for (const sd of [0.02, 0.1, 0.5, 3]) {
      const means = [10, 10.1, 14, 30];
      const compiled = compileGuide(
        tinyGuide({
          taxa: [tinyGuide().taxa[0], ...means.map((_, i) => species(i))],
          characters: [{ ...tinyGuide().characters[1], error: 0.001 }],
          scores: means.map((mean, i) => ({
            character: 'length',
            scope: { taxon: `s${i}` },
            source: 'book',
            value: { kind: 'values', mean, sd },
          })),
        }),
      );
      const live = possibleForms(posteriorOf(compiled, {}, []), groupByRank(compiled, 'species'));
      const worth = expectedInformation(compiled.tables.get('length')!, live, 0);
      // By hand: I = Σ ∫ p(x, g) log2 (p(x | g) / p(x)) over a very fine grid.
      let naive = 0;
      const density = (x: number, mean: number) => Math.exp(-(((x - mean) / sd) ** 2) / 2) / (sd * Math.sqrt(2 * Math.PI));
      const step = sd / 40;
      for (let x = 10 - 6 * sd; x < 30 + 6 * sd; x += step) {
        const each = means.map((mean) => density(x, mean));
        const all = each.reduce((a, b) => a + b, 0) / 4;
        for (const p of each) if (p > 1e-300) naive += (p / 4) * Math.log2(p / all) * step;
      }
      expect(worth).toBeGreaterThan(naive * 0.96 - 0.01);
      expect(worth).toBeLessThan(naive * 1.02 + 0.02);
    }
  });
});
