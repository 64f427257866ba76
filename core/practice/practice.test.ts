import { demoGuides } from '@plesion/demo';
import { fromPrior, groupMasses, ranked } from '../evidence';
import { type CompiledGuide, compileGuide, frequenciesOf, misreadingMatrix } from '../guide';
import type { Reading, Situation } from '../observation';
import { planOf } from '../plates/plans';
import { gammaBelow, normal, pick, type RandomSource, seeded } from '../probability';
import { blockGuide } from '../test/blockGuide';
import { tinyGuide } from '../test/tinyGuide';
import {
  beatsOf,
  groupsAt,
  individualsOf,
  type Item,
  practiceItem,
  practiceViews,
  readableIn,
  scoreAnswer,
  scoreSpot,
  whyNot,
  whyOf,
} from '.';

const guides = demoGuides.map((guide) => ({ name: guide.id, guide, compiled: compileGuide(guide), plan: planOf(guide)! }));
const of = (name: string) => guides.find((one) => one.name === name)!;
const SPECIES = { kind: 'rank', rank: 'species' } as const;

describe('a novel individual', () => {
  it.each(guides)('of $name follows the scores in every character', ({ name, compiled }) => {
    const n = name === 'ledge-crabs' ? 20_000 : 4_000;
    const random = seeded('traits');
    const form = compiled.forms.length >> 1;
    const tables = [...compiled.tables.values()].filter((table) => table.type === 'states');
    const counts = new Map(tables.map(({ character }) => [character.id, new Map<string, number>()]));
    const draw = individualsOf(compiled, form);
    for (let i = 0; i < n; i++) {
      const traits = draw(random);
      for (const [id, count] of counts) count.set(String(traits[id]), (count.get(String(traits[id])) ?? 0) + 1);
    }
    // Bonferroni: one in a thousand for all characters together.
    const alpha = 0.001 / tables.length;
    for (const table of tables) {
      const states = frequenciesOf(table, form).filter(({ p }) => p > 0);
      const count = counts.get(table.character.id)!;
      expect([...count.keys()].filter((state) => !states.some((one) => one.state === state))).toEqual([]);
      const usual = states.filter(({ p }) => p * n >= 5);
      if (usual.length < 2) continue;
      const square = usual.reduce((sum, { state, p }) => sum + ((count.get(state) ?? 0) - n * p) ** 2 / (n * p), 0);
      expect([table.character.id, 1 - gammaBelow(square / 2, (usual.length - 1) / 2) > alpha]).toEqual([
        table.character.id,
        true,
      ]);
    }
  });

  const correlation = (pairs: readonly (readonly [number, number])[]): number => {
    const mean = (k: 0 | 1) => pairs.reduce((sum, pair) => sum + pair[k], 0) / pairs.length;
    const [a, b] = [mean(0), mean(1)];
    const about = (k: 0 | 1, l: 0 | 1) => pairs.reduce((sum, p) => sum + (p[k] - [a, b][k]) * (p[l] - [a, b][l]), 0);
    return about(0, 1) / Math.sqrt(about(0, 0) * about(1, 1));
  };

  it('has characters of one dependence group go together by γ, and others not at all', () => {
    const tiny = tinyGuide();
    const length = tiny.characters.find(({ id }) => id === 'length')!;
    const named = (id: string, dependence?: string) => ({ ...length, id, dependence });
    const compiled = compileGuide(
      tinyGuide({
        characters: [...tiny.characters, named('width', 'size'), named('depth', 'size')],
        dependence: [{ id: 'size', label: 'size', gamma: 0.6 }],
        scores: [
          ...tiny.scores,
          ...['width', 'depth'].map((character) => ({
            ...tiny.scores.find((score) => score.character === 'length' && score.scope.taxon === 'a')!,
            character,
          })),
        ],
      }),
    );
    const random = seeded('together');
    const draw = individualsOf(compiled, 0);
    const all = Array.from({ length: 20_000 }, () => draw(random) as Record<string, number>);
    expect(correlation(all.map(({ width, depth }) => [width, depth] as const))).toBeCloseTo(0.6, 1);
    expect(Math.abs(correlation(all.map(({ width, length: long }) => [width, long] as const)))).toBeLessThan(0.03);
  });

  it('has lengths of a measured block go together as its covariance says', () => {
    const compiled = compileGuide(blockGuide());
    const random = seeded('block');
    const draw = individualsOf(compiled, 1);
    const all = Array.from({ length: 20_000 }, () => draw(random) as Record<string, number>);
    expect(correlation(all.map(({ x, y }) => [x, y] as const))).toBeCloseTo(0.9, 1);
    expect(all.reduce((sum, { x }) => sum + x, 0) / all.length).toBeCloseTo(10.5, 1);
  });
});

