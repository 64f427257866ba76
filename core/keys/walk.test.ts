import fc from 'fast-check';
import { compileGuide } from '../guide';
import { randomKey, tinyKey } from '../test/keys';
import { tinyGuide } from '../test/tinyGuide';
import type { CoupletAnswer } from './walk/schema';
import type { Key } from './schema';
import { alone, KEY_WEIGHTS, walkKey } from '.';

const guide = tinyGuide();
const compiled = compileGuide(guide);
const walk = (answers: CoupletAnswer[], readings: Parameters<typeof alone>[0] = [], key: Key = tinyKey) =>
  walkKey({ key, compiled, answers, specimens: alone(readings) });
const bare = (key: Key, answers: CoupletAnswer[], start?: string) => walkKey({ key, answers, specimens: alone([]), start });
const sum = (list: readonly { p: number }[]) => list.reduce((total, { p }) => total + p, 0);

describe('a walk', () => {
  it('begins at the start, with its mass shared among all endings', () => {
    const { at, trail, endpoints, lost } = walk([]);
    expect({ at, trail }).toEqual({ at: 'c1', trail: [] });
    expect(endpoints.map(({ taxon, p }) => [taxon, Number(p.toFixed(4))])).toEqual([
      ['a', 0.3333],
      ['b', 0.3333],
      ['→ Tessellina', 0.3333],
    ]);
    expect(lost).toBe(0);
  });

  it('is wrong with the chance of a misstep that its certainty has', () => {
    const { misstep } = KEY_WEIGHTS;
    const p = (certainty?: 'likely' | 'guess') =>
      walk([{ couplet: 'c1', lead: 'a', certainty }]).endpoints.find(({ taxon }) => taxon === 'a')!.p;
    expect(p()).toBeCloseTo(1 - misstep.sure, 10);
    expect(p('likely')).toBeCloseTo(1 - misstep.likely, 10);
    expect(p('guess')).toBeCloseTo(1 - misstep.guess, 10);
    const two = walk([
      { couplet: 'c1', lead: 'b' },
      { couplet: 'c2', lead: 1 },
    ]);
    expect(two.reached).toMatchObject({ taxon: 'b' });
    expect(two.reached!.p).toBeCloseTo(0.98 * 0.98, 10);
  });

  it('takes a lead by letter or by number', () => {
    expect(walk([{ couplet: 'c1', lead: 2 }]).at).toBe('c2');
    expect(walk([{ couplet: 'c1', lead: 'B' }]).at).toBe('c2');
    expect(walk([{ couplet: 'c1', lead: 'z' }]).at).toBe('c1');
  });

  it('forks both ways with the weights given, or by the statements', () => {
    const given = walk([{ couplet: 'c1', fork: [3, 1] }]);
    expect(given).toMatchObject({ at: 'c2', trail: [{ couplet: 'c1', forked: true }] });
    expect(given.endpoints.find(({ taxon }) => taxon === 'a')!.p).toBeCloseTo(0.75, 10);
    const even = walk([{ couplet: 'c1', fork: true }]);
    expect(even.endpoints.find(({ taxon }) => taxon === 'a')!.p).toBeCloseTo(0.5, 10);
    const told = walk([{ couplet: 'c1', fork: true, statements: [{ n: 1, answer: 'fits' }] }]);
    const bits = Math.log2(0.92 / 0.3);
    // The tick reads the edge as round, which speaks against lead b as much as reading it did for a.
    const against = Math.log2(0.08 / 0.7);
    expect(told.endpoints.find(({ taxon }) => taxon === 'a')!.p).toBeCloseTo(1 / (1 + 2 ** (against - bits)), 6);
  });

  it('probabilities of endings, with what is lost, sum to 1 whatever is answered', () => {
    fc.assert(
      fc.property(
        fc.integer(),
        fc.integer({ min: 1, max: 30 }),
        fc.array(fc.tuple(fc.nat(30), fc.nat(3), fc.constantFrom('sure', 'likely', 'guess', 'fork')), { maxLength: 20 }),
        (seed, n, picks) => {
          const key = randomKey(seed, n);
          const answers = picks.map(([c, lead, how]): CoupletAnswer => ({
            couplet: `c${c + 1}`,
            ...(how === 'fork' ? { fork: true } : { lead: lead + 1, certainty: how }),
          }));
          const result = bare(key, answers);
          expect(sum(result.endpoints) + result.lost).toBeCloseTo(1, 5);
        },
      ),
      { numRuns: 80 },
    );
  });

  it('keeps answers that no longer lie on the way, for when it comes back', () => {
    const answers: CoupletAnswer[] = [
      { couplet: 'c1', lead: 'a' },
      { couplet: 'c2', lead: 'a' },
    ];
    expect(walk(answers).trail.map(({ couplet }) => couplet)).toEqual(['c1']);
    expect(walk([{ couplet: 'c1', lead: 'b' }, answers[1]]).reached?.taxon).toBe('b');
  });

  it('may start at a later couplet', () => {
    expect(bare(tinyKey, [], 'c2')).toMatchObject({
      at: 'c2',
      endpoints: [
        { taxon: 'b', p: 0.5 },
        { taxon: '→ Tessellina', p: 0.5 },
      ],
    });
  });

  it('loses what goes in circles or nowhere, and ends', () => {
    const circle: Key = {
      ...tinyKey,
      couplets: [
        tinyKey.couplets[0],
        {
          ...tinyKey.couplets[1],
          leads: [
            { id: 'a', statements: [], to: { kind: 'couplet', couplet: 'c1' } },
            { id: 'b', statements: [], to: { kind: 'open' } },
          ],
        },
      ],
    };
    const { lost, endpoints } = bare(circle, [{ couplet: 'c1', lead: 'b' }]);
    expect(lost).toBeCloseTo(0.98, 10);
    expect(sum(endpoints)).toBeCloseTo(0.02, 10);
  });
});

