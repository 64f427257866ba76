import { Guide } from '@plesion/core/guide';
import { withProtocols } from '../protocols';
import { characters } from './characters';
import { protocols } from './protocols';
import { glossary } from './glossary';
import { heredity } from './heredity';
import { scores } from './scores';
import { taxa } from './taxa';

/** The lantern moths of the Tessary Isles. Everything in it is invented. */
export const lanternMoths: Guide = Guide.parse({
  format: 'plesion-guide',
  formatVersion: 1,
  id: 'lantern-moths',
  title: 'Lantern moths of the Tessary Isles',
  summary:
    'Five moths of walls and lamps, one of them bred in two strains and three morphs. One burns the skin, another wears its colours, two have females that nobody can tell, and the lantern itself proves nothing.',
  group: 'Lantern moths (Noctilume)',
  area: 'Tessary Isles, harbours and breeding cages',
  caution:
    'Hairs of the tufted lantern burn skin and eyes, also from dead moths and old cages. Look through glass; wear goggles when cages are cleaned. Moths bred here may not be set free: keeping them needs a permit.',
  plan: 'moth',
  facets: {
    sex: [
      { id: 'male', label: 'male' },
      { id: 'female', label: 'female' },
    ],
    morph: [
      { id: 'wild', label: 'wild type' },
      { id: 'pale', label: 'pale morph' },
      { id: 'smoke', label: 'smoke morph' },
    ],
  },
  taxa,
  characters: withProtocols(characters, protocols),
  dependence: [
    { id: 'size', label: 'size', gamma: 0.6 },
    { id: 'wing', label: 'form of the wing', gamma: 0.35 },
    { id: 'lantern', label: 'the lantern', gamma: 0.35 },
    { id: 'band', label: 'the midband', gamma: 0.3 },
    { id: 'hind', label: 'the hind wing', gamma: 0.35 },
    { id: 'colour', label: 'colour', gamma: 0.4 },
  ],
  sources: [
    {
      id: 'moth-book',
      label: 'Merrin’s moth book',
      kind: 'book',
      citation: 'L. Merrin, 1962. Moths at the harbour lamps. Quell Harbour.',
    },
    {
      id: 'cage-records',
      label: 'Cage records',
      kind: 'records',
      citation: 'Quell Harbour breeding room, 2013–2024. 2,310 moths of known parents.',
    },
    { id: 'light-trap', label: 'Light-trap log', kind: 'person', citation: 'J. Anstey, log of the pier lamp, 1998–2011.' },
  ],
  heredity,
  policy: { kind: 'prefer', order: ['moth-book', 'cage-records', 'light-trap'] },
  scores,
  occurrence: [
    { kind: 'range', taxon: 'lampas-borea', region: 'north-tessary', frequency: 0.9 },
    { kind: 'range', taxon: 'lampas-borea', region: 'quell-harbour', frequency: 0.5 },
    { kind: 'range', taxon: 'lampas-quella', region: 'quell-harbour', frequency: 0.9 },
    { kind: 'range', taxon: 'lampas-quella', region: 'north-tessary', frequency: 0.02 },
    { kind: 'range', taxon: 'urtica', region: 'north-tessary', frequency: 0.2 },
    { kind: 'range', taxon: 'urtica', region: 'quell-harbour', frequency: 0.6 },
    { kind: 'habitat', taxon: 'lampas', habitat: 'cage', frequency: 0.95 },
    { kind: 'habitat', taxon: 'vesperta', habitat: 'cage', frequency: 0.02 },
    { kind: 'habitat', taxon: 'crepera', habitat: 'cage', frequency: 0.02 },
    { kind: 'habitat', taxon: 'fallax', habitat: 'cage', frequency: 0.05 },
    { kind: 'habitat', taxon: 'urtica', habitat: 'cage', frequency: 0.02 },
    { kind: 'company', taxon: 'urtica', company: 'salt-nettle', frequency: 0.9 },
    { kind: 'company', taxon: 'fallax', company: 'salt-nettle', frequency: 0.1 },
    { kind: 'company', taxon: 'fallax', company: 'quay-willow', frequency: 0.8 },
    { kind: 'company', taxon: 'lampas', company: 'quay-willow', frequency: 0.7 },
    { kind: 'company', taxon: 'vesperta', company: 'wall-lichen', frequency: 0.8 },
    { kind: 'company', taxon: 'crepera', company: 'wall-lichen', frequency: 0.8 },
    {
      kind: 'date',
      taxon: 'vesperta',
      curve: [
        ['04-20', 0.05],
        ['05-25', 1],
        ['07-10', 0.4],
        ['08-01', 0.03],
      ],
    },
    {
      kind: 'date',
      taxon: 'crepera',
      curve: [
        ['06-20', 0.05],
        ['07-25', 1],
        ['09-10', 0.5],
        ['10-01', 0.03],
      ],
    },
  ],
  regions: [
    {
      ...{ id: 'north-tessary', label: 'North Tessary' },
      outline: [
        [-28.21, -40.97],
        [-28.12, -40.82],
        [-27.94, -40.81],
        [-27.86, -40.9],
        [-27.93, -41.02],
        [-28.1, -41.04],
      ],
    },
    {
      ...{ id: 'quell-harbour', label: 'Quell Harbour' },
      outline: [
        [-28.2, -41.21],
        [-28.04, -41.18],
        [-28.02, -41.27],
        [-28.1, -41.34],
        [-28.21, -41.31],
      ],
    },
  ],
  habitats: [
    { id: 'cage', label: 'Bred in a cage' },
    { id: 'lamp', label: 'At a lamp' },
    { id: 'wall', label: 'On a wall by day' },
  ],
  views: [
    { id: 'spread', label: 'wings spread' },
    { id: 'rest', label: 'at rest' },
    { id: 'below', label: 'from below' },
  ],
  circumstances: [{ id: 'newly-hatched', label: 'newly hatched' }],
  company: [
    { id: 'salt-nettle', label: 'on salt nettle', kind: 'host' },
    { id: 'quay-willow', label: 'on quay willow', kind: 'host' },
    { id: 'wall-lichen', label: 'on wall lichen', kind: 'host' },
  ],
  treatments: [
    {
      id: 'strains',
      label: 'Breeding room: two strains',
      explanation: 'Keeps Borea and Quella apart, as the breeding plan demands.',
    },
    {
      id: 'book',
      label: 'Merrin: one species',
      explanation: 'Knows no strains: both are Noctilume lampas.',
      sinks: ['lampas-borea', 'lampas-quella'],
    },
  ],
  costs: [
    { taxon: 'urtica', weight: 15, reason: 'its hairs burn skin and eyes' },
    { taxon: 'lampas-borea', weight: 3, reason: 'the strains must not be mixed' },
    { taxon: 'lampas-quella', weight: 3, reason: 'the strains must not be mixed' },
  ],
  glossary,
});
