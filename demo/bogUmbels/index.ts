import { Guide } from '@plesion/core/guide';
import { withProtocols } from '../protocols';
import { characters } from './characters';
import { protocols } from './protocols';
import { glossary } from './glossary';
import { scores } from './scores';
import { taxa } from './taxa';

/** The bog umbels of the Tessary Isles. Everything in it is invented. */
export const bogUmbels: Guide = Guide.parse({
  format: 'plesion-guide',
  formatVersion: 1,
  id: 'bog-umbels',
  title: 'Bog umbels of the Tessary Isles',
  summary:
    'Eight plants of ditch and bog. One kills, one blisters the skin, and one that looks like the first grows beside it. Two cannot be parted in the field, and the purple blotches that everybody fears decide nothing.',
  group: 'Bog umbels (Mirreline)',
  area: 'Tessary Isles, bogs and ditches',
  caution:
    'Do not taste any of these plants, and do not touch one that is not named yet: sap and sunlight together blister the skin. Children and grazing animals are at risk. If any was swallowed or skin is burnt, get medical help. No name given here makes a plant fit to eat.',
  plan: 'umbel',
  facets: {
    stage: [
      { id: 'rosette', label: 'leaves only' },
      { id: 'flowering', label: 'in flower' },
      { id: 'fruiting', label: 'in fruit' },
    ],
  },
  taxa,
  characters: withProtocols(characters, protocols),
  dependence: [
    { id: 'size', label: 'size', gamma: 0.6 },
    { id: 'leaf', label: 'cut of the leaf', gamma: 0.35 },
    { id: 'stem', label: 'the stem', gamma: 0.3 },
    { id: 'umbel', label: 'form of the umbel', gamma: 0.35 },
    { id: 'petals', label: 'petals', gamma: 0.3 },
    { id: 'fruit', label: 'the fruit', gamma: 0.3 },
  ],
  sources: [
    {
      id: 'bog-flora',
      label: 'Selwith’s bog flora',
      kind: 'book',
      citation: 'M. Selwith, 1949. Flora of the Tessary bogs. Quell Harbour.',
    },
    {
      id: 'tolmar-counts',
      label: 'Tolmar’s counts',
      kind: 'paper',
      citation: 'A. Tolmar, 1987. 310 bog umbels of counted chromosomes. Annals of the Tessary Station 8: 12–40.',
    },
    {
      id: 'poison-book',
      label: 'Harbour poison book',
      kind: 'book',
      citation: 'Harbour office, 1961. Plants that have harmed. Quell Harbour.',
    },
  ],
  policy: { kind: 'prefer', order: ['bog-flora', 'tolmar-counts', 'poison-book'] },
  scores,
  occurrence: [
    { kind: 'habitat', taxon: 'virosa', habitat: 'ditch', frequency: 0.7 },
    { kind: 'habitat', taxon: 'virosa', habitat: 'open-bog', frequency: 0.2 },
    { kind: 'habitat', taxon: 'larvata', habitat: 'ditch', frequency: 0.6 },
    { kind: 'habitat', taxon: 'caustica', habitat: 'stream-bank', frequency: 0.9 },
    { kind: 'habitat', taxon: 'caustica', habitat: 'open-bog', frequency: 0.02 },
    { kind: 'habitat', taxon: 'globata', habitat: 'stream-bank', frequency: 0.7 },
    { kind: 'habitat', taxon: 'minuta', habitat: 'open-bog', frequency: 0.9 },
    { kind: 'habitat', taxon: 'minuta', habitat: 'ditch', frequency: 0.02 },
    { kind: 'range', taxon: 'caustica', region: 'north-tessary', frequency: 0.6 },
    { kind: 'range', taxon: 'caustica', region: 'ostren', frequency: 0.05 },
    { kind: 'range', taxon: 'sororella', region: 'ostren', frequency: 0.8 },
    { kind: 'range', taxon: 'gemella', region: 'north-tessary', frequency: 0.8 },
    { kind: 'company', taxon: 'virosa', company: 'open-water', frequency: 0.9 },
    { kind: 'company', taxon: 'larvata', company: 'open-water', frequency: 0.5 },
    { kind: 'company', taxon: 'globata', company: 'mantle-sedge', frequency: 0.7 },
    { kind: 'company', taxon: 'minuta', company: 'pool-moss', frequency: 0.9 },
    {
      kind: 'date',
      taxon: 'mirreline',
      facets: { stage: ['flowering'] },
      curve: [
        ['04-15', 0.02],
        ['05-20', 0.4],
        ['06-20', 1],
        ['08-01', 0.6],
        ['09-10', 0.05],
      ],
    },
    {
      kind: 'date',
      taxon: 'mirreline',
      facets: { stage: ['fruiting'] },
      curve: [
        ['06-20', 0.03],
        ['08-01', 0.7],
        ['09-15', 1],
        ['11-15', 0.2],
      ],
    },
  ],
  regions: [
    { id: 'north-tessary', label: 'North Tessary' },
    { id: 'south-tessary', label: 'South Tessary' },
    { id: 'ostren', label: 'Ostren' },
  ],
  habitats: [
    { id: 'ditch', label: 'Ditches' },
    { id: 'stream-bank', label: 'Stream banks' },
    { id: 'open-bog', label: 'Open bog' },
  ],
  views: [
    { id: 'habit', label: 'the whole plant' },
    { id: 'leaf', label: 'a leaf' },
    { id: 'stem', label: 'the stem, and its section' },
    { id: 'umbel', label: 'an umbel' },
    { id: 'flower', label: 'an umbellet, close' },
    { id: 'fruit', label: 'a fruit, close' },
  ],
  circumstances: [{ id: 'drought', label: 'after weeks of drought' }],
  company: [
    { id: 'open-water', label: 'feet in open water', kind: 'neighbour' },
    { id: 'mantle-sedge', label: 'among mantle sedge', kind: 'neighbour' },
    { id: 'pool-moss', label: 'on pool moss', kind: 'host' },
  ],
  treatments: [
    { id: 'tolmar', label: 'Tolmar: eight umbels', explanation: 'Keeps the sister umbel, told by its chromosomes.' },
    {
      id: 'selwith',
      label: 'Selwith: larger names',
      explanation: 'Calls the sister umbel by the twin’s old variety name.',
      renames: { sororella: 'Mirreline gemella pusilla' },
    },
  ],
  costs: [
    { taxon: 'virosa', weight: 40, reason: 'it can kill' },
    { taxon: 'caustica', weight: 15, reason: 'it burns the skin' },
  ],
  glossary,
});