describe('an item', () => {
  const item = (name: string, seed: string, asked = {}): Item =>
    practiceItem(of(name).compiled, of(name).plan, { level: SPECIES, ...asked }, seed)!;

  it('is the same from the same seed, and another from another', () => {
    expect(item('ledge-crabs', 'a')).toEqual(item('ledge-crabs', 'a'));
    expect(item('ledge-crabs', 'b').traits).not.toEqual(item('ledge-crabs', 'a').traits);
  });

  it('asks for the groups it was asked about alone, each as often, in the view asked for', () => {
    const { guide, plan, compiled } = of('ledge-crabs');
    const groups = groupsAt(compiled, SPECIES)
      .groups.slice(0, 2)
      .map(({ id }) => id);
    const [view] = practiceViews(guide, plan);
    const all = Array.from({ length: 200 }, (_, i) => item('ledge-crabs', String(i), { groups, view }));
    for (const one of all) {
      expect(one.choices.map(({ id }) => id)).toEqual(groups);
      expect(one.view).toBe(view);
      expect(groups).toContain(one.truth.group);
      for (const { character } of one.truth.readings)
        expect(guide.characters.find(({ id }) => id === character)!.views).toContain(view);
    }
    const share = all.filter(({ truth }) => truth.group === groups[0]).length / all.length;
    expect(Math.abs(share - 0.5)).toBeLessThan(0.12);
  });

  it('cannot be of a view that nothing is drawn in, or of groups that are none', () => {
    const { compiled, plan } = of('ledge-crabs');
    expect(practiceItem(compiled, plan, { level: SPECIES, groups: ['nobody', 'nothing'] }, 's')).toBeUndefined();
    expect(practiceItem(compiled, plan, { level: SPECIES, view: 'from-the-moon' }, 's')).toBeUndefined();
    expect(practiceItem(compiled, { ...plan, views: [] }, { level: SPECIES }, 's')).toBeUndefined();
  });

  it('behind leaves is read without what they hide, and is the same individual without them', () => {
    let [fewer, parts] = [0, 0];
    for (const { compiled, plan, guide } of guides)
      for (let i = 0; i < 25; i++) {
        const asked = { level: SPECIES, view: practiceViews(guide, plan)[0] };
        const hidden = practiceItem(compiled, plan, { ...asked, hidden: 1 }, `${i}`)!;
        expect(practiceItem(compiled, plan, { ...asked, hidden: 1 }, `${i}`)).toEqual(hidden);
        parts += hidden.hidden.length;
        const behind = guide.characters.filter(({ plate }) => plate && hidden.hidden.includes(plate.part)).map(({ id }) => id);
        expect(hidden.truth.readings.filter(({ character }) => behind.includes(character))).toEqual([]);
        // All that was read of it still is what the individual shows.
        for (const { character, states, value } of hidden.truth.readings)
          expect(states?.[0] ?? value).toBe(hidden.traits[character]);
        if (behind.length) fewer++;
      }
    expect(fewer).toBeGreaterThan(60);
    expect(parts).toBeGreaterThan(100);
    expect(item('ledge-crabs', 'a').hidden).toEqual([]);
  });

  it('of one character shows it, in a view that does', () => {
    for (const { compiled, plan, guide } of guides) {
      const views = practiceViews(guide, plan);
      const characters = new Set(views.flatMap((view) => readableIn(guide, plan, view).map(({ id }) => id)));
      for (const character of characters) {
        const one = practiceItem(compiled, plan, { level: SPECIES, character }, 'drill');
        if (one) expect(one.truth.readings.map((reading) => reading.character)).toContain(character);
      }
      expect(practiceItem(compiled, plan, { level: SPECIES, character: 'no-such' }, 'drill')).toBeUndefined();
    }
  });

  it('in which the mark is to be found can be told, and is found by what tells most of it', () => {
    for (const { compiled, plan } of guides) {
      const groups = groupsAt(compiled, SPECIES)
        .groups.slice(0, 2)
        .map(({ id }) => id);
      const one = practiceItem(compiled, plan, { level: SPECIES, groups, spot: true }, 'find');
      if (!one) continue;
      expect(one.truth.best.kind).toBe('one');
      const why = whyOf(compiled, one, [])!;
      expect(scoreSpot(why, why.readings[0].reading.character)).toEqual({ p: 1, bits: 0, right: true });
      const least = why.readings.at(-1)!;
      expect(scoreSpot(why, least.reading.character).right).toBe(least.bits > 0 && least.bits >= why.readings[0].bits / 2);
      expect(scoreSpot(why, undefined).right).toBe(false);
      expect(scoreSpot(why, 'no-such').right).toBe(false);
    }
    expect(scoreSpot(undefined, 'any').right).toBe(false);
  });

  it('cannot be told where two forms look alike, and the best answer says so', () => {
    const kinds = new Set<string>();
    for (const { compiled, plan } of guides)
      for (let i = 0; i < 60; i++) kinds.add(practiceItem(compiled, plan, { level: SPECIES }, `k${i}`)!.truth.best.kind);
    expect([...kinds].sort()).toEqual(['either', 'one', 'untold']);
  });

  it('is told right as often as the best answer says, where characters are read as well as the guide says', () => {
    const about = { n: 0, right: 0 };
    for (const { compiled, plan, name } of guides) {
      const random = seeded(`read ${name}`);
      const grouping = groupsAt(compiled, SPECIES);
      for (let i = 0; i < 700; i++) {
        const drawn = practiceItem(compiled, plan, { level: SPECIES }, String(i))!;
        const readings = drawn.truth.readings.map((seen) => readAgain(compiled, seen, random));
        const shown = new Set(drawn.choices.map(({ id }) => id));
        const prior = Float64Array.from(compiled.base, (weight, f) =>
          shown.has(grouping.groups[grouping.of[f]]?.id) ? Math.log2(weight) : -1e4,
        );
        const masses = groupMasses(grouping, fromPrior(compiled, { forms: prior, outside: -1e4 }, readings).p);
        const [lead] = ranked(masses);
        if (masses[lead] < 0.88 || masses[lead] > 0.92) continue;
        about.n++;
        if (grouping.groups[lead].id === drawn.truth.group) about.right++;
      }
    }
    const chance = 3 * Math.sqrt((0.9 * 0.1) / about.n);
    expect(about.n).toBeGreaterThan(80);
    expect(about.right / about.n).toBeGreaterThan(0.88 - chance);
    expect(about.right / about.n).toBeLessThan(0.92 + chance);
  });
});

