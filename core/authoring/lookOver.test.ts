import { lookOver } from './lookOver';
import type { Taxon } from '../guide/schema';
import { demoGuides, ledgeCrabs, poolSnails } from '../../demo';
import { type Draft, emptyDraft, parseCell, applyEdits, workingOf, draftOf, type Edit } from '.';

const crabs: Draft = ledgeCrabs;

it('a guide that is done has nothing against it', () => {
  for (const guide of demoGuides) expect(lookOver(guide).problems).toEqual([]);
});

it('a draft with nothing in it says all that it wants', () => {
  expect(lookOver(emptyDraft('new', '')).problems.map(({ field }) => field)).toEqual([
    'title',
    'group',
    'area',
    'taxa',
    'characters',
    'caution',
  ]);
});

it('a kind that can do harm is not published without a caution', () => {
  const [problem] = lookOver({
    ...crabs,
    caution: ' ',
    taxa: crabs.taxa.map((taxon, i) =>
      i === 1 ? { ...taxon, hazards: [{ kind: 'bite', grade: 'serious', text: 'Pinches.' }] } : taxon,
    ),
  }).problems;
  expect(problem).toMatchObject({ field: 'caution', message: expect.stringContaining('can do harm') });
});

/** Three kinds and two characters; the second of one kind is not written yet. */
function three(): Draft {
  const working = workingOf({ ...emptyDraft('new', 'New'), group: 'Veldas', area: 'Quell', caution: 'Touch none.' });
  const shape = {
    group: 'shape' as const,
    views: ['whole'],
    handling: 'look' as const,
    distance: 'near' as const,
    needsLight: false,
    seconds: 5,
  };
  const character = (id: string, states: string[]): Edit => ({
    do: 'character',
    character: { id, label: id, kind: 'nominal', ...shape, states: states.map((state) => ({ id: state, label: state })) },
  });
  const edits: Edit[] = [
    ...['alba', 'velox', 'minuta', 'muta'].map((id): Edit => ({
      do: 'taxon',
      taxon: { id, name: id, rank: 'species', abundance: 1, forms: [{ share: 1, facets: {} }] },
    })),
    character('head', ['round', 'square', 'long']),
    character('spur', ['bent', 'straight']),
  ];
  applyEdits(working, edits);
  const cells: [string, string, string][] = [
    ['alba', 'head', 'round'],
    ['velox', 'head', 'square'],
    ['minuta', 'head', 'square'],
    ['velox', 'spur', 'bent'],
  ];
  for (const [taxon, id, text] of cells) {
    const value = parseCell(
      working.draft.characters.find((one) => one.id === id)!,
      text,
    );
    if (!value.ok || !value.value) throw new Error(text);
    applyEdits(working, [
      { do: 'scores', put: [{ character: id, scope: { taxon }, source: 'own', value: value.value }], drop: [] },
    ]);
  }
  return draftOf(working);
}

it('says what nothing tells apart, where a cell would help, which state nobody has, and of what nothing is said', () => {
  const found = lookOver(three());
  expect(found.problems).toEqual([]);
  expect(found.unused).toEqual([
    { character: 'head', state: 'long' },
    { character: 'spur', state: 'straight' },
  ]);
  expect(found.silent).toEqual(['muta']);
  // The silent one is told from nobody, which is said already.
  expect(found.alike.map(({ a, b }) => `${a} ${b}`)).toEqual(['velox minuta']);
  expect(found.wanted[0]).toEqual({ taxon: 'muta', character: 'head', pairs: 3, times: 0 });
  expect(found.wanted).toContainEqual({ taxon: 'minuta', character: 'spur', pairs: 1, times: 0 });
  expect(found.confused).toEqual([]);
});

it('what people take for one another comes first, though the draft tells them apart; once for two of many forms', () => {
  const mistaken = [
    { a: 'minuta', b: 'velox', times: 1 },
    { a: 'alba', b: 'minuta', times: 7 },
    { a: 'velox', b: 'minuta', times: 1 },
    { a: 'alba', b: 'gone', times: 90 },
  ];
  const sexes: Taxon['forms'] = [
    { share: 0.5, facets: { sex: { female: 1 } } },
    { share: 0.5, facets: { sex: { male: 1 } } },
  ];
  const draft = three();
  const facets = { sex: ['female', 'male'].map((id) => ({ id, label: id })) };
  const taxa = draft.taxa.map((taxon): Taxon => (taxon.id === 'minuta' ? { ...taxon, forms: sexes } : taxon));
  for (const one of [draft, { ...draft, facets, taxa }]) {
    const found = lookOver(one, mistaken);
    expect(found.problems).toEqual([]);
    expect(found.confused.map(({ a, b, times, same }) => [[a, b].sort().join(' '), times, Math.round(10 * same)])).toEqual([
      ['alba minuta', 7, 0],
      ['minuta velox', 2, 10],
    ]);
    expect(found.wanted[0]).toEqual({ taxon: 'minuta', character: 'spur', pairs: 1, times: 2 });
    expect(found.wanted[1]).toEqual({ taxon: 'muta', character: 'head', pairs: 3, times: 0 });
  }
});

it('a score that cannot be is named by its taxon', () => {
  const draft = three();
  const [first, ...rest] = draft.scores;
  const scores = [{ ...first, value: { kind: 'states' as const, states: { round: 0.8, square: 0.5 } } }, ...rest];
  expect(lookOver({ ...draft, scores }).problems).toMatchObject([
    {
      ...{ code: 'frequencies-above-one', message: expect.stringMatching(/^alba: /) },
      ...{ taxon: 'alba', character: first.character },
    },
  ]);
});

