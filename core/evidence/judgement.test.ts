import fc from 'fast-check';
import { ledgeCrabs } from '../../demo/ledgeCrabs';
import { tentCones } from '../../demo/tentCones';
import { compiledFor, compileGuide, type Guide } from '../guide';
import type { Judgement } from '../guide/working';
import type { Situation, Reading } from '../observation';
import { blockGuide } from '../test/blockGuide';
import { tinyGuide } from '../test/tinyGuide';
import { standingOf, evidenceOf, fitOf, posteriorOf } from '.';

const state = (character: string, ...states: string[]): Reading => ({ character, states });
const value = (character: string, v: number, error?: number): Reading => ({ character, value: v, error });
const cones = (readings: Reading[], situation: Situation = {}, judgement: Judgement = {}) =>
  standingOf(compiledFor(tentCones, situation, judgement), situation, readings);
const crabs = (readings: Reading[], situation: Situation = {}, judgement: Judgement = {}) =>
  standingOf(compiledFor(ledgeCrabs, situation, judgement), situation, readings);

const REEF: Situation = { region: 'outer-reefs', habitat: 'slab', views: ['back', 'alive'], distance: 'near', handling: 'look' };
const DRIFT: Situation = { region: 'lagoons', habitat: 'drift', subject: 'dead' };
const tented = [state('pattern', 'tents'), state('base-stain', 'rose')];

describe('the case of the rose tip: the famous character agrees, two quiet ones do not', () => {
  const famous = cones([state('base-stain', 'rose'), state('pattern', 'tents'), state('tent-size', 'coarse')], REEF);
  const quiet = cones(
    [...tented, state('tent-size', 'coarse'), state('spire-outline', 'domed'), value('outline-ratio', 0.56)],
    REEF,
  );

  it('the famous character is called a trap, with its overlap', () => {
    expect(famous.traps[0]).toMatchObject({ character: 'base-stain', text: expect.stringContaining('famous') });
    expect(famous.traps[0].overlap).toBeGreaterThan(0.9);
  });

  it('without the quiet characters the lancer leads, on one reading', () => {
    expect(famous.robustness.group).toBe('vexillax');
    expect(famous.robustness.text).toContain('Rests on one reading: without the size of the tents');
    expect(famous.call.kind).toBe('undetermined');
  });

  it('with them it is the weaver', () => {
    expect(quiet.robustness.group).toBe('lenior');
    expect(quiet.taxa.find(({ taxon }) => taxon === 'lenior')!.p).toBeGreaterThan(0.9);
  });
});

describe('laws, whatever is read, wherever, and however it is judged', () => {
  const reading = fc.constantFrom<Reading>(
    state('pattern', 'tents'),
    state('base-stain', 'rose', 'none'),
    { ...state('spire-outline', 'domed'), certainty: 'guess' },
    value('outline-ratio', 0.57),
    value('base-cords', 5),
    { character: 'shell-length', comparison: { relation: 'larger', than: { taxon: 'gemellus' } } },
    state('siphon', 'banded'),
    { character: 'lip', status: 'not-visible' },
    { character: 'tent-size', status: 'does-not-apply' },
  );
  const situation = fc.record(
    {
      region: fc.constantFrom('lagoons', 'outer-reefs'),
      circumstances: fc.subarray(['crawling', 'wet']),
      company: fc.subarray(['blennies', 'tube-worms']),
    },
    { requiredKeys: [] },
  );
  const judgement = fc.constantFrom<Judgement>(
    {},
    { policy: { kind: 'pool', weights: { 'shell-book': 2, 'reef-survey': 1 } } },
    { treatment: 'mereth', cross: ['lenior', 'gemellus'] },
    { policy: { kind: 'prefer', order: ['reef-survey'], exclude: ['shell-book'] } },
  );

  it('probabilities sum to 1, shares lie between 0 and 1, and the order of reading changes nothing', () => {
    fc.assert(
      fc.property(fc.array(reading, { maxLength: 6 }), situation, judgement, (readings, where, how) => {
        const [forth, back] = [cones(readings, where, how), cones([...readings].reverse(), where, how)];
        expect(forth.forms.reduce((sum, { p }) => sum + p, forth.outside)).toBeCloseTo(1, 9);
        for (const { form, p } of forth.forms) expect(back.forms.find((other) => other.form === form)!.p).toBeCloseTo(p, 9);
        const shares = [
          forth.fit.tail,
          forth.robustness.p,
          ...forth.robustness.without.map(({ p }) => p),
          ...forth.traps.map(({ overlap }) => overlap),
        ];
        for (const share of shares) {
          expect(share).toBeGreaterThanOrEqual(0);
          expect(share).toBeLessThanOrEqual(1 + 1e-9);
        }
        expect(forth.beam.sum).toBeCloseTo(
          forth.ledger.reduce((sum, { bits }) => sum + bits, forth.beam.start),
          6,
        );
      }),
      { numRuns: 30 },
    );
  });
});