/** As a careful observer would read it: misread as seldom as the guide says. */
function readAgain({ guide, tables }: CompiledGuide, seen: Reading, random: RandomSource): Reading {
  const table = tables.get(seen.character)!;
  if (table.type === 'values')
    return { ...seen, value: Math.max(1e-3, seen.value! + (table.character.error ?? 0) * normal(random)) };
  const { states, character } = table;
  const matrix = misreadingMatrix(
    states.length,
    character.kind !== 'nominal',
    character.reliability ?? guide.settings.reliability,
    guide.settings.slip,
  );
  const truth = states.indexOf(seen.states?.[0] ?? String(seen.value));
  const read = states[pick(matrix.subarray(truth * states.length, (truth + 1) * states.length), random)];
  return seen.states ? { ...seen, states: [read] } : { ...seen, value: Number(read) };
}

describe('an answer', () => {
  const best = { kind: 'one' as const, groups: ['a'], p: 0.97 };
  const asked = (n: number, kind = best as Item['truth']['best']) => ({
    choices: ['a', 'b', 'c', 'd'].slice(0, n).map((id) => ({ id, label: id })),
    truth: { form: 'a', group: 'a', readings: [], best: kind },
  });

  it.each([
    [2, ['a'], 'certain', 0.99, true],
    [2, ['b'], 'certain', 0.01, false],
    [2, ['b'], 'guess', 0.5, false],
    [4, ['a'], 'guess', 0.25, true],
    [4, ['a'], 'fairly sure', 0.8, true],
    [4, ['b'], 'fairly sure', 0.2 / 3, false],
    [4, ['a', 'b'], 'sure', 0.46, true],
    [4, ['c', 'd'], 'sure', 0.04, false],
    [2, ['a', 'b'], 'certain', 0.5, true],
    [4, [], 'certain', 0.25, false],
  ] as const)('among %d, saying %j, %s, gives the truth %d', (n, groups, sure, p, right) => {
    const scored = scoreAnswer(asked(n), { groups: [...groups], sure });
    expect(scored.p).toBeCloseTo(p, 12);
    expect(scored.bits).toBeCloseTo(Math.log2(p * n), 12);
    expect(scored.right).toBe(right);
  });

  it('a glimpse that was had again costs half a bit each time, and makes nothing wrong', () => {
    const once = scoreAnswer(asked(4), { groups: ['a'], sure: 'sure' });
    expect(scoreAnswer(asked(4), { groups: ['a'], sure: 'sure', again: 3 })).toEqual({ ...once, bits: once.bits - 1.5 });
    expect(scoreAnswer(asked(4), { groups: [], sure: 'sure', again: 1 })).toMatchObject({ bits: -0.5 });
  });

  it('that it cannot be told is right where it cannot', () => {
    expect(scoreAnswer(asked(3, { kind: 'untold', groups: [], p: 0.5 }), { groups: [], sure: 'sure' })).toEqual({
      p: 1 / 3,
      bits: 0,
      right: true,
    });
  });
});

