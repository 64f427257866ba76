import fc from 'fast-check';
import { compileGuide } from '../guide';
import { blockGuide } from '../test/blockGuide';
import { tinyGuide } from '../test/tinyGuide';
import { checkReadings, type Reading } from '../observation';
import { standingOf, evenWeights, independenceKey, jointColumn, posteriorOf, tableGiven, withoutReading } from '.';

const value = (character: string, v: number, error?: number): Reading => ({ character, value: v, error });
const compiled = compileGuide(blockGuide());
const logOdds = (readings: Reading[], guide = compiled) => {
  const { p } = posteriorOf(guide, {}, readings);
  return Math.log(p[0] / p[1]);
};

/** ln density of the two lengths about a mean, covariance [[1, .9], [.9, 1]], without the constant. */
const byHand = (x: number, y: number, mx: number, my: number) => {
  const [dx, dy] = [x - mx, y - my];
  return -(dx * dx - 1.8 * dx * dy + dy * dy) / (2 * (1 - 0.81));
};

describe('a measured block', () => {
  it('scores its lengths together: odds worked by hand', () => {
    const odds = byHand(10.4, 10.1, 10, 10) - byHand(10.4, 10.1, 10.5, 9.5);
    expect(logOdds([value('x', 10.4), value('y', 10.1)])).toBeCloseTo(odds, 6);
  });

  it('sees in two lengths what neither shows alone', () => {
    const [x, y] = [logOdds([value('x', 10.5)]), logOdds([value('y', 9.5)])];
    expect(Math.abs(x)).toBeLessThan(0.2);
    expect(Math.abs(y)).toBeLessThan(0.2);
    expect(logOdds([value('x', 10.5), value('y', 9.5)])).toBeLessThan(-2);
    // Taken as independent they would add up to next to nothing.
    expect(Math.abs(x + y)).toBeLessThan(0.4);
  });

  it('is content with whichever of its lengths were read', () => {
    const alone = -((10.4 - 10) ** 2 - (10.4 - 10.5) ** 2) / 2;
    expect(logOdds([value('x', 10.4)])).toBeCloseTo(alone, 6);
  });

  it('is widened by an error that is given, on that length only', () => {
    const alone = -((10.4 - 10) ** 2 - (10.4 - 10.5) ** 2) / (2 * (1 + 0.25));
    expect(logOdds([value('x', 10.4, 0.5)])).toBeCloseTo(alone, 6);
  });

  it('does not depend on the order of reading, and is shared among its readings without loss', () => {
    fc.assert(
      fc.property(fc.double({ min: 7, max: 13, noNaN: true }), fc.double({ min: 7, max: 13, noNaN: true }), (x, y) => {
        const readings = [value('x', x), value('y', y), { character: 'edge', states: ['round'] }];
        const [forth, back] = [posteriorOf(compiled, {}, readings), posteriorOf(compiled, {}, [...readings].reverse())];
        forth.p.forEach((p, f) => expect(back.p[f]).toBeCloseTo(p, 9));
        const joint = jointColumn(compiled, compiled.blocks[0], [
          { at: 0, x, error: 0 },
          { at: 1, x: y, error: 0 },
        ]);
        const members = forth.weighed.filter(({ reading }) => reading.character !== 'edge');
        joint.bits.forEach((bits, f) => {
          expect(members.reduce((sum, { column }) => sum + column.bits[f], 0)).toBeCloseTo(bits, 8);
        });
      }),
      { numRuns: 40 },
    );
  });

  it('left out one by one is what it would be without that one', () => {
    const readings = [value('x', 10.4), value('y', 9.7), { character: 'edge', states: ['round'] }];
    const full = posteriorOf(compiled, {}, readings);
    readings.forEach((_, i) => {
      const gone = withoutReading(compiled, full, i);
      const fresh = posteriorOf(
        compiled,
        {},
        readings.filter((_r, k) => k !== i),
      );
      fresh.p.forEach((p, f) => expect(gone.p[f]).toBeCloseTo(p, 8));
    });
  });

  it('counts two looks at one length as their mean', () => {
    expect(logOdds([value('x', 10.2), value('x', 10.6), value('y', 9.6)])).toBeCloseTo(
      logOdds([value('x', 10.4), value('y', 9.6)]),
      6,
    );
  });

  it('is one character, and its readings do not temper each other', () => {
    const guide = blockGuide();
    expect(evenWeights(guide, [value('x', 1), value('y', 1), value('x', 1)])).toEqual([1, 1, 1]);
    expect(independenceKey(guide, 'x')).toBe(independenceKey(guide, 'y'));
  });

  it('gives a form that was not measured the predictive of the others', () => {
    const half = compileGuide(blockGuide({ forms: [{ taxon: 'a', facets: {}, n: 9, mean: [10, 10] }] }));
    const { bits } = jointColumn(half, half.blocks[0], [{ at: 0, x: 10.3, error: 0 }]);
    expect(bits[1]).toBeCloseTo(bits[0], 9);
  });

  it('trusts a mean of few specimens less', () => {
    const sure = logOdds([value('x', 10), value('y', 10)]);
    const unsure = logOdds(
      [value('x', 10), value('y', 10)],
      compileGuide(blockGuide({ forms: blockGuide().blocks![0].forms.map((form) => ({ ...form, n: 2 })) })),
    );
    expect(unsure).toBeCloseTo(sure / 1.5, 6);
  });

  it('with few degrees lets one giant decide less', () => {
    const heavy = compileGuide(blockGuide({ degrees: 4 }));
    expect(Math.abs(logOdds([value('x', 16), value('y', 10)], heavy))).toBeLessThan(
      Math.abs(logOdds([value('x', 16), value('y', 10)])) / 2,
    );
  });

  it('counts at the power the table chose for it', () => {
    const half = compileGuide(blockGuide({ temper: 0.5 }));
    expect(logOdds([value('x', 10.4), value('y', 10.1)], half)).toBeCloseTo(logOdds([value('x', 10.4), value('y', 10.1)]) / 2, 6);
  });

  it('on a log scale takes values as they are read', () => {
    const log = compileGuide(
      blockGuide({
        log: true,
        covariance: [0.01, 0.009, 0.01],
        forms: [
          { taxon: 'a', facets: {}, n: 1e9, mean: [Math.log(10), Math.log(10)] },
          { taxon: 'b', facets: {}, n: 1e9, mean: [Math.log(11), Math.log(10)] },
        ],
      }),
    );
    const gap = Math.log(10.5) - Math.log(10);
    const other = Math.log(10.5) - Math.log(11);
    expect(logOdds([value('x', 10.5)], log)).toBeCloseTo(-(gap ** 2 - other ** 2) / 0.02, 6);
  });

  it('on a log scale is not told of lengths that are none', () => {
    const problems = (log: boolean, v: number) =>
      checkReadings(blockGuide({ log }), [value('x', v)]).map(({ code, field }) => `${field} ${code}`);
    expect(problems(true, 0)).toEqual(['readings[0].value value-not-positive']);
    expect(problems(true, -2)).toEqual(['readings[0].value value-not-positive']);
    expect(problems(false, -2)).toEqual([]);
  });

  it('uses a form’s own covariance where it has one', () => {
    const own = compileGuide(
      blockGuide({
        forms: [
          { taxon: 'a', facets: {}, n: 1e9, mean: [10, 10], covariance: [4, 0, 4] },
          { taxon: 'b', facets: {}, n: 1e9, mean: [10, 10] },
        ],
      }),
    );
    // Same means: far from them, the wider form is the likelier, by ½(d² − d²/4) − ln 2.
    expect(logOdds([value('x', 13)], own)).toBeCloseTo((9 - 9 / 4) / 2 - Math.log(2), 6);
  });
});

