import fc from 'fast-check';
import { demoGuides } from '../../demo';
import { seeded } from '../probability';
import { compileGuide, readGuide, type Guide } from '../guide';
import { drawnSpecimen } from '../test/drawnSpecimens';
import { tinyGuide } from '../test/tinyGuide';
import { blockGuide } from '../test/blockGuide';
import { checkReadings, type Reading } from '../observation';
import { standingOf, fromPrior, jointPosterior, posteriorOf, temperedSum, temperedWeights, withoutReading, withReading } from '.';

const compiled = demoGuides.map((guide) => ({ name: guide.id, guide, compiled: compileGuide(guide) }));
const leaderOf = (p: Float64Array) => p.reduce((best, q, f) => (q > p[best] ? f : best), 0);

describe('readings that depend on each other', () => {
  const bits = fc.array(fc.double({ min: -8, max: 8, noNaN: true }), { minLength: 1, maxLength: 7 });
  const gamma = fc.double({ min: 0, max: 1, noNaN: true });

  it('count as Kish has it when they are equal', () => {
    for (const k of [1, 2, 3, 5])
      expect(temperedSum(new Array<number>(k).fill(2), 0.6)).toBeCloseTo((2 * k) / (1 + (k - 1) * 0.6), 12);
    expect(temperedWeights([1, 1], 0.7)).toEqual([1 / 1.7, 1 / 1.7].map((w) => expect.closeTo(w, 12)));
  });

  it('are not weakened by one more that agrees, nor changed by one that says nothing, nor by their order', () => {
    fc.assert(
      fc.property(bits, gamma, fc.double({ min: 0, max: 8, noNaN: true }), (list, g, more) => {
        const sum = temperedSum(list, g);
        expect(temperedSum([...list, more], g)).toBeGreaterThanOrEqual(sum - 1e-9);
        expect(temperedSum([...list, 0], g)).toBeCloseTo(sum, 9);
        expect(temperedSum([...list].reverse(), g)).toBeCloseTo(sum, 9);
      }),
    );
  });

  it('by a power count so much each, however many there are', () => {
    expect(temperedSum([2, 3, -1], 0, 0.5)).toBeCloseTo(2, 12);
  });
});