describe('why', () => {
  it('goes from what tells to what misleads, and remembers the one that tells most, with how often it does', () => {
    const { compiled, plan } = of('ledge-crabs');
    const drawn = practiceItem(compiled, plan, { level: SPECIES }, 'why')!;
    const other = drawn.choices.find(({ id }) => id !== drawn.truth.group)!;
    const why = whyNot(compiled, drawn, other.id);
    expect(why.other).toEqual(other);
    expect(why.readings.map(({ bits }) => bits)).toEqual(why.readings.map(({ bits }) => bits).sort((a, b) => b - a));
    const top = compiled.guide.characters.find(({ id }) => id === why.readings[0].reading.character)!;
    expect(why.remember).toMatch(new RegExp(`^${top.label}: .* in (\\d+ of ten )?\\S`));
  });

  it('is told against what was said, else against what comes nearest', () => {
    const { compiled, plan } = of('tessary-terns');
    const drawn = practiceItem(compiled, plan, { level: SPECIES }, 'nearest')!;
    const others = drawn.choices.filter(({ id }) => id !== drawn.truth.group).map(({ id }) => whyNot(compiled, drawn, id));
    const sum = ({ readings }: (typeof others)[number]) => readings.reduce((all, { bits }) => all + bits, 0);
    const nearest = whyOf(compiled, drawn, [drawn.truth.group])!;
    // What comes rarely has to look more like it.
    const { groups, of: groupOf } = groupsAt(compiled, SPECIES);
    const odds = (why: typeof nearest) => {
      const at = groups.findIndex(({ id }) => id === why.other.id);
      return sum(why) - Math.log2(compiled.base.reduce((all, weight, f) => (groupOf[f] === at ? all + weight : all), 0));
    };
    for (const other of others) expect(odds(nearest)).toBeLessThanOrEqual(odds(other));
    const farthest = others.reduce((a, b) => (sum(b) > sum(a) ? b : a));
    expect(whyOf(compiled, drawn, [drawn.truth.group, farthest.other.id])).toEqual(farthest);
    expect(
      whyOf(compiled, { ...drawn, choices: drawn.choices.filter(({ id }) => id === drawn.truth.group) }, []),
    ).toBeUndefined();
  });

  it('remembers nothing where none tells', () => {
    const compiled = compileGuide(tinyGuide());
    const readings: Reading[] = [{ character: 'teeth', value: 4 }];
    const truth = { form: 'a', group: 'a', readings, best: { kind: 'untold' as const, groups: [], p: 0.5 } };
    const made: Item = { guide: 'tiny', seed: 's', view: 'top', level: SPECIES, traits: {}, hidden: [], choices: [], truth };
    const why = whyNot(compiled, made, 'b');
    expect(why.readings[0].bits).toBeCloseTo(0, 9);
    expect(why.remember).toBeUndefined();
    // Of forms alone the readings add up to the odds.
    const both: Reading[] = [
      { character: 'edge', states: ['round'] },
      { character: 'length', value: 11.4, error: 0.5 },
    ];
    const summed = whyNot(compiled, { ...made, truth: { ...truth, readings: both } }, 'b');
    const { bits } = fromPrior(compiled, { forms: new Float64Array(compiled.forms.length), outside: 0 }, both);
    expect(summed.readings.reduce((sum, { bits: worth }) => sum + worth, 0)).toBeCloseTo(bits[0] - bits[1], 9);
    const round = whyNot(compiled, { ...made, truth: { ...truth, readings: [{ character: 'edge', states: ['round'] }] } }, 'b');
    expect(round.readings[0].bits).toBeCloseTo(2, 9);
    expect(round.remember).toBe('Edge: round, in 8 of ten Tessella alba, in 2 of ten Tessella brevis.');
  });
});