describe('what to measure next in a block', () => {
  it('is conditional on what was measured: mean and spread worked by hand', () => {
    const table = tableGiven(compiled, posteriorOf(compiled, {}, [value('x', 11)]).weighed, 'y');
    if (table.type !== 'values') throw new Error('a length is a value');
    // μ + ρ (x − μx) and √(1 − ρ²), ρ = .9.
    expect(table.mean[0]).toBeCloseTo(10 + 0.9 * 1, 9);
    expect(table.mean[1]).toBeCloseTo(9.5 + 0.9 * 0.5, 9);
    expect(table.sd[0]).toBeCloseTo(Math.sqrt(1 - 0.81), 9);
  });

  it('without any is what the form alone says, and of what is in no block too', () => {
    expect(tableGiven(compiled, [], 'y')).toBe(compiled.tables.get('y'));
    expect(tableGiven(compiled, posteriorOf(compiled, {}, [value('x', 11)]).weighed, 'edge')).toBe(compiled.tables.get('edge'));
  });

  it('the second length is worth far more than the first, and both are offered', () => {
    const bits = (readings: Reading[]) =>
      standingOf(compiled, {}, readings).nextLooks.find(({ character }) => character === 'y')!.bits;
    expect(bits([])).toBeLessThan(0.1);
    expect(bits([value('x', 10.2)])).toBeGreaterThan(0.5);
  });
});

