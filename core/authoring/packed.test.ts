import { type Score, Taxon } from '../guide/schema';
import { stableJson } from '../stableJson';
import { emptyDraft } from './beginnings';
import { type Draft, PackedDraft } from './draftSchema';
import { packed, unpacked } from './packed';

const TAXA = ['velda-alba', 'velda-nigra', 'velda-rufa', 'velda-lutea'];
const states = (state: string): Score['value'] => ({ kind: 'states', states: { [state]: 'always' } });
const scored = (character: string, scope: Score['scope'], value: Score['value'], more: Partial<Score> = {}): Score => ({
  ...{ character, scope, source: 'own', value },
  ...more,
});

/** A row of taxa by two characters, and scores of every kind that cannot be put together with others. */
const draft = (): Draft => ({
  ...emptyDraft('veldas', 'Veldas'),
  taxa: TAXA.map((id) => Taxon.parse({ id, name: id.replace('velda-', 'Velda '), rank: 'species' })),
  scores: [
    ...TAXA.flatMap((taxon, i) => [
      scored('rim', { taxon }, states(i % 2 ? 'smooth' : 'ribbed')),
      scored('height', { taxon }, { kind: 'values', mean: 3 + (i % 2), sd: 0.5 }),
    ]),
    scored('rim', { taxon: 'velda-alba' }, states('smooth'), { source: 'book' }),
    scored('rim', { taxon: 'velda-alba', facets: { sex: ['female'] } }, states('smooth')),
    scored('rim', {}, states('ribbed')),
    scored('tip', { taxon: 'velda-rufa' }, states('smooth'), { note: 'p. 12' }),
    // Of one that is not in the list any more.
    scored('tip', { taxon: 'velda-gone' }, states('smooth')),
  ],
});

const all = ({ scores }: Pick<Draft, 'scores'>) => scores.map((score) => stableJson(score)).sort();

describe('a draft that is packed', () => {
  it('is the same draft when it is unpacked, sent as text in between', () => {
    const small = packed(draft(), 4);
    expect(small.scores).toHaveLength(4);
    const sent = PackedDraft.parse(JSON.parse(JSON.stringify(small)));
    const { scores, ...rest } = unpacked(sent);
    const { scores: were, ...before } = draft();
    expect(all({ scores })).toEqual(all({ scores: were }));
    expect(rest).toEqual(before);
    // What was sent is as it was: it may be unpacked again.
    expect(all(unpacked(sent))).toEqual(all({ scores: were }));
  });

  it('says once what many taxa have in common', () => {
    expect(packed(draft(), 4).packed?.columns).toContainEqual({
      character: 'rim',
      source: 'own',
      values: [
        { value: states('ribbed'), of: [0, 2] },
        { value: states('smooth'), of: [1, 3] },
      ],
    });
  });

  it('is left as it is where it has few scores', () => {
    const few = draft();
    expect(packed(few)).toBe(few);
    expect(unpacked(few)).toEqual(few);
  });

  it('is refused where a score is of a taxon that is not in its list', () => {
    const wrong = packed(draft(), 4);
    wrong.packed!.columns[0].values[0].of.push(TAXA.length);
    const read = PackedDraft.safeParse(wrong);
    expect(read.error?.issues).toMatchObject([{ path: ['packed'], message: 'a score is of a taxon that is not there' }]);
  });
});