describe('danger', () => {
  it('stands while the dangerous one is possible, with advice that promises nothing', () => {
    const { hazards, withheld, setAside, nextLooks } = cones(tented, REEF);
    expect(hazards).toMatchObject([{ taxon: 'vexillax', kind: 'venom', grade: 'grave', threshold: 0.002 }]);
    expect(hazards[0].advice).toMatch(/do not touch it.*medical help/);
    expect(hazards[0].legal).toMatch(/permit/);
    expect(JSON.stringify(hazards)).not.toMatch(/harmless|safe to|edible/);
    expect(withheld).toMatchObject({ close: true, reason: expect.stringContaining('Close characters are withheld') });
    expect(setAside.filter(({ because }) => because === 'danger').map(({ character }) => character)).toEqual(
      expect.arrayContaining(['shell-length', 'base-cords']),
    );
    const offered = nextLooks.filter(({ setAside }) => !setAside).map(({ character }) => character);
    for (const id of offered) {
      const character = tentCones.characters.find((c) => c.id === id)!;
      expect([character.handling, character.distance]).toEqual(['look', expect.not.stringMatching('hand')]);
    }
  });

  it.each(['photograph', 'dead'] as const)('does not withhold anything from a %s, and still says what it is', (subject) => {
    const { hazards, withheld, setAside } = cones(tented, { ...REEF, subject });
    expect(hazards).toHaveLength(1);
    expect(withheld.close).toBe(false);
    expect(withheld.reason).toContain(subject === 'dead' ? 'dead specimen safely held' : 'photograph');
    expect(setAside.some(({ because }) => because === 'danger')).toBe(false);
  });

  it('goes when the danger has gone below its threshold', () => {
    const { hazards, withheld, call } = cones(
      [
        ...tented,
        state('tent-size', 'fine'),
        state('spire-outline', 'domed'),
        value('aperture-ratio', 0.138),
        value('spire-angle', 107),
      ],
      DRIFT,
    );
    expect([hazards, withheld]).toEqual([[], { close: false }]);
    expect(call).toMatchObject({ kind: 'taxon', taxon: 'lenior' });
  });

  it('is there before anything was read', () => expect(cones([], REEF).hazards[0].taxon).toBe('vexillax'));

  it('of a slight kind withholds nothing', () => {
    const { hazards, withheld } = cones([state('shoulder', 'knobbed'), state('pattern', 'flames')], DRIFT);
    expect(hazards.map(({ taxon, grade }) => [taxon, grade])).toContainEqual(['coronax', 'slight']);
    expect(withheld.close).toBe(false);
  });

  it('of one age only is asked of that age', () => {
    const young = crabs([state('abdomen', 'slim'), value('carapace-width', 8), state('front-edge', 'three-teeth')]);
    const grown = crabs([state('abdomen', 'narrow'), value('carapace-width', 34), state('front-edge', 'three-teeth')]);
    expect([young.hazards.length, grown.hazards.length]).toEqual([0, 1]);
  });
});

describe('what a mistake costs', () => {
  const nearly: Reading[] = [
    state('pattern', 'tents'),
    state('tent-size', 'fine'),
    state('spire-outline', 'domed'),
    value('base-cords', 4),
  ];

  it('holds a name back that probability alone would give, and says why', () => {
    const situation: Situation = { region: 'outer-reefs', subject: 'dead' };
    const dear = cones(nearly, situation);
    const free = standingOf(compileGuide({ ...tentCones, costs: [] }, situation), situation, nearly);
    const species = (a: typeof dear) => a.call.verdicts.find(({ level }) => level.kind === 'rank' && level.rank === 'species')!;
    expect(species(dear).p).toBeGreaterThan(0.95);
    expect(species(free).passes).toBe(true);
    expect(species(dear)).toMatchObject({ passes: false, lacks: ['cost'], cost: { taxon: 'vexillax', weight: 25 } });
    expect(species(dear).text).toContain('counts 25 times (its sting is dangerous)');
  });
});

