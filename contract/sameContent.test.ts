import { sameContent, type SpecimenWrite } from '.';

const content: SpecimenWrite = {
  version: 3,
  guideId: '0192f3a0-0000-7001-8000-000000000001',
  label: 'L4',
  situation: { place: 'Skerry Bar', date: '2026-05-12' },
  readings: [{ id: '1', character: 'eggs', states: ['none'], certainty: undefined }],
  determinations: [],
  hidden: false,
};

describe('the same write twice', () => {
  it('is known whatever its version, the order of its keys, or what is absent', () => {
    const again: SpecimenWrite = {
      ...content,
      version: 4,
      situation: { date: '2026-05-12', place: 'Skerry Bar' },
      readings: [{ states: ['none'], character: 'eggs', id: '1' }],
    };
    expect(sameContent(content, again)).toBe(true);
  });

  it.each<[string, Partial<SpecimenWrite>]>([
    ['a label', { label: 'L5' }],
    ['a place', { situation: { place: 'Ostren', date: '2026-05-12' } }],
    ['a state', { readings: [{ id: '1', character: 'eggs', states: ['carried'] }] }],
    ['hiding', { hidden: true }],
    ['a photo', { photo: 'a'.repeat(64) }],
  ])('is another when %s differs', (_, change) => {
    expect(sameContent(content, { ...content, ...change })).toBe(false);
  });

  it('tells names by their ids, since the server signs them', () => {
    const name = {
      id: 'd1',
      qualifier: 'none',
      taxon: 'murica',
      facets: {},
      at: '2026-05-12T10:00:00Z',
      p: 1,
      recommended: '',
      overruled: false,
      guideVersion: 1,
    } as const;
    const mine = { ...content, determinations: [{ ...name, by: 'me' }] };
    expect(sameContent(mine, { ...content, determinations: [{ ...name, by: 'the server' }] })).toBe(true);
    expect(sameContent(mine, content)).toBe(false);
  });
});