describe('“larger than the one beside it”', () => {
  const guide = tinyGuide();
  const plain = compileGuide(guide);
  const larger = (relation: 'larger' | 'smaller'): Reading => ({
    character: 'length',
    comparison: { relation, than: { taxon: 'a' } },
  });

  it('is P(X − Y > 0) under both, worked by hand', () => {
    // b against a: Φ(2 / √2) = .9214; a against a: ½.
    const { p } = posteriorOf(plain, {}, [larger('larger')]);
    expect(p[1] / p[0]).toBeCloseTo(0.92135 / 0.5, 4);
    const less = posteriorOf(plain, {}, [larger('smaller')]).p;
    expect(less[1] / less[0]).toBeCloseTo((1 - 0.92135) / 0.5, 4);
  });

  it('is believed as far as the eye is: reliability mixes the other answer in', () => {
    const shaky = compileGuide(
      tinyGuide({ characters: guide.characters.map((c) => (c.id === 'length' ? { ...c, reliability: 0.8 } : c)) }),
    );
    const { p } = posteriorOf(shaky, {}, [larger('larger')]);
    expect(p[1] / p[0]).toBeCloseTo((0.8 * 0.92135 + 0.2 * 0.07865) / 0.5, 4);
  });

  it('between two characters of one individual', () => {
    const twin = { ...guide.characters[1], id: 'width', label: 'Width' };
    const wide = tinyGuide({
      characters: [...guide.characters, twin],
      scores: [
        ...guide.scores,
        { character: 'width', scope: { taxon: 'a' }, source: 'book', value: { kind: 'values', mean: 9, sd: 1 } },
        { character: 'width', scope: { taxon: 'b' }, source: 'book', value: { kind: 'values', mean: 14, sd: 1 } },
      ],
    });
    const { p } = posteriorOf(compileGuide(wide), {}, [
      { character: 'length', comparison: { relation: 'larger', than: { character: 'width' } } },
    ]);
    // a: 10 over 9, Φ(1/√2) = .7602; b: 12 over 14, Φ(−√2) = .0786.
    expect(p[0] / p[1]).toBeCloseTo(0.76025 / 0.07865, 2);
  });

  it.each<[Reading, string, string]>([
    [{ character: 'edge', comparison: { relation: 'larger', than: { taxon: 'a' } } }, 'comparison-unsuited', 'comparison'],
    [{ ...larger('larger'), value: 3 }, 'comparison-and-value', 'comparison'],
    [{ character: 'length', comparison: { relation: 'larger', than: { taxon: 'z' } } }, 'unknown-taxon', 'comparison.than.taxon'],
    [{ character: 'length', comparison: { relation: 'larger', than: { form: 'z' } } }, 'unknown-form', 'comparison.than.form'],
    [
      { character: 'length', comparison: { relation: 'larger', than: { character: 'z' } } },
      'unknown-character',
      'comparison.than.character',
    ],
    [
      { character: 'length', comparison: { relation: 'larger', than: { character: 'edge' } } },
      'comparison-unsuited',
      'comparison.than.character',
    ],
  ])('%j is refused', (reading, code, field) =>
    expect(checkReadings(guide, [reading])).toMatchObject([{ code, field: `readings[0].${field}` }]),
  );

  it('goes into the ledger and the rest like any other reading', () => {
    const answer = standingOf(plain, {}, [larger('larger')]);
    expect(answer.ledger[0].weight).toBe(1);
    expect(answer.beam.left.group).toBe('b');
    expect(answer.fit.tail).toBeGreaterThan(0.1);
  });
});
