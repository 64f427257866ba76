import { demoGuides, ledgeCrabs, lanternMoths } from '../../demo';
import { readGuide } from '../guide';
import { applyEdits, draftOf, type Draft, emptyDraft, guideSoFar, workingOf } from '.';
import { editsOf, matrixChanges, readNexus } from './matrix';
import { lookOver } from './lookOver';

const crabs = (): Draft => structuredClone(ledgeCrabs);

it.each(demoGuides.map((guide) => [guide.id, guide] as const))('%s, which is whole, is itself', (_, guide) => {
  expect(guideSoFar(guide)).toEqual({ guide, without: [] });
});

it('texts that are not written yet, and characters seen from nowhere, keep nothing from being weighed', () => {
  const draft = crabs();
  Object.assign(draft, { title: ' ', summary: '', group: '', area: '', caution: '' });
  draft.characters[0].views = [];
  const soFar = guideSoFar(draft)!;
  expect(soFar.without).toEqual([]);
  expect(soFar.guide.scores).toEqual(ledgeCrabs.scores);
  expect(soFar.guide).toMatchObject({
    title: '…',
    caution: '…',
    characters: [{ views: [draft.views[0].id] }, ...Array.from({ length: draft.characters.length - 1 }, () => ({}))],
  });
});

it('a character and a taxon that are not whole are left out by name, with what is scored of them', () => {
  const draft = crabs();
  const character = draft.characters.find(({ states }) => states)!;
  character.states!.length = 1;
  const taxon = draft.taxa.findIndex(({ forms }) => forms);
  draft.taxa[taxon].forms = [{ share: 1, facets: { sex: { nothing: 1 } } }];
  const soFar = guideSoFar(draft)!;
  expect(soFar.without.sort()).toEqual([character.label, draft.taxa[taxon].name].sort());
  expect(readGuide(soFar.guide).ok).toBe(true);
  expect(soFar.guide.scores.length).toBeGreaterThan(100);
  expect(soFar.guide.scores.some((score) => score.character === character.id || score.scope.taxon === draft.taxa[taxon].id)).toBe(
    false,
  );
});

it('more broken scores than are told at once are all left out, and nothing else', () => {
  const draft = crabs();
  const stated = draft.scores.filter(({ value }) => value.kind === 'states');
  for (const score of stated) score.value = { kind: 'states', states: { nothing: 'always' } };
  const soFar = guideSoFar(draft)!;
  expect(stated.length).toBeGreaterThan(100);
  expect(soFar).toMatchObject({ without: [], guide: { scores: { length: ledgeCrabs.scores.length - stated.length } } });
});

it('taxa that stand under each other in a ring, or under none that is there, stand by themselves', () => {
  const draft = crabs();
  const [first, second, third] = draft.taxa.filter(({ forms }) => forms);
  Object.assign(first, { parent: second.id });
  Object.assign(second, { parent: first.id });
  Object.assign(third, { parent: 'nobody' });
  const soFar = guideSoFar(draft)!;
  expect(soFar.guide.taxa).toHaveLength(draft.taxa.length);
  expect(soFar.without).toEqual([]);
});

it('a protocol that is not whole yet, and a group that is not there, leave their character', () => {
  const draft = crabs();
  const measured = draft.characters.find(({ protocol }) => protocol)!;
  Object.assign(measured, { protocol: { ...measured.protocol, view: 'nowhere' }, dependence: 'nothing' });
  const soFar = guideSoFar(draft)!;
  const own = soFar.guide.characters.find(({ id }) => id === measured.id)!;
  expect(soFar.without).toEqual([]);
  expect(own).not.toHaveProperty('protocol');
  expect(own).not.toHaveProperty('dependence');
  expect(soFar.guide.scores).toEqual(ledgeCrabs.scores);
});

it('a section that is not whole is left out, one that it cannot do without keeps it from answering', () => {
  const draft: Draft = structuredClone(lanternMoths);
  Object.assign(draft.heredity!, { loci: [] });
  expect(guideSoFar(draft)?.guide).not.toHaveProperty('heredity');
  expect(guideSoFar({ ...crabs(), taxa: [] })).toBeUndefined();
  expect(guideSoFar({ ...crabs(), characters: [] })).toBeUndefined();
  expect(guideSoFar({ ...crabs(), policy: { kind: 'prefer', order: ['nobody'] } })).toBeUndefined();
  expect(guideSoFar(emptyDraft('new', 'New'))).toBeUndefined();
});

it('what nothing tells apart is said of a draft of which nothing but a table is there', () => {
  const read = readNexus(`#NEXUS
BEGIN DATA; DIMENSIONS NTAX=3 NCHAR=2; FORMAT DATATYPE=STANDARD;
MATRIX A 00 B 00 C 1?; END;`);
  if (!read.ok) throw new Error(read.problems[0].message);
  const working = workingOf(emptyDraft('new', 'New'));
  expect(applyEdits(working, editsOf(matrixChanges(read.value, working.draft, 'own'))).ok).toBe(true);
  const look = lookOver(draftOf(working));
  expect(look.problems.map(({ field }) => field)).toEqual(expect.arrayContaining(['group', 'area', 'caution']));
  expect(look.alike.map(({ a, b }) => [a, b])).toEqual([['A', 'B']]);
});
