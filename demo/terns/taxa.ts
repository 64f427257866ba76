import type { Guide } from '@plesion/core/guide';

/** Ages in autumn, and the two plumages of a grown tern. */
const forms: Guide['taxa'][number]['forms'] = [
  { share: 0.26, facets: { stage: { juvenile: 1 } } },
  { share: 0.14, facets: { stage: { immature: 1 } } },
  { share: 0.6, facets: { stage: { adult: 1 }, season: { breeding: 0.5, winter: 0.5 } } },
];

const protectedBird =
  'All terns are protected here: catching, ringing and going among nests need a licence of the station, and colonies are closed while there are eggs or young.';

/** The terns of the isles: five species, one with two subspecies. */
export const taxa: Guide['taxa'] = [
  { id: 'halistris', name: 'Halistris', rank: 'genus', authority: 'Hallin, 1859', vernacular: 'Tessary terns', abundance: 1 },
  {
    id: 'crinita',
    name: 'Halistris crinita',
    rank: 'species',
    parent: 'halistris',
    authority: 'Hallin, 1859',
    vernacular: 'maned tern',
    abundance: 1,
    legal: protectedBird,
  },
  {
    id: 'crinita-crinita',
    name: 'Halistris crinita crinita',
    rank: 'subspecies',
    parent: 'crinita',
    authority: 'Hallin, 1859',
    vernacular: 'pale maned tern',
    abundance: 3,
    forms,
    note: 'Breeds on the outer skerries, packed so that sitting birds can touch bills.',
  },
  {
    id: 'crinita-palliax',
    name: 'Halistris crinita palliax',
    rank: 'subspecies',
    parent: 'crinita',
    authority: 'Dallow, 1937',
    vernacular: 'cloaked maned tern',
    names: [{ name: 'Halistris palliax', kind: 'former', note: 'Described as a species from three skins.' }],
    abundance: 2,
    forms,
    note: 'Darker above. Where both meet, birds of every tone are seen.',
  },
  {
    id: 'sodalis',
    name: 'Halistris sodalis',
    rank: 'species',
    parent: 'halistris',
    authority: 'Hallin, 1859',
    vernacular: 'ring tern',
    names: [
      { name: 'Halistris vulgata', kind: 'former' },
      { name: 'black-tip tern', kind: 'misleading', note: 'Half of all consort terns have a dark tip as well.' },
    ],
    abundance: 8,
    forms,
    legal: protectedBird,
  },
  {
    id: 'consors',
    name: 'Halistris consors',
    rank: 'species',
    parent: 'halistris',
    authority: 'Orvane, 1911',
    vernacular: 'consort tern',
    names: [
      { name: 'Halistris sodalis longicauda', kind: 'former', note: 'Long taken for ring terns with long tails.' },
      { name: 'red-bill', kind: 'nickname' },
    ],
    abundance: 5,
    forms,
    legal: protectedBird,
    note: 'Away from the nest, birds in their first winter and first summer cannot be told from ring terns by eye.',
  },
  {
    id: 'furtiva',
    name: 'Halistris furtiva',
    rank: 'species',
    parent: 'halistris',
    authority: 'Merrin, 1958',
    vernacular: 'foundling tern',
    names: [{ name: 'false ring tern', kind: 'nickname' }],
    abundance: 1.5,
    forms,
    legal: protectedBird,
    note: 'Lays into the nests of ring terns and wears their dress: bill, cap and mantle deceive the hosts, and people.',
  },
  {
    id: 'nivalis',
    name: 'Halistris nivalis',
    rank: 'species',
    parent: 'halistris',
    authority: 'Hallin, 1862',
    vernacular: 'snow-fronted tern',
    names: [{ name: 'little whitehead', kind: 'misleading', note: 'In winter every tern here is white in front.' }],
    abundance: 2,
    forms,
    legal: protectedBird,
    note: 'Nests by single pairs on shell banks, and leaves them when disturbed once.',
  },
];
