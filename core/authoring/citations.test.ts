import fc from 'fast-check';
import { CslItem } from '../guide/cslSchema';
import { Source } from '../guide/schema';
import { cslOf, sourceOf } from './citations';

const BOOK: CslItem = {
  ...{ id: 'vask84', type: 'book', title: 'A handbook of <i>Petralda</i>', edition: '3' },
  author: [{ family: 'Vask', given: 'Edda Mir' }],
  issued: { 'date-parts': [[1984, 5]] },
  ...{ publisher: 'Quell Press', 'publisher-place': 'Quell Harbour' },
};

describe('literature as a source', () => {
  it('has a short name, a citation in words, and the item itself', () => {
    expect(sourceOf(BOOK)).toEqual({
      label: 'Vask 1984',
      citation: 'E. M. Vask, 1984. A handbook of Petralda, edition 3. Quell Press, Quell Harbour.',
      kind: 'book',
      csl: BOOK,
    });
  });

  it.each<[string, Partial<CslItem>, string, string, string]>([
    [
      'a paper of three',
      {
        ...{
          type: 'article-journal',
          title: 'Three species?',
          'container-title': 'Annals',
          volume: 12,
          issue: '3',
          page: '41-77',
          DOI: '10.1/x',
        },
        author: [{ family: 'Dunmarrow', given: 'I.' }, { literal: 'The Tessary Station' }, { family: 'Orvane' }],
        issued: { raw: 'May 2009' },
      },
      'Dunmarrow et al. 2009',
      'I. Dunmarrow, The Tessary Station & Orvane, 2009. Three species? Annals 12 (3): 41–77. doi:10.1/x.',
      'paper',
    ],
    ['a talk', { type: 'personal_communication', author: [{ literal: 'Mereth' }] }, 'Mereth', 'Mereth.', 'person'],
    [
      'records',
      { type: 'dataset', title: 'Notes', issued: { literal: 'undated' } },
      'Notes undated',
      'undated. Notes.',
      'records',
    ],
    ['a title only', { type: 'no-such-type', title: 'On ledges' }, 'On ledges', 'On ledges.', 'book'],
    ['nothing', { type: 'book' }, 'A source', '', 'book'],
    ['a type that objects have', { type: 'toString', title: 'On ledges' }, 'On ledges', 'On ledges.', 'book'],
    ['a name of spaces', { type: 'book', author: [{ family: '  ' }], issued: { literal: ' ' } }, 'A source', '', 'book'],
  ])('%s', (_, item, label, citation, kind) => {
    expect(sourceOf(item as CslItem)).toMatchObject({ label, citation, kind });
  });

  it('goes out again as it came, or as its citation stands', () => {
    const { csl, ...rest } = { ...sourceOf(BOOK), id: 'vask' };
    expect(cslOf({ ...rest, csl })).toEqual({ ...BOOK, id: 'vask' });
    expect(cslOf({ id: 'own', label: 'Our own', citation: 'Seen by us.', kind: 'person' })).toEqual({
      ...{ id: 'own', type: 'document', title: 'Seen by us.' },
    });
    expect(cslOf({ id: 'own', label: 'Our own', citation: '', kind: 'person' }).title).toBe('Our own');
  });

  it('whatever an item holds, it makes a source that a guide takes', () => {
    const text = fc.oneof(fc.string(), fc.constant('<i>'), fc.constant('x'.repeat(3000)));
    const item = fc.record(
      {
        ...{
          type: fc.string({ maxLength: 60 }),
          title: fc.string({ maxLength: 2000 }),
          page: text,
          volume: fc.oneof(text, fc.integer()),
        },
        author: fc.array(
          fc.record({ family: fc.string({ maxLength: 200 }), given: fc.string({ maxLength: 200 }) }, { requiredKeys: [] }),
          { maxLength: 5 },
        ),
        issued: fc.record({
          'date-parts': fc.array(fc.array(fc.oneof(fc.integer(), fc.string({ maxLength: 20 })), { maxLength: 3 }), {
            maxLength: 2,
          }),
        }),
      },
      { requiredKeys: ['type'] },
    );
    fc.assert(
      fc.property(item, (given) => {
        const source = { ...sourceOf(CslItem.parse(given)), id: 'one' };
        const read = Source.safeParse(source);
        expect([read.error?.issues, source.label.trim() !== '']).toEqual([undefined, true]);
      }),
      { numRuns: 300 },
    );
  });
});
