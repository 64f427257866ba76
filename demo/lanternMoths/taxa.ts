import type { Guide, Taxon } from '@plesion/core/guide';

const sexes: Taxon['forms'] = [{ share: 1, facets: { sex: { male: 0.5, female: 0.5 } } }];

/**
 * The pale morph hangs on the Z chromosome: a female shows it with one copy, a
 * male needs two. The smoke morph is as common in either sex.
 */
const morphs = (pale: number, smoke: number): Taxon['forms'] => [
  { share: 0.5, facets: { sex: { female: 1 }, morph: { wild: 1 - pale - smoke, pale, smoke } } },
  { share: 0.5, facets: { sex: { male: 1 }, morph: { wild: 1 - pale * pale - smoke, pale: pale * pale, smoke } } },
];

/** The lantern moths: five species, one bred in two strains and three morphs. */
export const taxa: Guide['taxa'] = [
  { id: 'noctilume', name: 'Noctilume', rank: 'genus', authority: 'Hallin, 1873', vernacular: 'lantern moths', abundance: 1 },
  {
    id: 'lampas',
    name: 'Noctilume lampas',
    rank: 'species',
    parent: 'noctilume',
    authority: 'Hallin, 1873',
    vernacular: 'common lantern',
    abundance: 1,
    names: [
      { name: 'Noctilume vulgaris', kind: 'former' },
      { name: 'ghost moth of the quay', kind: 'nickname', note: 'Said of the pale morph.' },
    ],
  },
  {
    id: 'lampas-borea',
    name: 'Noctilume lampas “Borea”',
    rank: 'strain',
    parent: 'lampas',
    vernacular: 'Borea strain',
    abundance: 5,
    forms: morphs(0.18, 0.1),
    note: 'Founded by eleven moths from North Tessary. Never to be mixed with Quella.',
  },
  {
    id: 'lampas-quella',
    name: 'Noctilume lampas “Quella”',
    rank: 'strain',
    parent: 'lampas',
    vernacular: 'Quella strain',
    abundance: 5,
    forms: morphs(0.1, 0.3),
    names: [{ name: 'smoke line', kind: 'misleading', note: 'Smoke moths hatch in either strain.' }],
  },
  {
    id: 'vesperta',
    name: 'Noctilume vesperta',
    rank: 'species',
    parent: 'noctilume',
    authority: 'Orvane, 1919',
    vernacular: 'dusk lantern',
    abundance: 4,
    forms: sexes,
    note: 'Its females and those of the gloam lantern cannot be told apart without dissection.',
  },
  {
    id: 'crepera',
    name: 'Noctilume crepera',
    rank: 'species',
    parent: 'noctilume',
    authority: 'Orvane, 1919',
    vernacular: 'gloam lantern',
    abundance: 3,
    forms: sexes,
    names: [{ name: 'Noctilume vesperta minor', kind: 'former' }],
  },
  {
    id: 'fallax',
    name: 'Noctilume fallax',
    rank: 'species',
    parent: 'noctilume',
    authority: 'Merrin, 1962',
    vernacular: 'false lantern',
    abundance: 2,
    forms: sexes,
    names: [{ name: 'blister lantern', kind: 'misleading', note: 'It has the dress of the tufted lantern, not its hairs.' }],
    note: 'Wears the red lantern and the rose hind wings of the tufted lantern, which birds leave alone.',
  },
  {
    id: 'urtica',
    name: 'Noctilume urtica',
    rank: 'species',
    parent: 'noctilume',
    authority: 'Hallin, 1880',
    vernacular: 'tufted lantern',
    abundance: 2,
    forms: sexes,
    hazards: [
      {
        kind: 'irritant',
        grade: 'serious',
        text: 'The hairs of its tail tuft break off in the skin and eyes and burn for days. Do not handle, do not blow on it; work with goggles and in still air. If hairs reach an eye, rinse and see a doctor.',
        threshold: 0.01,
      },
    ],
    names: [{ name: 'Noctilume pilosa', kind: 'former' }],
  },
];
