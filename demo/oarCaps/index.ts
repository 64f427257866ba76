import { Guide } from '@plesion/core/guide';
import { characters } from './characters';
import { scores } from './scores';

const caps = (id: string, name: string, authority: string, vernacular: string, more: Partial<Guide['taxa'][number]> = {}) => ({
  ...{
    id,
    name,
    authority,
    vernacular,
    rank: 'species' as const,
    parent: name.split(' ')[0].toLowerCase(),
    forms: [{ facets: {} }],
  },
  ...more,
});

/** The caps of the Oar woods: a group that no body plan draws, told by the tiles of its states. Everything in it is invented. */
export const oarCaps: Guide = Guide.parse({
  format: 'plesion-guide',
  formatVersion: 2,
  id: 'oar-caps',
  title: 'Caps of the Oar woods',
  summary:
    'Six caps of one wet autumn. The ivory shroud grows among the scaly oar-caps and is taken for one of them when its ring has ' +
    'gone; what settles it is hours away, on a sheet of paper under a bowl.',
  group: 'Oar-caps and shrouds (Ormerelia, Vaskina)',
  area: 'Oar woods, South Tessary',
  caution:
    'No name given here says that a cap can be eaten: one of the six kills days after a meal that tasted good. Taste none, keep ' +
    'them from children and animals, wash hands and knives, and where any was swallowed call for medical help at once, without waiting for signs.',
  facets: {},
  taxa: [
    { id: 'ormerelia', name: 'Ormerelia', rank: 'genus', authority: 'Hallin, 1874', vernacular: 'oar-caps' },
    { id: 'vaskina', name: 'Vaskina', rank: 'genus', authority: 'Dallow, 1930', vernacular: 'shrouds' },
    caps('fulva', 'Ormerelia fulva', 'Hallin, 1874', 'tawny oar-cap', { abundance: 4 }),
    caps('maculata', 'Ormerelia maculata', 'Hallin, 1874', 'spotted oar-cap', {
      abundance: 2,
      hazards: [
        {
          kind: 'toxin',
          grade: 'serious',
          text: 'Sickens within hours whoever eats of it. If any was swallowed, seek medical help.',
        },
      ],
    }),
    caps('caerulea', 'Ormerelia caerulea', 'Mereth, 1911', 'bluing oar-cap', { abundance: 3 }),
    caps('squamea', 'Ormerelia squamea', 'Mereth, 1911', 'scaly oar-cap', { abundance: 3 }),
    caps('pallens', 'Vaskina pallens', 'Dallow, 1930', 'ivory shroud', {
      names: [{ name: 'white oar-cap', kind: 'misleading', note: 'It is no oar-cap; under this name it was carried home.' }],
      hazards: [
        {
          kind: 'toxin',
          grade: 'grave',
          text: 'A single cap can kill, days after a meal that seemed to agree. If any was swallowed, call for medical help at once and take what is left along.',
          threshold: 0.002,
        },
      ],
    }),
    caps('umbra', 'Vaskina umbra', 'Dallow, 1930', 'dusk shroud', { abundance: 2 }),
  ],
  characters,
  dependence: [{ id: 'cap-skin', label: 'skin of the cap', gamma: 0.4 }],
  sources: [
    {
      id: 'mycologia',
      label: 'Dallow’s caps',
      kind: 'book',
      citation: 'S. Dallow, 1936. Caps and brackets of the Tessary Isles. Quell Harbour.',
    },
    {
      id: 'basket-notes',
      label: 'Basket notes',
      kind: 'records',
      citation: 'Quell Harbour station, 2011–2019. Notes on 214 baskets brought in to be looked through.',
    },
  ],
  policy: { kind: 'prefer', order: ['mycologia', 'basket-notes'] },
  scores,
  occurrence: [
    { kind: 'habitat', taxon: 'fulva', habitat: 'needles', frequency: 0.9 },
    { kind: 'habitat', taxon: 'caerulea', habitat: 'leaf-litter', frequency: 0.9 },
    { kind: 'habitat', taxon: 'caerulea', habitat: 'needles', frequency: 0.2 },
    { kind: 'habitat', taxon: 'pallens', habitat: 'leaf-litter', frequency: 0.8 },
    { kind: 'habitat', taxon: 'pallens', habitat: 'needles', frequency: 0.3 },
  ],
  regions: [{ id: 'south-tessary', label: 'South Tessary' }],
  habitats: [
    { id: 'leaf-litter', label: 'under broad leaves' },
    { id: 'needles', label: 'among needles' },
    { id: 'meadow-edge', label: 'along the meadow' },
  ],
  views: [
    { id: 'side', label: 'from the side' },
    { id: 'above', label: 'from above' },
    { id: 'below', label: 'from below' },
    { id: 'cut', label: 'cut through' },
  ],
  glossary: [
    {
      id: 'gills',
      term: 'gills',
      also: ['lamellae'],
      text: 'Blades under the cap that run from its edge to the stalk.',
      figure: { character: 'under', states: ['gills'] },
    },
    {
      id: 'ring',
      term: 'ring',
      also: ['annulus'],
      text: 'What is left on the stalk of the skin that joined it to the cap; rain takes it away.',
      figure: { character: 'stalk', states: ['ringed'] },
    },
    {
      id: 'boss',
      term: 'boss',
      also: ['umbo'],
      text: 'A knob in the middle of the cap.',
      figure: { character: 'profile', states: ['umbonate'] },
    },
    {
      id: 'spore-print',
      term: 'spore print',
      text: 'What falls from a cap laid on paper: the colour of its spores in mass.',
      figure: { character: 'print', states: ['white', 'rust'] },
    },
  ],
});