describe('the diagnostic school', () => {
  const school = (guide: Guide): Guide => ({
    ...guide,
    settings: { ...guide.settings, call: { ...guide.settings.call, school: 'diagnostic' } },
  });
  const unique = school(
    tinyGuide({
      scores: [
        { character: 'edge', scope: { taxon: 'a' }, source: 'book', value: { kind: 'states', states: { round: 1 } } },
        { character: 'edge', scope: { taxon: 'b' }, source: 'book', value: { kind: 'states', states: { round: 0.6 } } },
        ...tinyGuide().scores.slice(2),
      ],
    }),
  );
  const species = (readings: Reading[], guide = unique) =>
    standingOf(compileGuide(guide), {}, readings).call.verdicts.find(
      ({ level }) => level.kind === 'rank' && level.rank === 'species',
    )!;
  const toothed = state('edge', 'toothed');

  it('names by one character that nothing else has, seen twice', () => {
    expect(species([toothed, { ...toothed, id: '2' }])).toMatchObject({
      passes: true,
      group: 'b',
      text: 'Species yes: Tessella brevis, by its edge, which nothing else has, seen twice.',
    });
  });

  it('asks for the second look', () => {
    expect(species([toothed])).toMatchObject({
      passes: false,
      lacks: ['diagnostic'],
      text: expect.stringContaining('second, separate look'),
    });
  });

  it('takes no look that was not sure', () => {
    expect(species([toothed, { ...toothed, id: '2', certainty: 'likely' }]).passes).toBe(false);
  });

  it('takes no character that is shared', () => {
    expect(species([state('edge', 'round'), state('edge', 'round')]).text).toContain('needs a character that nothing else has');
  });

  it('bows to a reading that speaks hard against it', () => {
    const against = species([toothed, { ...toothed, id: '2' }, value('length', 7.5)]);
    expect(against.passes).toBe(false);
    expect(against.text).toMatch(/the length speaks against it by [\d.]+ bits/);
  });

  it('still shows what weighing would ask', () => expect(species([toothed]).weighText).toMatch(/^Species no: needs/));
});

describe('a union of facets', () => {
  it('is called where its parts cannot be told apart', () => {
    const { call } = crabs([
      state('front-edge', 'three-teeth'),
      state('tooth-form', 'spined'),
      state('granules', 'dense'),
      state('claw-gape', 'gaping'),
      { character: 'abdomen', states: ['broad', 'slim'] },
    ]);
    expect(call).toMatchObject({ kind: 'taxon', taxon: 'murica', union: { id: 'female-or-young' } });
    expect(call.facets.sex).toBeUndefined();
    expect(call.union!.p).toBeGreaterThan(0.95);
    expect(call.text).toContain('adult female or young of either sex');
  });

  it('is not called where sex and stage are named', () => {
    const { call } = crabs([
      state('front-edge', 'three-teeth'),
      state('tooth-form', 'spined'),
      state('granules', 'dense'),
      state('abdomen', 'broad'),
      state('claw-gape', 'gaping'),
      value('carapace-width', 33),
    ]);
    expect(call.facets).toMatchObject({ stage: 'adult', sex: 'female' });
    expect(call.union).toBeUndefined();
  });
});

describe('robustness', () => {
  it('without any one reading is the standing without it', () => {
    const readings = [state('front-edge', 'three-teeth'), value('side-teeth', 4), state('granules', 'dense')];
    const { robustness } = crabs(readings);
    robustness.without.forEach(({ reading, p }) => {
      const rest = crabs(readings.filter((_, i) => i !== reading));
      expect(rest.taxa.find(({ taxon }) => taxon === robustness.group)!.p).toBeCloseTo(p, 9);
    });
  });

  it('fears the misreading that is plausible and would hurt', () => {
    const { robustness } = crabs([state('front-edge', 'three-teeth'), state('granules', 'dense')]);
    expect(robustness.oneWrong).toBeDefined();
    const { reading, instead, plausibility, p } = robustness.oneWrong!;
    const changed = [state('front-edge', 'three-teeth'), state('granules', 'dense')].map((r, i) =>
      i === reading ? { ...r, states: [instead] } : r,
    );
    expect(crabs(changed).taxa.find(({ taxon }) => taxon === robustness.group)!.p).toBeCloseTo(p, 9);
    expect(plausibility).toBeGreaterThan(0);
    expect(plausibility).toBeLessThan(0.5);
  });

  it('names two looks that say different things', () => {
    const { contradictions } = crabs([state('front-edge', 'three-teeth'), state('front-edge', 'one-arch')]).robustness;
    expect(contradictions).toContainEqual({ readings: [0, 1], kind: 'same-mark' });
  });

  it('names two readings that pull hard in opposite directions', () => {
    const guide = tinyGuide({
      scores: tinyGuide().scores.map((s) =>
        s.character === 'edge'
          ? { ...s, value: { kind: 'states' as const, states: { round: s.scope.taxon === 'a' ? 0.99 : 0.01 } } }
          : s,
      ),
    });
    const { contradictions } = standingOf(compileGuide(guide), {}, [state('edge', 'round'), value('length', 14)]).robustness;
    expect(contradictions).toEqual([{ readings: [0, 1], kind: 'opposed' }]);
  });

  it('says that nothing was read yet', () => expect(crabs([]).robustness.text).toContain('Nothing read yet'));
});