describe('light and nearness', () => {
  const { guide, plan, compiled } = of('tessary-terns');
  const read = (situation: Situation) =>
    Array.from({ length: 30 }, (_, i) => practiceItem(compiled, plan, { level: SPECIES, situation }, `light ${i}`)!).flatMap(
      ({ truth }) => truth.readings.map(({ character }) => guide.characters.find(({ id }) => id === character)!),
    );

  it('hide colours against the light and at dusk, and leave shapes', () => {
    for (const light of ['glare', 'dusk'] as const) {
      const seen = read({ light });
      expect(seen.filter(({ group, needsLight }) => group === 'colour' || needsLight)).toEqual([]);
      expect(seen.some(({ group }) => group === 'shape')).toBe(true);
    }
    expect(read({ light: 'fair' }).some(({ group }) => group === 'colour')).toBe(true);
  });

  it('hide from afar what has to be seen from near', () => {
    const far = read({ distance: 'far' });
    expect(far.length).toBeGreaterThan(0);
    expect(far.every(({ distance }) => distance === 'far')).toBe(true);
    expect(read({}).some(({ distance }) => distance === 'near')).toBe(true);
  });
});

describe('the beat', () => {
  const { compiled, plan, guide } = of('tessary-terns');
  const ask = (seed: string, groups?: string[]) =>
    practiceItem(compiled, plan, { level: SPECIES, character: 'wing-beat', ...(groups ? { groups } : {}) }, seed);

  it('of one in flight is as the scores of its form say, and is all that is seen of it', () => {
    const table = compiled.tables.get('wing-beat')!;
    const all = Array.from({ length: 300 }, (_, i) => ask(`b ${i}`)!);
    const z = all.map(({ truth, beats, traits }) => {
      expect(truth.readings).toEqual([{ character: 'wing-beat', value: beats }]);
      expect(traits['wing-beat']).toBe(beats);
      const f = compiled.forms.findIndex(({ id }) => id === truth.form);
      if (table.type !== 'values') throw new Error('a tempo has values');
      return (Math.log(beats!) - table.mean[f]) / table.sd[f];
    });
    const mean = z.reduce((sum, one) => sum + one, 0) / z.length;
    const spread = Math.sqrt(z.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (z.length - 1));
    // Five standard errors.
    expect(Math.abs(mean)).toBeLessThan(5 / Math.sqrt(300));
    expect(spread).toBeGreaterThan(0.8);
    expect(spread).toBeLessThan(1.2);
    expect(ask('b 1')).toEqual(all[1]);
  });

  it('is drawn of nothing else', () => {
    expect(beatsOf(guide, plan).map(({ id }) => id)).toEqual(['wing-beat']);
    const crabs = of('ledge-crabs');
    expect(beatsOf(crabs.guide, crabs.plan)).toEqual([]);
    expect(ask('b', ['nobody', 'nothing'])).toBeUndefined();
    // A plate that stands still shows no beat.
    expect(
      practiceItem(compiled, plan, { level: SPECIES, view: 'head-on' }, 's')!.truth.readings.map(({ character }) => character),
    ).not.toContain('wing-beat');
  });
});