it('the demo’s half-written guide says what it is to teach', () => {
  const working = workingOf(emptyDraft('new', ''));
  expect(applyEdits(working, poolSnails).ok).toBe(true);
  const { problems, alike, silent, unused, wanted } = lookOver(draftOf(working));
  expect(problems).toMatchObject([{ field: 'caution', message: expect.stringContaining('Spinella acris can do harm') }]);
  expect(alike.map(({ a, b }) => `${a} ${b}`)).toContain('velutrina-brevis velutrina-limosa');
  expect(silent).toEqual(['spinella-acris']);
  expect(unused).toContainEqual({ character: 'keel', state: 'in-the-middle' });
  expect(wanted.map(({ taxon, character }) => `${taxon} ${character}`)).toContain('velutrina-limosa mouth');
});

it('a character that wants states or a view is named by its place', () => {
  const draft = three();
  const [head, spur] = draft.characters;
  const { problems } = lookOver({
    ...draft,
    characters: [
      { ...head, states: [head.states![0]] },
      { ...spur, views: [] },
    ],
  });
  expect(problems.map(({ field, character }) => `${field} ${character}`)).toEqual([
    `characters[0].states ${head.id}`,
    `characters[1].views ${spur.id}`,
  ]);
});

describe('of a guide that can be read', () => {
  const draft = three();
  const cell = (character: string, taxon: string, state: string, source = 'own') => ({
    ...{ character, source, scope: { taxon } },
    value: { kind: 'states' as const, states: { [state]: 'always' as const } },
  });

  it('what never leads is named, with what leads instead', () => {
    // Minuta is as velox is, and rarer.
    const taxa = draft.taxa.map((taxon) => (taxon.id === 'minuta' ? { ...taxon, abundance: 0.5 } : taxon));
    const scores = [...draft.scores, cell('spur', 'minuta', 'bent')];
    const { unreached } = lookOver({ ...draft, taxa, scores });
    expect(unreached).toMatchObject([{ taxon: 'minuta', leads: 'velox' }]);
    expect(unreached[0].p).toBeGreaterThan(0.3);
    const told = scores.map((score) =>
      score.character === 'spur' && score.scope.taxon === 'minuta' ? cell('spur', 'minuta', 'straight') : score,
    );
    expect(lookOver({ ...draft, taxa, scores: told }).unreached).toEqual([]);
  });

  it('each kind of the demo’s guides can be reached', () => {
    for (const guide of demoGuides) expect([guide.id, lookOver(guide).unreached]).toEqual([guide.id, []]);
  });

  it('what two sources say against each other stands beside each other', () => {
    const sources = [...draft.sources, { id: 'book', label: 'The book', citation: 'A book.', kind: 'book' as const }];
    const policy = { kind: 'prefer' as const, order: ['own', 'book'] };
    const scores = [...draft.scores, cell('head', 'alba', 'long', 'book'), cell('head', 'velox', 'square', 'book')];
    expect(lookOver({ ...draft, sources, policy, scores }).against).toEqual([
      {
        ...{ taxon: 'alba', character: 'head' },
        said: [
          { source: 'Our own', says: 'round' },
          { source: 'The book', says: 'long' },
        ],
      },
    ]);
    // Of a part of the taxon it is said of which.
    const female = { taxon: 'alba', facets: { sex: ['female'] } };
    const facets = { sex: ['female', 'male'].map((id) => ({ id, label: id })) };
    const forms = ['female', 'male'].map((id) => ({ share: 0.5, facets: { sex: { [id]: 1 } } }));
    const taxa = draft.taxa.map((taxon) => (taxon.id === 'alba' ? { ...taxon, forms } : taxon));
    const apart = [...draft.scores, { ...cell('head', 'alba', 'long', 'book'), scope: female }];
    const [{ said }] = lookOver({ ...draft, facets, taxa, sources, policy, scores: apart }).against;
    expect(said.map(({ source }) => source)).toEqual(['Our own', 'The book, female']);
  });

  it('marks that part the kinds alike are named, until they are of one group', () => {
    const names = ['alba', 'velox', 'minuta', 'muta', 'quinta'];
    const taxa = names.map((id) => ({ ...draft.taxa[0], id, name: id }));
    const scores = names.flatMap((id, i) => [
      cell('head', id, i < 2 ? 'round' : 'square'),
      cell('spur', id, i < 2 ? 'bent' : 'straight'),
    ]);
    expect(lookOver({ ...draft, taxa, scores }).together).toEqual([{ a: 'head', b: 'spur', taxa: 5 }]);
    const characters = draft.characters.map((one) => ({ ...one, dependence: 'both' }));
    const dependence = [{ id: 'both', label: 'Both', gamma: 0.5 }];
    expect(lookOver({ ...draft, taxa, scores, characters, dependence }).together).toEqual([]);
    // One that has it otherwise, and they are two marks; four kinds say nothing.
    const other = scores.with(-1, cell('spur', 'quinta', 'bent'));
    expect(lookOver({ ...draft, taxa, scores: other }).together).toEqual([]);
    expect(
      lookOver({ ...draft, taxa: taxa.slice(0, 4), scores: scores.filter(({ scope }) => scope.taxon !== 'quinta') }).together,
    ).toEqual([]);
  });
});