describe('fit', () => {
  const compiled = compileGuide(tinyGuide());
  const tail = (readings: Reading[]) => fitOf(compiled, posteriorOf(compiled, {}, readings), 0).tail;

  it('of the most ordinary readings is high, of odd ones low', () => {
    expect(tail([value('length', 10), state('edge', 'round')])).toBeGreaterThan(0.7);
    expect(tail([value('length', 14.8)])).toBeLessThan(0.01);
  });

  it('is the share of the form’s own individuals that are as odd: |z| ≥ 1.5 by hand .134', () => {
    // The reading's own error .5 widens the spread to √1.25.
    expect(tail([value('length', 10 + 1.5 * Math.sqrt(1.25))])).toBeCloseTo(0.134, 1);
  });

  it('is the same each time', () => expect(tail([value('length', 11)])).toBe(tail([value('length', 11)])));

  it('of lengths measured together sees a proportion that no form has', () => {
    const block = compileGuide(blockGuide());
    const oddness = (x: number, y: number) => fitOf(block, posteriorOf(block, {}, [value('x', x), value('y', y)]), 0).tail;
    expect(oddness(11.5, 11.4)).toBeGreaterThan(0.1);
    expect(oddness(11.5, 8.6)).toBeLessThan(0.01);
  });

  it('low where probability is high is called the best of a bad lot', () => {
    const odd = standingOf(compiled, {}, [value('length', 6), state('edge', 'round'), value('teeth', 3)]);
    expect(odd.beam.left.p).toBeGreaterThan(0.95);
    expect(odd.fit).toMatchObject({ poor: true, text: expect.stringMatching(/^Best of a bad lot/) });
  });
});

describe('characters are set aside with the reason', () => {
  const why = (character: string, situation: Situation, readings: Reading[] = []) =>
    cones(readings, situation).setAside.find((one) => one.character === character)?.text;

  it.each<[string, string, Situation, string]>([
    ['a view one has not', 'aperture-ratio', { views: ['back'] }, 'needs a view from the opening'],
    ['circumstances', 'siphon', { views: ['alive'], subject: 'photograph' }, 'only when crawling, tube out'],
    ['season', 'egg-capsules', { date: '2026-08-01', subject: 'photograph' }, 'only from 1 March to 31 May'],
    ['nearness', 'shoulder', { distance: 'far', subject: 'photograph' }, 'needs to be nearer'],
    ['handling', 'base-cords', { handling: 'look', subject: 'dead' }, 'needs more handling than is allowed'],
  ])('%s', (_, character, situation, text) => expect(why(character, situation)).toBe(text));

  it('not when they hold', () => {
    expect(why('siphon', { circumstances: ['crawling'], subject: 'photograph' })).toBeUndefined();
    expect(why('egg-capsules', { date: '2026-04-01', subject: 'photograph' }, [value('shell-length', 60)])).toBeUndefined();
  });

  it('adults only, once it is known to be young', () => {
    const handbook: Judgement = { policy: { kind: 'prefer', order: ['handbook'], exclude: ['revision'] } };
    const young = crabs([state('abdomen', 'slim'), value('carapace-width', 7)], {}, handbook);
    expect(young.setAside.find(({ character }) => character === 'claw-inside')).toMatchObject({
      because: 'facets',
      text: 'adult only',
    });
    expect(crabs([], {}, handbook).setAside.find(({ character }) => character === 'claw-inside')).toBeUndefined();
  });
});

