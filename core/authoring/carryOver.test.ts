import fc from 'fast-check';
import { ledgeCrabs } from '../../demo';
import { stableJson } from '../stableJson';
import { applyEdits, carryOver, cellKey, type Draft, draftOf, draftProblems, type Edit, workingOf } from '.';

const base: Draft = ledgeCrabs;
const after = (...edits: Edit[]): Draft => {
  const working = workingOf(base);
  const outcome = applyEdits(working, edits);
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return draftOf(working);
};
const taken = (ours: Draft, edits: readonly Edit[]): Draft => {
  const working = workingOf(ours);
  const outcome = applyEdits(working, edits);
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return draftOf(working);
};
/** All of it, whatever order lists and scores stand in. */
const whole = ({ scores, taxa, characters, sources, ...rest }: Draft) =>
  stableJson([
    rest,
    [...taxa].sort((a, b) => (a.id < b.id ? -1 : 1)),
    [...characters].sort((a, b) => (a.id < b.id ? -1 : 1)),
    [...sources].sort((a, b) => (a.id < b.id ? -1 : 1)),
    scores.map((score) => [cellKey(score), score]).sort(([a], [b]) => (a < b ? -1 : 1)),
  ]);
const taxon = base.taxa.find(({ forms }) => forms)!;
const stated = base.scores.filter(({ value, scope }) => value.kind === 'states' && scope.taxon);
const cell = (i: number, often: 'rarely' | 'often' | 'usually'): Edit => {
  const score = stated[i];
  const [state] = score.value.kind === 'states' ? Object.keys(score.value.states) : [];
  return { do: 'scores', put: [{ ...score, value: { kind: 'states', states: { [state]: often } } }], drop: [] };
};

it('what only they changed is taken, what only we changed stays', () => {
  const ours = after({ do: 'head', set: { title: 'Ours' } }, cell(0, 'rarely'));
  const theirs = after({ do: 'head', set: { summary: 'Theirs.' } }, cell(1, 'often'), {
    do: 'taxon',
    taxon: { ...taxon, id: 'nova', name: 'Petralda nova' },
  });
  const { edits, conflicts } = carryOver(base, ours, theirs);
  expect(conflicts).toEqual([]);
  const both = taken(ours, edits);
  expect([both.title, both.summary, both.taxa.length]).toEqual(['Ours', 'Theirs.', base.taxa.length + 1]);
  expect(draftProblems(both)).toEqual([]);
  // Nothing is left to be carried over.
  expect(carryOver(base, both, theirs)).toEqual({ edits: [], conflicts: [] });
});

it('what both changed in their own ways is ours until somebody says otherwise, cell by cell', () => {
  const ours = after({ do: 'head', set: { title: 'Ours' } }, cell(0, 'rarely'), { do: 'taxon', taxon: { ...taxon, name: 'A' } });
  const theirs = after({ do: 'head', set: { title: 'Theirs' } }, cell(0, 'often'), {
    do: 'taxon',
    taxon: { ...taxon, name: 'B' },
  });
  const { edits, conflicts } = carryOver(base, ours, theirs);
  expect(edits).toEqual([]);
  expect(conflicts.map(({ name, ours: own, theirs: other }) => [name, own, other])).toEqual([
    ['title', 'Ours', 'Theirs'],
    ['B', 'name: A', 'name: B'],
    [expect.stringMatching(/^Petralda, /), expect.stringMatching(/ rarely$/), expect.stringMatching(/ often$/)],
  ]);
  expect(new Set(conflicts.map(({ key }) => key)).size).toBe(3);
  const all = taken(
    ours,
    conflicts.flatMap(({ take }) => take),
  );
  expect(whole(all)).toBe(whole(theirs));
});

it('what both changed alike is no conflict', () => {
  const ours = after(cell(0, 'rarely'), { do: 'head', set: { title: 'Both' } });
  expect(carryOver(base, ours, after(cell(0, 'rarely'), { do: 'head', set: { title: 'Both' } }))).toEqual({
    edits: [],
    conflicts: [],
  });
});

it('what was taken out on one side goes, unless it was changed on the other', () => {
  const gone = after({ do: 'dropTaxon', id: taxon.id }, { do: 'dropCharacter', id: 'granules' });
  const taking = carryOver(base, base, gone);
  expect(taking.conflicts).toEqual([]);
  expect(whole(taken(base, taking.edits))).toBe(whole(gone));
  const changed = after({ do: 'taxon', taxon: { ...taxon, name: 'Kept' } });
  const kept = carryOver(base, changed, gone);
  expect(kept.conflicts.map(({ ours, theirs }) => [ours, theirs])).toContainEqual(['Kept', '']);
  // Taken out here: their new cell of it has nothing to stand in.
  const own = after({ do: 'dropCharacter', id: stated[0].character });
  expect(carryOver(base, own, after(cell(0, 'often')))).toEqual({ edits: [], conflicts: [] });
});

it('whatever is changed on two sides, taking all of theirs where both did is made without a fault', () => {
  const change = fc.oneof(
    fc
      .record({ i: fc.nat(stated.length - 1), often: fc.constantFrom('rarely', 'often', 'usually') })
      .map(({ i, often }) => cell(i, often as 'rarely')),
    fc.constantFrom('A', 'B').map((title): Edit => ({ do: 'head', set: { title } })),
    fc
      .record({ i: fc.nat(base.taxa.length - 1), name: fc.constantFrom('X', 'Y') })
      .map(({ i, name }): Edit => ({ do: 'taxon', taxon: { ...base.taxa[i], name } })),
    fc.nat(base.characters.length - 1).map((i): Edit => ({ do: 'dropCharacter', id: base.characters[i].id })),
    fc.constantFrom('n1', 'n2').map((id): Edit => ({ do: 'taxon', taxon: { ...taxon, id, name: id } })),
  );
  /** Changes that cannot be made any more are passed over. */
  const made = (edits: readonly Edit[]): Draft => {
    const working = workingOf(base);
    for (const edit of edits) applyEdits(working, [edit]);
    return draftOf(working);
  };
  fc.assert(
    fc.property(fc.array(change, { maxLength: 8 }), fc.array(change, { maxLength: 8 }), (own, other) => {
      const [ours, theirs] = [made(own), made(other)];
      const { edits, conflicts } = carryOver(base, ours, theirs);
      const merged = taken(ours, edits);
      expect(carryOver(base, merged, theirs).edits).toEqual([]);
      // Nothing that only we changed is lost.
      if (ours.title !== base.title) expect(merged.title).toBe(ours.title);
      taken(
        merged,
        conflicts.flatMap(({ take }) => take),
      );
      if (own.length === 0) expect(whole(merged)).toBe(whole(theirs));
    }),
    { numRuns: 25, seed: 19 },
  );
});
