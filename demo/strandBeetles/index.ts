import { Guide } from '@plesion/core/guide';
import { withProtocols } from '../protocols';
import { characters } from './characters';
import { protocols } from './protocols';
import { glossary } from './glossary';
import { scores } from './scores';
import { taxa } from './taxa';

/** The strand beetles of the Tessary Isles. Everything in it is invented. */
export const strandBeetles: Guide = Guide.parse({
  format: 'plesion-guide',
  formatVersion: 1,
  id: 'strand-beetles',
  title: 'Strand beetles of the Tessary Isles',
  summary:
    'Twenty-two beetles of wrack, shingle and dune foot, told under the lens: feet, jaws, rows of punctures, and sizes that lie near each other. ' +
    'Two keys lead to their names, and do not agree.',
  group: 'Strand beetles (Lithonyx and kin)',
  area: 'Tessary Isles, strand and dune foot',
  caution:
    'Collecting and keeping specimens needs a permit here, and one species is protected. Killing fluids are poisons: work in moving air and keep them from skin and eyes.',
  plan: 'beetle',
  facets: {
    sex: [
      { id: 'male', label: 'male' },
      { id: 'female', label: 'female' },
    ],
  },
  taxa,
  characters: withProtocols(characters, protocols),
  dependence: [
    { id: 'size', label: 'size', gamma: 0.6 },
    { id: 'proportion', label: 'proportion', gamma: 0.3 },
    { id: 'pronotum', label: 'form of the neck shield', gamma: 0.3 },
    { id: 'sculpture', label: 'sculpture of the wing cases', gamma: 0.35 },
    { id: 'mouth', label: 'mouthparts', gamma: 0.4 },
    { id: 'foot', label: 'the hind foot', gamma: 0.3 },
    { id: 'colour', label: 'colour', gamma: 0.45 },
  ],
  sources: [
    {
      id: 'selwith',
      label: 'Selwith’s handbook',
      kind: 'book',
      citation: 'I. Selwith, 1954. Handbook of the strand beetles. Quell Harbour.',
    },
    {
      id: 'tolmar',
      label: 'Tolmar’s revision',
      kind: 'paper',
      citation: 'A. Tolmar, 1998. The strand beetles measured anew. Annals of the Tessary Station 9: 101–164.',
    },
  ],
  policy: { kind: 'prefer', order: ['selwith', 'tolmar'] },
  scores,
  occurrence: [
    { kind: 'habitat', taxon: 'fucalis', habitat: 'wrack', frequency: 0.9 },
    { kind: 'habitat', taxon: 'fucalis', habitat: 'dune-foot', frequency: 0.1 },
    { kind: 'habitat', taxon: 'arenossa', habitat: 'dune-foot', frequency: 0.9 },
    { kind: 'habitat', taxon: 'arenossa', habitat: 'shingle', frequency: 0.1 },
    { kind: 'habitat', taxon: 'vadomera', habitat: 'wrack', frequency: 0.6 },
    { kind: 'habitat', taxon: 'lithonyx', habitat: 'shingle', frequency: 0.9 },
    { kind: 'habitat', taxon: 'lithonyx', habitat: 'dune-foot', frequency: 0.4 },
    { kind: 'range', taxon: 'obtusa', region: 'ostren', frequency: 0.8 },
    { kind: 'range', taxon: 'obtusa', region: 'north-tessary', frequency: 0.02 },
    { kind: 'range', taxon: 'dentipes', region: 'ostren', frequency: 0.6 },
    { kind: 'range', taxon: 'dentipes', region: 'south-tessary', frequency: 'never' },
  ],
  regions: [
    { id: 'north-tessary', label: 'North Tessary' },
    { id: 'south-tessary', label: 'South Tessary' },
    { id: 'ostren', label: 'Ostren' },
  ],
  habitats: [
    { id: 'wrack', label: 'Wrack line' },
    { id: 'shingle', label: 'Shingle' },
    { id: 'dune-foot', label: 'Dune foot' },
  ],
  views: [
    { id: 'dorsal', label: 'from above' },
    { id: 'lateral', label: 'from the side' },
    { id: 'head', label: 'head from the front' },
    { id: 'hind-leg', label: 'hind leg' },
  ],
  glossary,
});