describe.each(compiled)('over random specimens of $name', ({ guide, compiled: own }) => {
  const random = seeded(`laws ${guide.id}`);
  const specimens = Array.from({ length: 60 }, () => drawnSpecimen(own, random, { share: 0.4 }));

  it('one more reading that favours the leader over every other form never lowers it', () => {
    let tried = 0;
    for (const { readings } of specimens) {
      const full = posteriorOf(own, {}, readings);
      const leader = leaderOf(full.p);
      for (const character of guide.characters) {
        if (readings.some((reading) => reading.character === character.id) || !character.states) continue;
        for (const { id } of character.states) {
          const more = withReading(own, full, { character: character.id, states: [id] });
          const { column } = more.weighed.find(({ reading }) => reading.character === character.id)!;
          const favours = column.bits.every((b) => b <= column.bits[leader] + 1e-12) && column.outside <= column.bits[leader];
          if (!favours) continue;
          tried++;
          expect(more.p[leader]).toBeGreaterThanOrEqual(full.p[leader] - 1e-9);
        }
      }
    }
    expect(tried).toBeGreaterThan(30);
  });

  it('a reading that is the same under all forms changes nothing: every state at once', () => {
    const even = guide.characters.find(({ id, states, dependence }) => states && dependence && !own.tables.get(id)!.applies)!;
    for (const { readings } of specimens.slice(0, 20)) {
      const others = readings.filter(({ character }) => character !== even.id);
      const before = posteriorOf(own, {}, others).p;
      const after = posteriorOf(own, {}, [...others, { character: even.id, states: even.states!.map(({ id }) => id) }]).p;
      before.forEach((p, f) => expect(after[f]).toBeCloseTo(p, 9));
    }
  });

  it('order does not matter, probabilities sum to 1, and leaving one out is weighing anew without it', () => {
    for (const { readings } of specimens.slice(0, 25)) {
      if (readings.length === 0) continue;
      const full = posteriorOf(own, {}, readings);
      expect(full.p.reduce((a, b) => a + b, full.outside)).toBeCloseTo(1, 9);
      const turned = posteriorOf(own, {}, [...readings].reverse());
      full.p.forEach((p, f) => expect(turned.p[f]).toBeCloseTo(p, 12));
      const at = Math.floor(readings.length / 2);
      const left = withoutReading(own, full, at);
      const anew = fromPrior(
        own,
        full.prior,
        readings.filter((_, i) => i !== at),
      );
      left.p.forEach((p, f) => expect(p).toBeCloseTo(anew.p[f], 9));
    }
  });

  it('what an answer would do is what it does', () => {
    for (const { readings } of specimens.slice(0, 3)) {
      const answer = standingOf(own, {}, readings);
      for (const look of answer.nextLooks) {
        for (const { answer: given, group, p } of look.answers ?? []) {
          const { kind } = guide.characters.find(({ id }) => id === look.character)!;
          const told = kind === 'nominal' || kind === 'ordered' ? { states: [given] } : { value: Number(given) };
          const then = standingOf(own, {}, [...readings, { character: look.character, ...told }], answer.nextLevel);
          expect([then.beam.left.group, then.beam.left.p]).toEqual([group, expect.closeTo(p, 9)]);
        }
      }
    }
  });

  it('whatever is named at a fine level is named above it, and no sentence is silly', () => {
    for (const { readings } of specimens) {
      const { call, robustness, fit, hazards, withheld } = standingOf(own, {}, readings);
      const ranks = call.verdicts.filter(({ level }) => level.kind === 'rank');
      const finest = ranks.findLastIndex(({ passes }) => passes);
      expect(ranks.slice(0, finest + 1).every(({ passes }) => passes)).toBe(true);
      const said = [call.text, robustness.text, fit.text, withheld.reason ?? '', ...call.verdicts.map(({ text }) => text)].join(
        ' ',
      );
      expect(said).not.toMatch(/at (?:under|over) [^.]* or more|fall to over|NaN|undefined|Infinity|needs (\d+ in 100) \(now \1/);
      expect(said).not.toMatch(/\b10 in 1000\b|on 0 independent|-\d+ more/);
      for (const { p } of hazards) expect(p).toBeGreaterThan(0);
    }
  });
});

describe('a guide that is hostile but well formed', () => {
  const share = fc.constantFrom(0, 1e-9, 0.3, 0.999999, 1);
  const number = fc.constantFrom(-1e12, -5, 0, 1e-12, 1e-3, 1, 20, 2200, 1e6, 1e12);
  const settings = fc.record({
    reliability: fc.constantFrom(1e-6, 0.5, 1),
    slip: fc.constantFrom(0, 0.2),
    tail: fc.constantFrom(0, 0.02, 0.5),
    outside: fc.constantFrom(1e-12, 0.02, 0.999999),
    secondLook: share,
  });
  const score = fc.record({
    character: fc.constantFrom('edge', 'length', 'teeth'),
    taxon: fc.constantFrom('a', 'b', 'genus'),
    states: fc.record({ round: share }),
    mean: number,
    sd: fc.constantFrom(1e-12, 1e-3, 1, 1e6),
    count: fc.constantFrom('3', '4', '6'),
    applies: fc.option(share, { nil: undefined }),
  });
  const reading = fc.record({
    character: fc.constantFrom('edge', 'length', 'teeth'),
    value: number,
    error: fc.constantFrom(0, 1e-12, 0.5, 1e6),
    certainty: fc.constantFrom<'sure' | 'likely' | 'guess'>('sure', 'likely', 'guess'),
    status: fc.constantFrom<'seen' | 'does-not-apply' | 'not-visible'>('seen', 'seen', 'does-not-apply', 'not-visible'),
  });

  const guideOf = (given: {
    settings: object;
    scores: readonly Record<string, unknown>[];
    log: boolean;
    gamma: number;
  }): unknown => {
    const base = tinyGuide();
    const json = JSON.parse(JSON.stringify(base)) as Record<string, unknown> & { characters: Record<string, unknown>[] };
    json.settings = { ...base.settings, ...given.settings };
    json.dependence = [{ id: 'all', label: 'all', gamma: given.gamma }];
    json.characters.forEach((character) => (character.dependence = 'all'));
    json.characters[1].log = given.log;
    const seen = new Set<string>();
    json.scores = given.scores.flatMap((one) => {
      const { character, taxon, states, mean, sd, count, applies } = one as {
        character: string;
        taxon: string;
        states: object;
        mean: number;
        sd: number;
        count: string;
        applies?: number;
      };
      if (seen.has(character + taxon)) return [];
      seen.add(character + taxon);
      const value =
        character === 'edge'
          ? { kind: 'states', states }
          : character === 'length'
            ? { kind: 'values', mean, sd }
            : { kind: 'counts', counts: { [count]: 1 } };
      const own = [{ character, scope: { taxon }, source: 'book', value }];
      return applies === undefined
        ? own
        : [...own, { character, scope: { taxon }, source: 'book', value: { kind: 'applies', frequency: applies } }];
    });
    return json;
  };

  it('is refused by name or weighed without a number that is none', () => {
    let weighed = 0;
    fc.assert(
      fc.property(
        settings,
        fc.array(score, { minLength: 1, maxLength: 8 }),
        fc.boolean(),
        share,
        fc.array(reading, { maxLength: 6 }),
        (given, scores, log, gamma, raw) => {
          const outcome = readGuide(guideOf({ settings: given, scores, log, gamma }));
          if (!outcome.ok) {
            for (const problem of outcome.problems)
              expect(problem).toMatchObject({ field: expect.any(String), message: expect.any(String) });
            return;
          }
          const readings = raw.map(({ value, error, ...rest }): Reading =>
            rest.character === 'edge'
              ? { ...rest, states: ['toothed'] }
              : { ...rest, value: rest.character === 'teeth' ? 5 : value, ...(rest.character === 'length' ? { error } : {}) },
          );
          if (checkReadings(outcome.value, readings).length > 0) return;
          weighed++;
          const answer = standingOf(compileGuide(outcome.value), {}, readings);
          const numbers: number[] = [];
          JSON.stringify(answer, (_, value: unknown) => {
            if (typeof value === 'number') numbers.push(value);
            return value;
          });
          expect(numbers.every(Number.isFinite)).toBe(true);
          expect(answer.forms.reduce((sum, { p }) => sum + p, answer.outside)).toBeCloseTo(1, 6);
        },
      ),
      { numRuns: 200 },
    );
    expect(weighed).toBeGreaterThan(40);
  });

  it('a value far out of every form’s reach, only likely, leaves numbers', () => {
    const far = posteriorOf(compileGuide(tinyGuide()), {}, [{ character: 'length', value: 2200, certainty: 'likely' }]);
    expect([...far.p, far.outside].every(Number.isFinite)).toBe(true);
  });

  it.each<[string, Partial<Guide>, string]>([
    [
      'a mean that has no logarithm',
      {
        characters: tinyGuide().characters.map((c) => (c.id === 'length' ? { ...c, log: true } : c)),
        scores: [{ character: 'length', scope: { taxon: 'a' }, source: 'book', value: { kind: 'values', mean: -2, sd: 1 } }],
      },
      'mean-not-positive',
    ],
    [
      'a number beyond any measurement',
      { scores: [{ character: 'length', scope: { taxon: 'a' }, source: 'book', value: { kind: 'values', mean: 1e30, sd: 1 } }] },
      'too-large',
    ],
    [
      'counts that end before they begin',
      {
        characters: tinyGuide().characters.map((c) => (c.id === 'teeth' ? { ...c, counts: { from: 6, to: 3 } } : c)),
        scores: tinyGuide().scores.slice(0, 2),
      },
      'counts-backwards',
    ],
    [
      'two scores of one source for the same forms',
      {
        scores: [
          ...tinyGuide().scores,
          { character: 'edge', scope: { taxon: 'a' }, source: 'book', value: { kind: 'states', states: { round: 0.1 } } },
        ],
      },
      'scored-twice',
    ],
  ])('%s is refused', (_, given, code) => {
    const outcome = readGuide(JSON.parse(JSON.stringify({ ...tinyGuide(), ...given })));
    expect(outcome.ok ? [] : outcome.problems.map((problem) => problem.code)).toContain(code);
  });

  it('a covariance that is none is refused, and hangs nobody where it came in all the same', () => {
    const guide = blockGuide({ covariance: [1, 5, 1] });
    const outcome = readGuide(JSON.parse(JSON.stringify(guide)));
    expect(outcome.ok ? [] : outcome.problems.map(({ code }) => code)).toEqual(['not-a-covariance']);
    const { p } = posteriorOf(compileGuide(guide), {}, [
      { character: 'x', value: 10 },
      { character: 'y', value: 10 },
    ]);
    expect([...p].every(Number.isFinite)).toBe(true);
  });

  it('a length of 0 in a block of logarithms is refused', () => {
    const guide = blockGuide({ log: true, forms: blockGuide().blocks![0].forms.map((form) => ({ ...form, mean: [2.3, 2.3] })) });
    expect(checkReadings(guide, [{ character: 'x', value: 0 }]).map(({ code }) => code)).toEqual(['value-not-positive']);
  });
});

describe('a measured block beside a character of its group', () => {
  it('counts once', () => {
    const base = blockGuide();
    const guide: Guide = {
      ...base,
      dependence: [{ id: 'size', label: 'size', gamma: 0.5 }],
      characters: base.characters.map((c) => ({ ...c, dependence: 'size' })),
    };
    const own = compileGuide(guide);
    const lengths: Reading[] = [
      { character: 'x', value: 10.4 },
      { character: 'y', value: 10.1 },
    ];
    const edge: Reading = { character: 'edge', states: ['round'] };
    const odds = (readings: Reading[]) => {
      const { bits } = posteriorOf(own, {}, readings);
      return bits[0] - bits[1];
    };
    const [block, character] = [odds(lengths), odds([edge])];
    expect(odds([...lengths, edge])).toBeCloseTo(temperedSum([block, character], 0.5), 6);
  });
});

describe('several specimens of one taxon', () => {
  it('one male and one female are weighed each for itself', () => {
    const sexes = { sex: { male: 0.5, female: 0.5 } };
    const base = tinyGuide();
    const taxon = (id: string, name: string) => ({
      id,
      name,
      rank: 'species' as const,
      parent: 'genus',
      abundance: 1,
      forms: [{ share: 1, facets: sexes }],
    });
    const colour = (scope: object, round: number) => ({
      character: 'edge',
      scope,
      source: 'book',
      value: { kind: 'states' as const, states: { round } },
    });
    const guide = tinyGuide({
      facets: {
        sex: [
          { id: 'male', label: 'male' },
          { id: 'female', label: 'female' },
        ],
      },
      taxa: [base.taxa[0], taxon('a', 'Tessella alba'), taxon('b', 'Tessella brevis')],
      // In a, males are round and females toothed; in b either sex is either.
      scores: [
        colour({ taxon: 'a', facets: { sex: ['male'] } }, 0.99),
        colour({ taxon: 'a', facets: { sex: ['female'] } }, 0.01),
        colour({ taxon: 'b' }, 0.5),
      ],
    });
    const own = compileGuide(guide);
    const [round, toothed]: Reading[] = [
      { character: 'edge', states: ['round'] },
      { character: 'edge', states: ['toothed'] },
    ];
    const mass = (p: Float64Array, taxonId: string) =>
      own.forms.reduce((sum, form, f) => sum + (form.taxon === taxonId ? p[f] : 0), 0);
    const pooled = posteriorOf(own, {}, [round, toothed]).p;
    const { full, without } = jointPosterior(own, {}, [[round], [toothed]]);
    // By hand: each specimen is as likely under a as under b.
    expect(mass(full.p, 'a')).toBeCloseTo(mass(full.p, 'b'), 6);
    expect(mass(pooled, 'a')).toBeLessThan(mass(pooled, 'b') / 2);
    expect(full.bits[0] - full.prior.forms[0]).toBeCloseTo(
      full.weighed.reduce((sum, { counted }) => sum + counted.bits[0], 0),
      9,
    );
    expect(without).toHaveLength(2);
  });
});
