import { applyEdits, type Draft, draftOf, type Edit, guideChanges, type Working, workingOf } from '@plesion/core/authoring';
import { ledgeCrabs } from '@plesion/demo';
import { oneGroup, dropGroup } from './dependence';
import { readDays } from './days';
import { dropCircumstance, dropPlace, drawYear, meet, metAt, yearOf } from './places';

let working: Working;
const copy = (of: Draft = ledgeCrabs) => workingOf(JSON.parse(JSON.stringify(of)) as Draft);
beforeEach(() => {
  working = copy();
});
/** Makes changes, and shows that what takes them back does. */
const make = (...edits: Edit[]) => {
  const before = draftOf(working);
  const outcome = applyEdits(working, edits);
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  const after = draftOf(working);
  const again = copy(before);
  applyEdits(again, edits);
  applyEdits(again, outcome.value);
  expect(guideChanges(before, draftOf(again))).toEqual({ parts: [], cells: [] });
  return after;
};
const [region] = ledgeCrabs.regions;

it('how often a taxon is met in a region is said, changed and taken back', () => {
  const { draft } = working;
  make(meet(draft, 'murica', 'regions', region.id, 'rarely'));
  expect(metAt(working.draft, 'murica', 'regions', region.id)).toBe('rarely');
  make(meet(working.draft, 'murica', 'regions', region.id, 'often'));
  const said = working.draft.occurrence.filter((one) => one.kind === 'range' && one.taxon === 'murica');
  expect(said.filter((one) => one.kind === 'range' && one.region === region.id)).toHaveLength(1);
  expect(metAt(working.draft, 'cinerata', 'regions', region.id)).toBe(metAt(draft, 'cinerata', 'regions', region.id));
  make(meet(working.draft, 'murica', 'regions', region.id));
  expect(metAt(working.draft, 'murica', 'regions', region.id)).toBeUndefined();
});

it('a year is drawn over what was drawn before, and taken away', () => {
  const curve: [string, number][] = [
    ['01-15', 0],
    ['07-15', 1],
  ];
  make(drawYear(working.draft, 'murica', curve));
  make(drawYear(working.draft, 'murica', [['05-01', 0.5]]));
  expect(yearOf(working.draft, 'murica')).toEqual([['05-01', 0.5]]);
  make(drawYear(working.draft, 'murica'));
  expect(yearOf(working.draft, 'murica')).toBeUndefined();
});

it('a region that is taken out leaves nothing that speaks of it', () => {
  const scoped = ledgeCrabs.scores[0];
  const two = { ...scoped, scope: { ...scoped.scope, regions: [region.id, ledgeCrabs.regions[1].id] } };
  const one = { ...scoped, scope: { ...scoped.scope, regions: [region.id] } };
  make({ do: 'scores', put: [two, one], drop: [] }, meet(working.draft, 'murica', 'regions', region.id, 'rarely'));
  const after = make(...dropPlace(working.draft, working.scores, 'regions', region.id));
  expect(JSON.stringify([after.scores, after.occurrence, after.regions])).not.toContain(`"${region.id}"`);
  const left = after.scores.filter(({ scope }) => scope.regions);
  expect(left.map(({ scope }) => scope.regions)).toContainEqual([ledgeCrabs.regions[1].id]);
});

it('what holds only when it is wet goes with the wet', () => {
  const scoped = ledgeCrabs.scores[0];
  const wet = { ...scoped, scope: { ...scoped.scope, circumstances: ['wet', 'dark'] } };
  const circumstances = ['wet', 'dark'].map((id) => ({ id, label: id }));
  make({ do: 'part', set: { circumstances }, drop: [] }, { do: 'scores', put: [wet], drop: [] });
  const after = make(...dropCircumstance(working.draft, working.scores, 'wet'));
  expect(after.scores).toHaveLength(ledgeCrabs.scores.length);
  expect(after.circumstances).toEqual([circumstances[1]]);
});

it('characters are put into one group, into one that is there, and parted again', () => {
  const [a, b, c] = ledgeCrabs.characters.filter(({ dependence }) => dependence === undefined).map(({ id }) => id);
  const groupOf = (id: string) => working.draft.characters.find((one) => one.id === id)!.dependence;
  make(...oneGroup(working.draft, [a, b]));
  expect(groupOf(a)).toBeDefined();
  expect(groupOf(b)).toBe(groupOf(a));
  make(...oneGroup(working.draft, [b, c]));
  expect(groupOf(c)).toBe(groupOf(a));
  expect(working.draft.dependence).toHaveLength(ledgeCrabs.dependence.length + 1);
  make(...dropGroup(working.draft, groupOf(a)!));
  expect([a, b, c].map(groupOf)).toEqual([undefined, undefined, undefined]);
});

it.each([
  ['04-01 to 08-31', { from: '04-01', to: '08-31' }],
  ['11-01–02-15', { from: '11-01', to: '02-15' }],
  ['', undefined],
  ['04-01 08-31', { from: '04-01', to: '08-31' }],
  ['1 Apr to 31 Aug', { from: '04-01', to: '08-31' }],
  ['April 1 – 9 sept', { from: '04-01', to: '09-09' }],
  ['1 Apr', 'unreadable'],
  ['31 Apr to 1 May', 'unreadable'],
  ['1 Apr 2 to 1 May', 'unreadable'],
  ['1 Apr to 1 May to 1 June', 'unreadable'],
  ['April to May', 'unreadable'],
  ['04-01', 'unreadable'],
  ['04-30 to 13-01', 'unreadable'],
  ['04-31 to 05-01', 'unreadable'],
] as const)('days typed as “%s”', (typed, read) => expect(readDays(typed)).toEqual(read));
