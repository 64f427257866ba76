import { applyEdits, emptyDraft, workingOf } from '@plesion/core/authoring';
import type { Taxon } from '@plesion/core/guide';
import { dropEdit, type Move, moveEdit, treeRows } from './taxonTree';

const taxon = (id: string, parent?: string): Taxon => ({
  ...{ id, name: id, rank: 'species', abundance: 1 },
  ...(parent ? { parent } : {}),
});
const START = [taxon('a'), taxon('a1', 'a'), taxon('a2', 'a'), taxon('b'), taxon('b1', 'b'), taxon('c')];
let working = workingOf({ ...emptyDraft('new', 'New'), taxa: START });
beforeEach(() => {
  working = workingOf({ ...emptyDraft('new', 'New'), taxa: START });
});
const parse = (id: string) => working.draft.taxa.find((one) => one.id === id)!;
const stands = () =>
  treeRows(working.draft.taxa)
    .map(({ taxon: { id }, depth }) => `${'-'.repeat(depth)}${id}`)
    .join(' ');
const move = (id: string, by: Move) => {
  const edit = moveEdit(working.draft.taxa, parse(id), by);
  return edit ? applyEdits(working, [edit]).ok : false;
};

it.each([
  ['a2', 'up', 'a -a2 -a1 b -b1 c'],
  ['a1', 'down', 'a -a2 -a1 b -b1 c'],
  ['c', 'up', 'a -a1 -a2 c b -b1'],
  ['a', 'down', 'b -b1 a -a1 -a2 c'],
  ['c', 'in', 'a -a1 -a2 b -b1 -c'],
  ['a2', 'in', 'a -a1 --a2 b -b1 c'],
  ['a1', 'out', 'a -a2 a1 b -b1 c'],
] as const)('%s goes %s', (id, by, after) => {
  expect(move(id, by)).toBe(true);
  expect(stands()).toBe(after);
});

it.each([
  ['a', 'up'],
  ['a1', 'up'],
  ['c', 'down'],
  ['a', 'in'],
  ['a', 'out'],
] as const)('%s cannot go %s', (id, by) => {
  expect(move(id, by)).toBe(false);
  expect(stands()).toBe('a -a1 -a2 b -b1 c');
});

it('one is dropped behind another or under it, with all that stands under it; never under itself', () => {
  const drop = (id: string, onto: string, asChild: boolean) => applyEdits(working, [dropEdit(parse(id), parse(onto), asChild)]);
  drop('a', 'b', false);
  expect(stands()).toBe('b -b1 a -a1 -a2 c');
  drop('b', 'c', true);
  expect(stands()).toBe('a -a1 -a2 c -b --b1');
  const circle = drop('c', 'b1', true);
  expect(circle.ok).toBe(false);
  expect(stands()).toBe('a -a1 -a2 c -b --b1');
});
