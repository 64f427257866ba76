import type { Guide } from '@plesion/core/guide';

/** What is asked of a tern in the hand, and the rings that fit it. */
export const field: Guide['field'] = {
  hatching: { from: '05-20', to: '08-10' },
  checks: [
    {
      id: 'scaly-not-adult',
      says: 'A scaly back is a young bird’s: never an adult.',
      when: [
        { kind: 'states', character: 'saddle', states: ['scaly'] },
        { kind: 'age', from: 1 },
      ],
    },
    {
      id: 'young-unsexed',
      says: 'Young of the year: the sex stays unknown, unless it was told by a feather’s DNA.',
      when: [
        { kind: 'age', to: 0 },
        { kind: 'sex', sexes: ['male', 'female'] },
      ],
      unless: [{ kind: 'sexBy', methods: ['molecular'] }],
    },
    {
      id: 'wing-under-250',
      says: 'A wing under 250 mm is short for this kind: measure again, and look at it once more.',
      taxa: ['sodalis', 'consors', 'crinita'],
      when: [{ kind: 'value', character: 'wing-chord', under: 250 }],
    },
    {
      id: 'snow-wing-over-200',
      says: 'A wing over 200 mm is long for a snow-fronted tern: look at it once more.',
      taxa: ['nivalis'],
      when: [{ kind: 'value', character: 'wing-chord', over: 200 }],
    },
    {
      id: 'weight',
      says: 'Lighter than 40 g: weigh it again.',
      when: [{ kind: 'mass', under: 40 }],
    },
    { id: 'weight-over', says: 'Heavier than 320 g: weigh it again.', when: [{ kind: 'mass', over: 320 }] },
  ],
  rings: [
    { taxon: 'halistris', sizes: ['C'] },
    { taxon: 'crinita', sizes: ['D'] },
    { taxon: 'nivalis', sizes: ['B'] },
  ],
};