describe('what to look at next', () => {
  it('tells what each answer would do, and the answers’ chances add up', () => {
    const [first] = cones(tented, { ...REEF, subject: 'photograph' }).nextLooks.filter(({ answers }) =>
      answers?.every(({ chance }) => chance !== undefined),
    );
    expect(first.answers!.reduce((sum, { chance }) => sum + chance!, 0)).toBeCloseTo(1, 6);
    const { answer, group, p } = first.answers![0];
    const after = cones([...tented, state(first.character, answer)], { ...REEF, subject: 'photograph' });
    expect(after.taxa.find(({ taxon }) => taxon === group)!.p).toBeCloseTo(p, 6);
  });

  it('tells what would usually settle it, without characters that cannot be read', () => {
    const { settling, beam, nextLooks } = cones(tented, REEF);
    expect(settling!.missing).toBeCloseTo(beam.enough - beam.sum, 9);
    expect(settling!.reaches).toBe(settling!.bits >= settling!.missing);
    const hindered = new Set(nextLooks.filter(({ setAside }) => setAside).map(({ character }) => character));
    for (const id of settling!.characters) expect(hindered.has(id)).toBe(false);
    const fewer = settling!.characters.length - 1;
    expect(fewer).toBeLessThan(4);
  });

  it('has nothing to settle once the call is reached', () => {
    const done = crabs([
      state('front-edge', 'three-teeth'),
      state('tooth-form', 'spined'),
      state('granules', 'dense'),
      state('claw-gape', 'gaping'),
    ]);
    expect(done.settling).toBeUndefined();
  });
});

describe('sources, names and crosses are the person’s to choose', () => {
  const readings = [state('pattern', 'tents'), state('spire-outline', 'straight'), state('tent-size', 'fine')];
  const weaver = (judgement: Judgement) => cones(readings, DRIFT, judgement).taxa.find(({ taxon }) => taxon === 'lenior')!.p;

  it('the Bench says where they contradict each other, and what each would make of it', () => {
    const [dispute] = cones(readings, DRIFT).disagreements;
    expect(dispute).toMatchObject({ character: 'spire-outline', taxa: ['lenior'], read: true });
    expect(dispute.said.map(({ label }) => label)).toEqual(['Orvane’s shell book', 'Mereth’s reef survey']);
    const order = tentCones.sources.map(({ id }) => id);
    const first = cones(readings, DRIFT).beam.left.group;
    expect(first).toBe('lenior');
    expect(dispute.said[0].p).toBeCloseTo(weaver({}), 9);
    expect(dispute.said[1].p!).toBeGreaterThan(dispute.said[0].p!);
    expect(order).toHaveLength(2);
  });

  it('preferring, pooling and leaving out give three different answers', () => {
    const book = weaver({});
    const survey = weaver({ policy: { kind: 'prefer', order: ['reef-survey', 'shell-book'] } });
    const pooled = weaver({ policy: { kind: 'pool', weights: { 'shell-book': 1, 'reef-survey': 1 } } });
    const heavier = weaver({ policy: { kind: 'pool', weights: { 'shell-book': 1, 'reef-survey': 6 } } });
    expect(new Set([book, survey, pooled, heavier]).size).toBe(4);
    expect(pooled).toBeGreaterThan(book);
    expect(heavier).toBeGreaterThan(pooled);
  });

  it('sinking subspecies changes names and the roll-up, not a single bit of evidence', () => {
    const characters = [
      state('front-edge', 'one-arch'),
      state('claw-inside', 'violet'),
      state('alarm', 'flattens'),
      value('width-ratio', 1.3),
    ];
    const [kept, sunk] = [crabs(characters), crabs(characters, {}, { treatment: 'revision' })];
    expect(sunk.taxa.some(({ rank }) => rank === 'subspecies')).toBe(false);
    expect(kept.taxa.some(({ rank }) => rank === 'subspecies')).toBe(true);
    expect(sunk.forms.map(({ p }) => p)).toEqual(kept.forms.map(({ p }) => p));
    const p = (a: typeof kept) => a.taxa.find(({ taxon }) => taxon === 'velloma')!.p;
    expect(p(sunk)).toBeCloseTo(p(kept), 12);
    expect(sunk.call.verdicts.every(({ level }) => level.kind !== 'rank' || level.rank !== 'subspecies')).toBe(true);
  });

  it('a cross that is considered takes its place, with its share of ancestry', () => {
    const between = [value('length', 11), state('edge', 'round'), value('teeth', 4)];
    const guide = tinyGuide();
    const answer = standingOf(compiledFor(guide, {}, { cross: ['a', 'b'] }), {}, between);
    expect(answer.crosses).toMatchObject([{ taxon: 'a-x-b', parents: ['a', 'b'] }]);
    expect(answer.crosses[0].share).toBeGreaterThan(0.5);
    const leaning = standingOf(compiledFor(guide, {}, { cross: ['a', 'b'] }), {}, [
      value('length', 10.2),
      state('edge', 'round'),
    ]);
    expect(leaning.crosses[0].share).toBeGreaterThan(answer.crosses[0].share);
    expect(standingOf(compileGuide(guide), {}, between).crosses).toEqual([]);
  });
});