describe('statements and readings are one record', () => {
  it('a reading ticks the statements it answers', () => {
    const { here } = walk(
      [],
      [
        { character: 'edge', states: ['toothed'] },
        { character: 'length', value: 10, error: 0.1 },
      ],
    );
    expect(here!.map(({ findings }) => findings.map(({ n, answer, from }) => [n, answer, from]))).toEqual([
      [
        [1, 'does-not', 'reading'],
        [2, 'fits', 'reading'],
      ],
      [
        [3, 'fits', 'reading'],
        [4, 'does-not', 'reading'],
      ],
    ]);
  });

  it.each([
    [10.7, 0.1, 'fits', '10.7 ± 0.1 mm: below 11, this statement fits'],
    [11.5, 0.1, 'does-not', '11.5 ± 0.1 mm: above 11, this statement fails'],
    [11.1, 0.1, 'undecided', '11.1 ± 0.1 mm: too near to 11 for its error: undecided'],
  ])('a value of %d ± %d %s', (value, error, answer, said) => {
    const { here } = walk([], [{ character: 'length', value, error }]);
    expect(here![0].findings).toMatchObject([{ n: 2, answer, said }]);
  });

  it('a number may be measured for a statement tied to nothing', () => {
    const key: Key = {
      ...tinyKey,
      couplets: [
        {
          ...tinyKey.couplets[0],
          leads: [
            { ...tinyKey.couplets[0].leads[0], statements: [{ n: 1, text: 'Body 3–5 mm long' }] },
            tinyKey.couplets[0].leads[1],
          ],
        },
        tinyKey.couplets[1],
      ],
    };
    const { here } = bare(key, [{ couplet: 'c1', statements: [{ n: 1, answer: 'fits', value: 6, error: 0.2 }] }]);
    expect(here![0].findings[0]).toMatchObject({
      answer: 'does-not',
      from: 'person',
      said: '6 ± 0.2 mm: above 5, this statement fails',
    });
  });

  it('ticks become readings: what fits allows its states, what does not allows the others', () => {
    const read = (n: number, answer: 'fits' | 'does-not' | 'cannot-see' | 'in-part') =>
      walk([{ couplet: 'c1', statements: [{ n, answer }] }]).readings[0].readings;
    expect(read(1, 'fits')).toEqual([{ id: 'key:c1:1', character: 'edge', states: ['round'] }]);
    expect(read(1, 'does-not')).toEqual([{ id: 'key:c1:1', character: 'edge', states: ['toothed'] }]);
    expect(read(1, 'cannot-see')).toEqual([{ id: 'key:c1:1', character: 'edge', status: 'not-visible' }]);
    expect(read(1, 'in-part')).toEqual([]);
  });

  it('what was read directly is not overwritten by a tick', () => {
    const own = { character: 'edge', states: ['toothed'] };
    expect(walk([{ couplet: 'c1', statements: [{ n: 1, answer: 'fits' }] }], [own]).readings[0].readings).toEqual([own]);
  });

  it('in a lot, any specimen may answer, and it is kept which', () => {
    const result = walkKey({
      key: tinyKey,
      compiled,
      answers: [
        {
          couplet: 'c1',
          statements: [
            { n: 2, answer: 'cannot-see', specimen: 'one' },
            { n: 3, answer: 'fits', specimen: 'two' },
          ],
        },
      ],
      specimens: [
        { id: 'one', readings: [{ character: 'edge', status: 'not-visible' }] },
        { id: 'two', readings: [] },
      ],
    });
    expect(result.here![1].findings[0]).toMatchObject({ n: 3, answer: 'fits', specimen: 'two' });
    expect(result.readings).toEqual([
      {
        specimen: 'one',
        readings: [
          { character: 'edge', status: 'not-visible' },
          { id: 'key:c1:2', character: 'length', status: 'not-visible' },
        ],
      },
      { specimen: 'two', readings: [{ id: 'key:c1:3', character: 'edge', states: ['toothed'] }] },
    ]);
  });

  it('"or" needs one of the two, and an exception that holds excuses', () => {
    const lead = (statements: Key['couplets'][0]['leads'][0]['statements']): Key => ({
      ...tinyKey,
      couplets: [
        { ...tinyKey.couplets[0], leads: [{ ...tinyKey.couplets[0].leads[0], statements }, tinyKey.couplets[0].leads[1]] },
        tinyKey.couplets[1],
      ],
    });
    const support = (key: Key, said: [number, 'fits' | 'does-not'][]) =>
      bare(key, [{ couplet: 'c1', statements: said.map(([n, answer]) => ({ n, answer })) }]).here![0].support;
    const either = lead([
      { n: 1, text: 'red' },
      { n: 2, text: 'blue', join: 'or' },
    ]);
    expect(
      support(either, [
        [1, 'does-not'],
        [2, 'fits'],
      ]),
    ).toBeCloseTo(Math.log2(0.92 / 0.3), 10);
    expect(support(either, [[1, 'does-not']])).toBe(0);
    expect(
      support(either, [
        [1, 'does-not'],
        [2, 'does-not'],
      ]),
    ).toBeCloseTo(Math.log2(0.08 / 0.7), 10);
    const except = lead([
      { n: 1, text: 'red' },
      { n: 2, text: 'in females', join: 'except' },
    ]);
    expect(
      support(except, [
        [1, 'does-not'],
        [2, 'fits'],
      ]),
    ).toBe(0);
    expect(support(except, [[1, 'does-not']])).toBeLessThan(-3);
    const usually = lead([{ n: 1, text: 'usually red' }]);
    expect(support(usually, [[1, 'does-not']])).toBeGreaterThan(-2);
  });
});

