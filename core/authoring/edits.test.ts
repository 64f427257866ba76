import fc from 'fast-check';
import { ledgeCrabs } from '../../demo';
import type { Guide, Score } from '../guide/schema';
import {
  applyEdit,
  applyEdits,
  cellKey,
  draftOf,
  draftProblems,
  type Edit,
  emptyDraft,
  forkOf,
  type Working,
  workingOf,
} from '.';
import { stableJson } from '../stableJson';
import { Edit as EditShape } from './schema';

const crabs = (): Working => workingOf(ledgeCrabs);
/** All of it, scores in whatever order. */
const whole = (working: Working) => {
  const { scores, ...draft } = draftOf(working);
  return stableJson({ draft, scores: scores.map((score) => [cellKey(score), score]).sort(([a], [b]) => (a < b ? -1 : 1)) });
};
const made = (working: Working, ...edits: Edit[]): Edit[] => {
  const outcome = applyEdits(working, edits);
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
};
const taxon = (id: string, more: object = {}) => ({
  do: 'taxon' as const,
  taxon: { id, name: id, rank: 'species' as const, abundance: 1, ...more },
});
const [first, second] = ledgeCrabs.taxa.filter(({ forms }) => forms);
const granules = ledgeCrabs.characters.find(({ id }) => id === 'granules')!;
const scored = (state: string): Score => ({
  character: 'granules',
  scope: { taxon: first.id },
  source: ledgeCrabs.sources[0].id,
  value: { kind: 'states', states: { [state]: 'always' } },
});