describe('dear mistakes', () => {
  it('are added up: four that would each be let pass are not let pass together', () => {
    const species = (id: string, abundance: number) => ({
      id,
      name: `Tessella ${id}`,
      rank: 'species' as const,
      parent: 'genus',
      abundance,
      forms: [{ share: 1, facets: {} }],
    });
    const base = tinyGuide();
    const dear = ['b', 'c', 'd', 'e'];
    const guide = (costly: readonly string[]) =>
      compileGuide(
        tinyGuide({
          taxa: [base.taxa[0], species('a', 1), ...dear.map((id) => species(id, 0.004))],
          scores: [{ character: 'edge', scope: {}, source: 'book', value: { kind: 'states', states: { round: 0.5 } } }],
          costs: costly.map((taxon) => ({ taxon, weight: 10, reason: 'its sap blisters' })),
        }),
      );
    const cost = (costly: readonly string[]) =>
      standingOf(guide(costly), {}, []).call.verdicts.find(({ group }) => group === 'a')!.cost;
    expect(cost(['b'])).toBeUndefined();
    expect(cost(dear)).toMatchObject({ weight: 10, others: 3, sum: expect.closeTo(0.157, 2) });
    expect(standingOf(guide(dear), {}, []).call.verdicts.find(({ group }) => group === 'a')!.lacks).toContain('cost');
  });
});

describe('a length judged against another of the same individual', () => {
  it('is compared as lengths, whether one of them is on a log scale or not', () => {
    const base = tinyGuide();
    const width = { ...base.characters[1], id: 'width', label: 'Width' };
    const value = (character: string, mean: number, taxon: string) => ({
      character,
      scope: { taxon },
      source: 'book',
      value: { kind: 'values' as const, mean, sd: 1 },
    });
    const guide = (log: boolean) =>
      compileGuide(
        tinyGuide({
          characters: [{ ...base.characters[1], log }, width],
          // In a length exceeds width by far, in b width exceeds length.
          scores: [value('length', 20, 'a'), value('width', 10, 'a'), value('length', 10, 'b'), value('width', 20, 'b')],
        }),
      );
    for (const log of [false, true]) {
      const { p } = posteriorOf(guide(log), {}, [
        { character: 'length', comparison: { relation: 'larger', than: { character: 'width' } } },
      ]);
      expect(p[0]).toBeGreaterThan(0.9);
    }
  });
});

describe('an uncertain "does not apply"', () => {
  it('counts for less, and what is seen costs "outside" its applicability too', () => {
    const base = tinyGuide();
    const applies = (taxon: string, frequency: number) => ({
      character: 'edge',
      scope: { taxon },
      source: 'book',
      value: { kind: 'applies' as const, frequency },
    });
    const compiled = compileGuide(tinyGuide({ scores: [...base.scores, applies('a', 0.9), applies('b', 0.1)] }));
    const odds = (certainty: 'sure' | 'guess') => {
      const { p } = posteriorOf(compiled, {}, [{ character: 'edge', status: 'does-not-apply', certainty }]);
      return p[1] / p[0];
    };
    expect(odds('sure')).toBeCloseTo(9, 6);
    expect(odds('guess')).toBeLessThan(3);
    // Every outcome of the character together: seen as one state or the other, or not there at all.
    const outcomes: Reading[] = [
      { character: 'edge', states: ['round'] },
      { character: 'edge', states: ['toothed'] },
      { character: 'edge', status: 'does-not-apply' },
    ];
    const sum = outcomes.reduce((total, reading) => total + 2 ** evidenceOf(compiled, reading)!.outside, 0);
    expect(sum).toBeCloseTo(1, 9);
  });
});