describe('the end of a walk', () => {
  const readings = [
    { character: 'edge', states: ['round'] },
    { character: 'length', value: 9.8, error: 0.2 },
    { character: 'teeth', value: 4 },
  ];

  it('ranks missteps by how much better the readings fit where they would have led', () => {
    const { reached, missteps } = walk(
      [
        { couplet: 'c1', lead: 'b' },
        { couplet: 'c2', lead: 'a' },
      ],
      readings,
    );
    expect(reached?.taxon).toBe('b');
    // log2 of .8/.2, of the two normals (tails off), of .5/.5.
    const normal = (x: number, mean: number) => -((x - mean) ** 2) / (2 * 1.04) / Math.LN2;
    const bits = Math.log2(4) + normal(9.8, 10) - normal(9.8, 12);
    expect(missteps[0]).toMatchObject({ couplet: 'c1', taken: 'b', instead: 'a', taxon: 'a' });
    expect(missteps[0].bits).toBeCloseTo(bits, 6);
    expect(missteps[0].text).toBe(
      `If couplet 1 was misread: Tessella alba, fits the readings better by ${bits.toFixed(1)} bits.`,
    );
  });

  it('checks the readings against the form described, one by one', () => {
    const { backCheck } = walk(
      [
        { couplet: 'c1', lead: 'b' },
        { couplet: 'c2', lead: 'a' },
      ],
      [readings[1], { character: 'teeth', value: 5 }],
    );
    expect(backCheck).toMatchObject({ taxon: 'b', fits: true, agrees: 1, against: 0 });
    expect(backCheck!.items.map(({ character, verdict }) => [character, verdict])).toEqual([
      ['length', 'seldom'],
      ['teeth', 'agrees'],
    ]);
    const other = walk(
      [
        { couplet: 'c1', lead: 'b' },
        { couplet: 'c2', lead: 'a' },
      ],
      [{ character: 'teeth', value: 3 }],
    ).backCheck!;
    expect(other).toMatchObject({ fits: false, against: 1 });
  });

  it('counts a statement ticked against the lead that was taken', () => {
    const { backCheck } = bare(tinyKey, [{ couplet: 'c1', lead: 'a', statements: [{ n: 2, answer: 'does-not' }] }]);
    expect(backCheck).toMatchObject({ against: 1, items: [{ couplet: 'c1', n: 2, verdict: 'against' }] });
  });

  it('allows the name by the school of the key when every couplet is decided and the form fits', () => {
    const keyed = compileGuide(tinyGuide({ settings: { ...guide.settings, call: { ...guide.settings.call, school: 'key' } } }));
    const call = (answers: CoupletAnswer[], read: Parameters<typeof alone>[0]) =>
      walkKey({ key: tinyKey, compiled: keyed, answers, specimens: alone(read) }).call!;
    expect(call([{ couplet: 'c1', lead: 'a' }], readings)).toMatchObject({ allowed: true, school: 'key' });
    expect(call([{ couplet: 'c1', lead: 'a', certainty: 'guess' }], readings)).toMatchObject({ allowed: false });
    expect(call([{ couplet: 'c1', lead: 'a' }], [{ character: 'length', value: 16 }])).toMatchObject({ allowed: false });
    expect(walk([{ couplet: 'c1', lead: 'a' }], readings).call).toMatchObject({ allowed: false, school: 'weigh' });
  });

  it('says when the result lies beyond the key', () => {
    const scoped: Key = { ...tinyKey, scope: { regions: ['north'] } };
    const regional = compileGuide(
      tinyGuide({
        regions: [
          { id: 'north', label: 'North' },
          { id: 'south', label: 'South' },
        ],
      }),
    );
    const { beyond } = walkKey({
      key: scoped,
      compiled: regional,
      answers: [{ couplet: 'c1', lead: 'a' }],
      specimens: alone([]),
      situation: { region: 'south' },
    });
    expect(beyond).toEqual(['The key is for North; this was found in South, where others may occur.']);
    expect(
      walk([
        { couplet: 'c1', lead: 'b' },
        { couplet: 'c2', lead: 'b' },
      ]).beyond,
    ).toEqual(['This key ends here; go on with the key to Tessellina.']);
  });
});

