import { Guide } from '@plesion/core/guide';
import { withProtocols } from '../protocols';
import { characters } from './characters';
import { field } from './field';
import { protocols } from './protocols';
import { glossary } from './glossary';
import { scores } from './scores';
import { taxa } from './taxa';

/** The terns of the Tessary Isles. Everything in it is invented. */
export const terns: Guide = Guide.parse({
  format: 'plesion-guide',
  formatVersion: 1,
  id: 'tessary-terns',
  title: 'Terns of the Tessary Isles',
  summary:
    'Five terns in four plumages, at rest and overhead. Two overlap in almost everything; one wears another’s dress; and the white forehead that everybody looks for comes with the season.',
  group: 'Terns (Halistris)',
  area: 'Tessary Isles, coasts and skerries',
  caution:
    'Stay out of colonies: eggs chill and chicks are lost within minutes. Catching and ringing need a licence. Sick or dead birds can carry illness to people: do not handle them, report them.',
  plan: 'tern',
  facets: {
    stage: [
      { id: 'juvenile', label: 'juvenile' },
      { id: 'immature', label: 'first summer' },
      { id: 'adult', label: 'adult' },
    ],
    season: [
      { id: 'breeding', label: 'breeding dress' },
      { id: 'winter', label: 'winter dress' },
    ],
  },
  taxa,
  characters: withProtocols(characters, protocols),
  dependence: [
    { id: 'size', label: 'size', gamma: 0.6 },
    { id: 'bill', label: 'form of the bill', gamma: 0.35 },
    { id: 'tail', label: 'the tail', gamma: 0.5 },
    { id: 'cap', label: 'the head', gamma: 0.3 },
    { id: 'age', label: 'signs of age', gamma: 0.4 },
    { id: 'underwing', label: 'under the hand', gamma: 0.4 },
    { id: 'bare-parts', label: 'bill and legs', gamma: 0.45 },
    { id: 'darkness', label: 'darkness of the plumage', gamma: 0.5 },
  ],
  sources: [
    {
      id: 'tern-book',
      label: 'Dallow’s tern book',
      kind: 'book',
      citation: 'R. Dallow, 1937. The terns of the Tessary Isles. Quell Harbour.',
    },
    {
      id: 'ring-records',
      label: 'Ring records',
      kind: 'records',
      citation: 'Quell Harbour ringing station, 2009–2024. 1,140 terns in the hand, verified by recapture at the nest.',
    },
    {
      id: 'autumn-paper',
      label: 'Merrin’s autumn paper',
      kind: 'paper',
      citation: 'L. Merrin, 1958. On young terns in autumn. Annals of the Tessary Station 3: 77–90.',
    },
  ],
  policy: { kind: 'prefer', order: ['tern-book', 'ring-records', 'autumn-paper'] },
  scores,
  field,
  occurrence: [
    { kind: 'range', taxon: 'crinita-crinita', region: 'outer-skerries', frequency: 0.8 },
    { kind: 'range', taxon: 'crinita-crinita', region: 'east-cays', frequency: 0.15 },
    { kind: 'range', taxon: 'crinita-palliax', region: 'outer-skerries', frequency: 0.2 },
    { kind: 'range', taxon: 'crinita-palliax', region: 'east-cays', frequency: 0.8 },
    { kind: 'range', taxon: 'consors', region: 'main-shore', frequency: 0.4 },
    { kind: 'range', taxon: 'consors', region: 'east-cays', frequency: 0.8 },
    { kind: 'range', taxon: 'sodalis', region: 'main-shore', frequency: 0.9 },
    { kind: 'range', taxon: 'sodalis', region: 'east-cays', frequency: 0.5 },
    { kind: 'habitat', taxon: 'nivalis', habitat: 'shell-bank', frequency: 0.9 },
    { kind: 'habitat', taxon: 'nivalis', habitat: 'open-sea', frequency: 0.05 },
    { kind: 'habitat', taxon: 'crinita', habitat: 'shell-bank', frequency: 0.2 },
    { kind: 'company', taxon: 'furtiva', company: 'ring-tern-colony', frequency: 0.85 },
    { kind: 'company', taxon: 'sodalis', company: 'ring-tern-colony', frequency: 0.7 },
    { kind: 'company', taxon: 'nivalis', company: 'ring-tern-colony', frequency: 0.1 },
    { kind: 'company', taxon: 'furtiva', company: 'ring-tern-parent', frequency: 0.9 },
    { kind: 'company', taxon: 'consors', company: 'ring-tern-parent', frequency: 0.01 },
    { kind: 'company', taxon: 'sodalis', company: 'ring-tern-parent', frequency: 0.9 },
    {
      kind: 'date',
      taxon: 'halistris',
      facets: { season: ['breeding'] },
      curve: [
        ['01-15', 0.02],
        ['03-20', 0.5],
        ['04-15', 1],
        ['07-20', 1],
        ['09-10', 0.3],
        ['10-20', 0.03],
      ],
    },
    {
      kind: 'date',
      taxon: 'halistris',
      facets: { season: ['winter'] },
      curve: [
        ['02-15', 1],
        ['04-10', 0.15],
        ['06-15', 0.02],
        ['08-10', 0.25],
        ['10-01', 1],
      ],
    },
    {
      kind: 'date',
      taxon: 'halistris',
      facets: { stage: ['juvenile'] },
      curve: [
        ['01-31', 0.2],
        ['05-31', 0.01],
        ['07-01', 0.6],
        ['08-01', 1],
        ['11-30', 0.7],
      ],
    },
  ],
  regions: [
    { id: 'main-shore', label: 'Main shore' },
    { id: 'outer-skerries', label: 'Outer skerries' },
    { id: 'east-cays', label: 'East cays' },
  ],
  habitats: [
    { id: 'shell-bank', label: 'Shell banks' },
    { id: 'harbour', label: 'Harbours and piers' },
    { id: 'open-sea', label: 'Open sea' },
  ],
  views: [
    { id: 'perched', label: 'at rest, from the side' },
    { id: 'below', label: 'in flight, from below' },
    { id: 'head-on', label: 'in flight, from in front' },
    { id: 'hand', label: 'in the hand' },
    { id: 'alive', label: 'alive, moving' },
  ],
  circumstances: [
    { id: 'backlit', label: 'against the light' },
    { id: 'windy', label: 'in strong wind' },
    { id: 'wet', label: 'wet plumage' },
  ],
  company: [
    { id: 'ring-tern-colony', label: 'in a colony of ring terns', kind: 'neighbour' },
    { id: 'ring-tern-parent', label: 'fed by a ring tern', kind: 'parent' },
  ],
  treatments: [
    { id: 'dallow', label: 'Dallow: two maned terns', explanation: 'Keeps the pale and the cloaked maned tern as subspecies.' },
    {
      id: 'station',
      label: 'Station list: one maned tern',
      explanation: 'Sinks both into Halistris crinita: the tone of the back runs from one into the other.',
      sinks: ['crinita-crinita', 'crinita-palliax'],
    },
  ],
  glossary,
});
