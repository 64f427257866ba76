import { Guide } from '@plesion/core/guide';
import { withProtocols } from '../protocols';
import { characters } from './characters';
import { protocols } from './protocols';
import { scores } from './scores';

/** The ledge crabs of the Tessary Isles. Everything in it is invented. */
export const ledgeCrabs: Guide = Guide.parse({
  format: 'plesion-guide',
  formatVersion: 1,
  id: 'ledge-crabs',
  title: 'Ledge crabs of the Tessary Isles',
  summary:
    'Three species of Petralda share the rock ledges. Young crabs and the pale and banded morphs are the usual trouble; ' +
    'one species has two island subspecies that are hard to tell apart and that one author sinks.',
  group: 'Ledge crabs (Petralda)',
  area: 'Tessary Isles, between the tides',
  caution:
    'A ledge crab pinches hard, and ledges are slippery under a rising tide. Handle crabs only where local law and your permit allow; ' +
    'hold them low over the water and put them back where they were. Shellfish can provoke allergy. If hurt, seek medical help.',
  plan: 'crab',
  facets: {
    stage: [
      { id: 'adult', label: 'adult' },
      { id: 'juvenile', label: 'juvenile' },
    ],
    sex: [
      { id: 'female', label: 'female' },
      { id: 'male', label: 'male' },
    ],
    morph: [
      { id: 'plain', label: 'plain' },
      { id: 'banded', label: 'banded' },
      { id: 'pale', label: 'pale' },
    ],
  },
  taxa: [
    { id: 'petralda', name: 'Petralda', rank: 'genus', authority: 'Ormery, 1871', vernacular: 'ledge crabs' },
    {
      id: 'cinerata',
      name: 'Petralda cinerata',
      rank: 'species',
      parent: 'petralda',
      authority: 'Ormery, 1871',
      vernacular: 'ashen ledge crab',
      names: [
        { name: 'Petralda littorea', kind: 'former', note: 'Ormery’s first name for it, given up in 1889.' },
        { name: 'greyback', kind: 'nickname' },
      ],
      abundance: 5,
      forms: [
        { share: 0.7, facets: { stage: { adult: 1 }, sex: { female: 0.5, male: 0.5 }, morph: { plain: 0.85, banded: 0.15 } } },
        { share: 0.3, facets: { stage: { juvenile: 1 } } },
      ],
    },
    {
      id: 'murica',
      name: 'Petralda murica',
      rank: 'species',
      parent: 'petralda',
      authority: '(Vask, 1889)',
      vernacular: 'thorned ledge crab',
      names: [{ name: 'banded ledge crab', kind: 'misleading', note: 'It is the one species that is never banded.' }],
      hazards: [
        {
          kind: 'bite',
          grade: 'slight',
          text: 'A large thorned crab draws blood with its claw.',
          facets: { stage: ['adult'] },
          threshold: 0.2,
        },
      ],
      abundance: 3,
      forms: [
        { share: 0.72, facets: { stage: { adult: 1 }, sex: { female: 0.5, male: 0.5 }, morph: { plain: 0.9, pale: 0.1 } } },
        { share: 0.28, facets: { stage: { juvenile: 1 } } },
      ],
    },
    {
      id: 'velloma',
      name: 'Petralda velloma',
      rank: 'species',
      parent: 'petralda',
      authority: 'Dunmarrow, 1902',
      vernacular: 'saddled ledge crab',
    },
    {
      id: 'velloma-velloma',
      name: 'Petralda velloma velloma',
      rank: 'subspecies',
      parent: 'velloma',
      authority: 'Dunmarrow, 1902',
      vernacular: 'northern saddled ledge crab',
      abundance: 2,
      forms: [
        { share: 0.68, facets: { stage: { adult: 1 }, sex: { female: 0.5, male: 0.5 }, morph: { plain: 0.8, banded: 0.2 } } },
        { share: 0.32, facets: { stage: { juvenile: 1 } } },
      ],
    },
    {
      id: 'velloma-ostrena',
      name: 'Petralda velloma ostrena',
      rank: 'subspecies',
      parent: 'velloma',
      authority: 'Vask, 1911',
      vernacular: 'Ostren saddled ledge crab',
      abundance: 1,
      note: 'Sunk into velloma by the revision of 2009.',
      forms: [
        { share: 0.68, facets: { stage: { adult: 1 }, sex: { female: 0.5, male: 0.5 }, morph: { plain: 1 } } },
        { share: 0.32, facets: { stage: { juvenile: 1 } } },
      ],
    },
  ],
  characters: withProtocols(characters, protocols),
  dependence: [
    { id: 'abdomen', label: 'the abdomen', gamma: 0.7 },
    { id: 'size', label: 'overall size', gamma: 0.6 },
    { id: 'carapace-form', label: 'form of the carapace', gamma: 0.5 },
    { id: 'relief', label: 'relief of the back', gamma: 0.3 },
    { id: 'claws', label: 'proportions of the claw', gamma: 0.4 },
    { id: 'legs', label: 'proportions of the legs', gamma: 0.4 },
    { id: 'markings', label: 'banding', gamma: 0.5 },
    { id: 'colour', label: 'colour', gamma: 0.3 },
  ],
  sources: [
    {
      id: 'handbook',
      label: 'Vask’s handbook',
      kind: 'book',
      citation: 'E. Vask, 1984. A handbook of the shore life of the Tessary Isles, 3rd edition. Quell Harbour.',
    },
    {
      id: 'revision',
      label: 'Dunmarrow’s revision',
      kind: 'paper',
      citation: 'I. Dunmarrow, 2009. Petralda revised: three species, no subspecies. Annals of the Tessary Station 12: 41–77.',
    },
  ],
  policy: { kind: 'prefer', order: ['handbook', 'revision'] },
  scores,
  occurrence: [
    { kind: 'range', taxon: 'cinerata', region: 'north-tessary', frequency: 0.9 },
    { kind: 'range', taxon: 'cinerata', region: 'south-tessary', frequency: 0.9 },
    { kind: 'range', taxon: 'cinerata', region: 'ostren', frequency: 0.5 },
    { kind: 'range', taxon: 'murica', region: 'north-tessary', frequency: 0.4 },
    { kind: 'range', taxon: 'murica', region: 'south-tessary', frequency: 0.9 },
    { kind: 'range', taxon: 'murica', region: 'ostren', frequency: 0.6 },
    { kind: 'range', taxon: 'velloma-velloma', region: 'north-tessary', frequency: 0.9 },
    { kind: 'range', taxon: 'velloma-velloma', region: 'south-tessary', frequency: 0.3 },
    { kind: 'range', taxon: 'velloma-velloma', region: 'ostren', frequency: 0.05 },
    { kind: 'range', taxon: 'velloma-ostrena', region: 'ostren', frequency: 0.9 },
    { kind: 'range', taxon: 'velloma-ostrena', region: 'south-tessary', frequency: 0.05 },
    { kind: 'habitat', taxon: 'cinerata', habitat: 'high-ledge', frequency: 0.6 },
    { kind: 'habitat', taxon: 'cinerata', habitat: 'middle-ledge', frequency: 0.8 },
    { kind: 'habitat', taxon: 'cinerata', habitat: 'low-shore', frequency: 0.3 },
    { kind: 'habitat', taxon: 'cinerata', habitat: 'rock-pool', frequency: 0.5 },
    { kind: 'habitat', taxon: 'murica', habitat: 'middle-ledge', frequency: 0.3 },
    { kind: 'habitat', taxon: 'murica', habitat: 'low-shore', frequency: 0.9 },
    { kind: 'habitat', taxon: 'murica', habitat: 'rock-pool', frequency: 0.6 },
    { kind: 'habitat', taxon: 'velloma', habitat: 'high-ledge', frequency: 0.9 },
    { kind: 'habitat', taxon: 'velloma', habitat: 'middle-ledge', frequency: 0.5 },
    { kind: 'habitat', taxon: 'velloma', habitat: 'rock-pool', frequency: 0.2 },
    {
      kind: 'date',
      taxon: 'petralda',
      facets: { stage: ['juvenile'] },
      curve: [
        ['01-15', 0.3],
        ['04-15', 0.15],
        ['07-15', 0.6],
        ['08-20', 1],
        ['10-15', 0.8],
      ],
    },
  ],
  treatments: [
    {
      id: 'handbook',
      label: 'Vask: two subspecies',
      explanation: 'Keeps the northern and the Ostren saddled crab apart.',
    },
    {
      id: 'revision',
      label: 'Dunmarrow: no subspecies',
      explanation: 'Sinks both into Petralda velloma, since their measurements meet on South Tessary.',
      sinks: ['velloma-velloma', 'velloma-ostrena'],
    },
  ],
  unions: [
    {
      id: 'female-or-young',
      label: 'adult female or young of either sex',
      of: [{ stage: ['adult'], sex: ['female'] }, { stage: ['juvenile'] }],
    },
  ],
  regions: [
    { id: 'north-tessary', label: 'North Tessary' },
    { id: 'south-tessary', label: 'South Tessary' },
    { id: 'ostren', label: 'Ostren' },
  ],
  habitats: [
    { id: 'high-ledge', label: 'High ledge' },
    { id: 'middle-ledge', label: 'Middle ledge' },
    { id: 'low-shore', label: 'Low shore' },
    { id: 'rock-pool', label: 'Rock pool' },
  ],
  views: [
    { id: 'dorsal', label: 'from above' },
    { id: 'ventral', label: 'from below' },
    { id: 'front', label: 'from the front' },
    { id: 'alive', label: 'alive and moving' },
  ],
});
