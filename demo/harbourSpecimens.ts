import type { Reading } from '@plesion/core/observation';
import type { DemoSpecimen } from './specimens';

const id = (n: number) => `0192f3a0-0000-7042-8000-${String(n).padStart(12, '0')}`;
const name = (n: number) => `0192f3a0-0000-7043-8000-${String(n).padStart(12, '0')}`;
const state = (character: string, ...states: string[]): Reading => ({ id: `${character}-1`, character, states });
const value = (character: string, v: number, error?: number): Reading => ({ id: `${character}-1`, character, value: v, error });

/** A week round the harbour: a ringed tern, one overhead, a plant at the ditch, a moth in a cage. */
export const harbourSpecimens: DemoSpecimen[] = [
  {
    id: id(1),
    guide: 'tessary-terns',
    label: 'R 2041',
    situation: {
      subject: 'live',
      views: ['perched', 'below', 'hand'],
      distance: 'hand',
      light: 'fair',
      handling: 'instrument',
      place: 'Skerry Bar, ringing table',
      region: 'east-cays',
      habitat: 'shell-bank',
      date: '2026-05-28',
      note: 'Ringed by licence; let go after four minutes.',
    },
    readings: [
      value('wing-chord', 269, 2),
      value('leg-ratio', 0.49, 0.02),
      state('tail-reach', 'beyond'),
      state('primary-tips', 'line'),
      value('primary-gap', 13.5, 0.6),
      value('fork-ratio', 0.58, 0.03),
      state('cap', 'full'),
      state('bill-tip', 'same'),
      state('underparts', 'grey'),
      state('brood-patch', 'bare'),
    ],
    determinations: [
      {
        id: name(1),
        qualifier: 'none',
        taxon: 'consors',
        facets: { stage: 'adult', season: 'breeding' },
        by: 'demo',
        at: '2026-05-28T10:40:00Z',
        p: 0.98,
        recommended: 'Halistris consors, adult, breeding dress.',
        overruled: false,
        guideVersion: 1,
      },
    ],
  },
  {
    id: id(2),
    guide: 'tessary-terns',
    label: '',
    situation: {
      subject: 'live',
      views: ['below', 'head-on', 'alive'],
      distance: 'far',
      light: 'glare',
      handling: 'look',
      place: 'Quell Harbour, pier head',
      region: 'main-shore',
      habitat: 'open-sea',
      date: '2026-06-02',
      circumstances: ['windy'],
    },
    readings: [state('primary-tips', 'wedge'), state('wing-posture', 'bowed'), state('fishing', 'plunge')],
    determinations: [],
  },
  {
    id: id(3),
    guide: 'bog-umbels',
    label: 'U-3',
    situation: {
      subject: 'live',
      views: ['habit', 'leaf', 'umbel'],
      distance: 'near',
      light: 'fair',
      handling: 'look',
      place: 'Mill ditch',
      region: 'south-tessary',
      habitat: 'ditch',
      company: ['open-water'],
      date: '2026-06-08',
      note: 'A grazing pen begins ten paces away.',
    },
    readings: [
      state('bears', 'flowers'),
      state('stem-marks', 'blotched'),
      state('ray-spread', 'domed'),
      state('leaflet-shape', 'lance'),
    ],
    determinations: [],
  },
  {
    id: id(4),
    guide: 'lantern-moths',
    label: 'C7-114',
    situation: {
      subject: 'live',
      views: ['spread', 'rest'],
      distance: 'near',
      light: 'lamp',
      handling: 'look',
      place: 'Breeding room, cage 7',
      region: 'quell-harbour',
      habitat: 'cage',
      date: '2026-06-10',
    },
    readings: [
      state('antenna', 'thread'),
      state('ground-colour', 'pale'),
      state('abdomen', 'plain'),
      state('rest-posture', 'roof'),
      state('hind-border', 'narrow'),
      state('lantern', 'round'),
      value('wing-length', 24.5, 0.4),
    ],
    determinations: [],
  },
];