describe('a change to a draft', () => {
  it('puts, moves and drops taxa; what stood under one goes to its parent', () => {
    const working = workingOf(emptyDraft('new', 'New'));
    made(working, taxon('Velda'), taxon('alba', { parent: 'Velda' }), taxon('velox', { parent: 'alba' }));
    made(working, { ...taxon('minuta'), after: 'Velda' });
    expect(working.draft.taxa.map(({ id }) => id)).toEqual(['Velda', 'minuta', 'alba', 'velox']);
    const back = made(working, { do: 'dropTaxon', id: 'alba' });
    expect(working.draft.taxa.map(({ id, parent }) => [id, parent])).toEqual([
      ['Velda', undefined],
      ['minuta', undefined],
      ['velox', 'Velda'],
    ]);
    made(working, ...back);
    expect(working.draft.taxa.map(({ id, parent }) => [id, parent])).toEqual([
      ['Velda', undefined],
      ['minuta', undefined],
      ['alba', 'Velda'],
      ['velox', 'alba'],
    ]);
  });

  it.each<[string, Edit, string]>([
    ['a taxon under itself', taxon(first.id, { parent: first.id }), 'taxon-circle'],
    ['a taxon under nobody', taxon('x', { parent: 'nobody' }), 'no-taxon'],
    ['a taxon that is gone', { do: 'dropTaxon', id: 'nobody' }, 'no-taxon'],
    ['a character that is gone', { do: 'dropCharacter', id: 'nothing' }, 'no-character'],
    ['a source that is gone', { do: 'dropSource', id: 'nobody' }, 'no-source'],
    ['a score of no taxon', { do: 'scores', put: [{ ...scored('dense'), scope: { taxon: 'nobody' } }], drop: [] }, 'no-taxon'],
    ['a score of no character', { do: 'scores', put: [{ ...scored('dense'), character: 'nothing' }], drop: [] }, 'no-character'],
    ['a score by no source', { do: 'scores', put: [{ ...scored('dense'), source: 'nobody' }], drop: [] }, 'no-source'],
  ])('%s is refused, and what was made before it is taken back', (_, edit, code) => {
    const working = crabs();
    const before = whole(working);
    expect(applyEdits(working, [{ do: 'head', set: { title: 'Other' } }, taxon('new'), edit])).toMatchObject({
      ok: false,
      problems: [{ code }],
    });
    expect(whole(working)).toBe(before);
  });

  it('a state that a character has no longer goes from its scores, and comes back', () => {
    const working = crabs();
    const before = whole(working);
    const back = made(working, {
      do: 'character',
      character: { ...granules, states: granules.states!.filter(({ id }) => id !== 'dense') },
    });
    const left = [...working.scores.values()].filter(({ character }) => character === 'granules');
    expect(left.length).toBeGreaterThan(0);
    expect(left.some(({ value }) => value.kind === 'states' && 'dense' in value.states)).toBe(false);
    made(working, ...back);
    expect(whole(working)).toBe(before);
  });

  it('a character of another kind loses its scores', () => {
    const working = crabs();
    made(working, { do: 'character', character: { ...granules, kind: 'count', states: undefined, counts: { from: 0, to: 9 } } });
    expect([...working.scores.values()].filter(({ character }) => character === 'granules')).toEqual([]);
  });

  it('a source comes into the policy, and goes out of it', () => {
    const working = crabs();
    made(working, { do: 'source', source: { id: 'mira', label: 'Mira', citation: 'Seen.', kind: 'person' } });
    expect(JSON.stringify(working.draft.policy)).toContain('mira');
    made(working, { do: 'dropSource', id: 'mira' });
    expect(whole(working)).toBe(whole(crabs()));
  });

  it('whatever is done is undone, and is what the wire may carry', () => {
    const ids = ['new', first.id, second.id, 'genus'];
    const anyTaxon = fc.constantFrom(...ids);
    const edit: fc.Arbitrary<Edit> = fc.oneof(
      fc.string({ maxLength: 8 }).map((title): Edit => ({ do: 'head', set: { title } })),
      fc
        .tuple(anyTaxon, fc.option(anyTaxon, { nil: undefined }), fc.option(anyTaxon))
        .map(([id, parent, after]): Edit => ({ ...taxon(id, parent ? { parent } : {}), ...(after === null ? {} : { after }) })),
      anyTaxon.map((id): Edit => ({ do: 'dropTaxon', id })),
      fc.constantFrom('granules', 'other').map((id): Edit => ({ do: 'dropCharacter', id })),
      fc
        .subarray(granules.states!, { minLength: 0 })
        .map((states): Edit => ({ do: 'character', character: { ...granules, states }, after: null })),
      fc.constantFrom('dense', 'smooth').map((state): Edit => ({ do: 'scores', put: [scored(state)], drop: [] })),
      fc.constant<Edit>({ do: 'scores', put: [], drop: [scored('dense')] }),
      fc.constantFrom(...ledgeCrabs.sources).map(({ id }): Edit => ({ do: 'dropSource', id })),
      fc.constant<Edit>({ do: 'facet', facet: 'sex', values: [] }),
      fc.constant<Edit>({ do: 'part', set: { glossary: [] }, drop: ['company'] }),
    );
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
        const working = crabs();
        const before = whole(working);
        const back: Edit[][] = [];
        for (const one of edits) {
          const was = whole(working);
          const outcome = applyEdit(working, one);
          if (outcome.ok) back.push(outcome.value);
          else expect(whole(working)).toBe(was);
        }
        for (const some of back.reverse()) made(working, ...some.map((one) => EditShape.parse(JSON.parse(JSON.stringify(one)))));
        expect(whole(working)).toBe(before);
      }),
      { numRuns: 90, seed: 20 },
    );
  });
});

describe('a guide that goes on from another', () => {
  const ID = '0192f3a0-0000-7001-8000-0000000000d1';

  it('has all of it, and names it among its sources, last in the order in which they are followed', () => {
    const fork = forkOf({ id: ID, guide: ledgeCrabs, version: 3 }, '');
    expect(fork.title).toBe(`${ledgeCrabs.title}, our own`);
    expect(fork.sources.at(-1)).toMatchObject({ id: 'goes-on-from', label: ledgeCrabs.title });
    expect(fork.sources.at(-1)!.citation).toContain('version 3');
    expect(fork.scores).toEqual(ledgeCrabs.scores);
    expect(fork.origin).toEqual({ guide: ID, version: 3, title: ledgeCrabs.title });
    expect(draftProblems(fork)).toEqual([]);
    expect(fork.policy.kind === 'prefer' && fork.policy.order.at(-1)).toBe('goes-on-from');
    expect(ledgeCrabs.sources.some(({ id }) => id === 'goes-on-from')).toBe(false);
  });

  it('names what that one went on from as well', () => {
    const first = { ...forkOf({ id: ID, guide: ledgeCrabs, version: 3 }, 'Ours'), id: 'ours' } as Guide;
    const second = forkOf({ id: ID, guide: first, version: 1 }, 'Theirs');
    expect(second.sources.slice(-2).map(({ label }) => label)).toEqual([ledgeCrabs.title, 'Ours']);
    expect(draftProblems(second)).toEqual([]);
  });
});
