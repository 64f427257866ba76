import fc from 'fast-check';
import { demoGuides, ledgeCrabs } from '../../demo';
import { stableJson } from '../stableJson';
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
import { madeOn, wholeDraft } from '../test/drafts';
import { Edit as EditShape } from './schema';

const crabs = (): Working => workingOf(ledgeCrabs);
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
    madeOn(working, taxon('Velda'), taxon('alba', { parent: 'Velda' }), taxon('velox', { parent: 'alba' }));
    madeOn(working, { ...taxon('minuta'), after: 'Velda' });
    expect(working.draft.taxa.map(({ id }) => id)).toEqual(['Velda', 'minuta', 'alba', 'velox']);
    const back = madeOn(working, { do: 'dropTaxon', id: 'alba' });
    expect(working.draft.taxa.map(({ id, parent }) => [id, parent])).toEqual([
      ['Velda', undefined],
      ['minuta', undefined],
      ['velox', 'Velda'],
    ]);
    madeOn(working, ...back);
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
    const before = wholeDraft(working);
    expect(applyEdits(working, [{ do: 'head', set: { title: 'Other' } }, taxon('new'), edit])).toMatchObject({
      ok: false,
      problems: [{ code }],
    });
    expect(wholeDraft(working)).toBe(before);
  });

  it('a state that a character has no longer goes from its scores, and comes back', () => {
    const working = crabs();
    const before = wholeDraft(working);
    const back = madeOn(working, {
      do: 'character',
      character: { ...granules, states: granules.states!.filter(({ id }) => id !== 'dense') },
    });
    const left = [...working.scores.values()].filter(({ character }) => character === 'granules');
    expect(left.length).toBeGreaterThan(0);
    expect(left.some(({ value }) => value.kind === 'states' && 'dense' in value.states)).toBe(false);
    madeOn(working, ...back);
    expect(wholeDraft(working)).toBe(before);
  });

  it('with one state left of several of which it was not known which, nothing is uncertain', () => {
    const working = crabs();
    const [score] = [...working.scores.values()].filter(({ character }) => character === 'granules');
    const states = { smooth: 0.3, scattered: 0.3, dense: 0.3 };
    madeOn(working, { do: 'scores', put: [{ ...score, value: { kind: 'states', states, uncertain: true } }], drop: [] });
    const valueNow = () => working.scores.get(cellKey(score))?.value;
    const without = (...gone: string[]) =>
      madeOn(working, {
        do: 'character',
        character: { ...granules, states: granules.states!.filter(({ id }) => !gone.includes(id)) },
      });
    const back = without('dense');
    expect(valueNow()).toEqual({ kind: 'states', states: { smooth: 0.3, scattered: 0.3 }, uncertain: true });
    madeOn(working, ...back);
    without('dense', 'scattered');
    expect(valueNow()).toEqual({ kind: 'states', states: { smooth: 0.3 } });
  });

  it('a character of another kind loses its scores', () => {
    const working = crabs();
    madeOn(working, {
      do: 'character',
      character: { ...granules, kind: 'count', states: undefined, counts: { from: 0, to: 9 } },
    });
    expect([...working.scores.values()].filter(({ character }) => character === 'granules')).toEqual([]);
  });

  it('a source comes into the policy, and goes out of it', () => {
    const working = crabs();
    madeOn(working, { do: 'source', source: { id: 'mira', label: 'Mira', citation: 'Seen.', kind: 'person' } });
    expect(JSON.stringify(working.draft.policy)).toContain('mira');
    madeOn(working, { do: 'dropSource', id: 'mira' });
    expect(wholeDraft(working)).toBe(wholeDraft(crabs()));
  });

  it('what is about nothing but what is gone goes with it, and comes back with it', () => {
    let touched = 0;
    for (const guide of demoGuides) {
      const working = workingOf(guide);
      const before = wholeDraft(working);
      const gone: Edit[] = [
        ...guide.characters.map(({ id }): Edit => ({ do: 'dropCharacter', id })),
        ...guide.taxa.map(({ id }): Edit => ({ do: 'dropTaxon', id })),
        ...guide.taxa.filter(({ parent }) => parent).map(({ id }): Edit => ({ do: 'drop', taxa: [id], characters: [] })),
      ];
      for (const edit of gone) {
        const outcome = applyEdit(working, edit);
        if (!outcome.ok) continue;
        const { glossary, costs } = working.draft;
        if (stableJson([glossary, costs]) !== stableJson([guide.glossary, guide.costs])) touched++;
        const wrong = draftProblems(draftOf(working)).map(({ field = '' }) => field);
        expect(wrong.filter((field) => /^(glossary|costs)|than/.test(field))).toEqual([]);
        madeOn(working, ...outcome.value);
        expect(wholeDraft(working)).toBe(before);
      }
    }
    expect(touched).toBeGreaterThan(20);
  });

  it('what else names what is gone says where it stands', () => {
    const terns = demoGuides.find(({ field }) => field?.checks?.some(({ taxa }) => taxa?.length))!;
    const check = terns.field!.checks!.find(({ taxa }) => taxa?.length)!;
    const caught = workingOf(terns);
    madeOn(caught, { do: 'dropTaxon', id: check.taxa![0] });
    const [told] = draftProblems(draftOf(caught)).filter(({ field }) => field?.startsWith('field.checks'));
    expect(told.message).toBe(`Rules of a catch, “${check.says}”: There is no taxon “${check.taxa![0]}” in this guide.`);
    const working = crabs();
    const at = ledgeCrabs.treatments!.findIndex(({ sinks }) => sinks.length > 0);
    const sunk = ledgeCrabs.treatments![at];
    const problem = {
      field: `treatments[${at}].sinks[0]`,
      message: expect.stringMatching(`^Other ways to name them, “${sunk.label}”: `),
    };
    madeOn(working, { do: 'dropTaxon', id: sunk.sinks[0] });
    expect(draftProblems(draftOf(working))).toContainEqual(expect.objectContaining(problem));
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
        const before = wholeDraft(working);
        const back: Edit[][] = [];
        for (const one of edits) {
          const was = wholeDraft(working);
          const outcome = applyEdit(working, one);
          if (outcome.ok) back.push(outcome.value);
          else expect(wholeDraft(working)).toBe(was);
        }
        for (const some of back.reverse())
          madeOn(working, ...some.map((one) => EditShape.parse(JSON.parse(JSON.stringify(one)))));
        expect(wholeDraft(working)).toBe(before);
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