describe('nothing that was not checked is said to fit', () => {
  const byKey = compileGuide(tinyGuide({ settings: { ...guide.settings, call: { ...guide.settings.call, school: 'key' } } }));
  const keyed = (answers: CoupletAnswer[], readings: Parameters<typeof alone>[0] = []) =>
    walkKey({ key: tinyKey, compiled: byKey, answers, specimens: alone(readings) });

  it('without readings and ticks a walk gives no name, however sure', () => {
    for (const certainty of ['sure', 'likely'] as const) {
      const { backCheck, call } = keyed([{ couplet: 'c1', lead: 'a', certainty }]);
      expect(backCheck).toMatchObject({ fits: false, agrees: 0, text: expect.stringMatching(/^Not checked/) });
      expect(call).toMatchObject({ allowed: false, text: expect.stringContaining('was not checked') });
    }
  });

  it('with one reading that agrees it may', () => {
    expect(keyed([{ couplet: 'c1', lead: 'a' }], [{ character: 'edge', states: ['round'] }]).call).toMatchObject({
      allowed: true,
    });
  });

  it('without a guide, what was ticked one by one is all there is to check by', () => {
    const pressed = bare(tinyKey, [{ couplet: 'c1', lead: 'a' }]);
    expect(pressed.call).toMatchObject({ allowed: false, text: expect.stringContaining('not one statement was ticked') });
    const ticked = bare(tinyKey, [{ couplet: 'c1', lead: 'a', statements: [{ n: 1, answer: 'fits' }] }]);
    expect(ticked.call).toMatchObject({
      allowed: true,
      text: expect.stringMatching(/1 statement seen to fit.*No guide stands behind it/),
    });
  });

  it('a bound that was ticked is held against the described form', () => {
    const answers = (n: number, lead: string): CoupletAnswer[] => [{ couplet: 'c1', lead, statements: [{ n, answer: 'fits' }] }];
    // a: 10 ± 1 mm, so "below 11 mm" is ordinary for it.
    expect(keyed(answers(2, 'a')).backCheck!.items).toMatchObject([{ character: 'length', verdict: 'agrees' }]);
  });
});

describe('a count held against its description', () => {
  it('is judged by how many are as rare, not by the chance of that one number', () => {
    const wide = tinyGuide({
      characters: tinyGuide().characters.map((c) => (c.id === 'teeth' ? { ...c, counts: { from: 20, to: 100 } } : c)),
      scores: [
        ...tinyGuide().scores.filter(({ character }) => character !== 'teeth'),
        { character: 'teeth', scope: { taxon: 'a' }, source: 'book', value: { kind: 'range', range: '40–80' } },
      ],
    });
    const verdict = (value: number) =>
      walkKey({
        key: {
          ...tinyKey,
          couplets: [
            {
              ...tinyKey.couplets[0],
              leads: tinyKey.couplets[0].leads.map((lead) => ({ ...lead, statements: lead.statements.slice(0, 1) })),
            },
            tinyKey.couplets[1],
          ],
        },
        compiled: compileGuide(wide),
        answers: [{ couplet: 'c1', lead: 'a' }],
        specimens: alone([{ character: 'teeth', value }]),
      }).backCheck!.items.find(({ character }) => character === 'teeth')!.verdict;
    expect(verdict(60)).toBe('agrees');
    expect(verdict(75)).toBe('agrees');
    expect(verdict(98)).toBe('against');
  });
});
