import type { SpecimenWrite } from '@plesion/contract';
import type { Determination } from '@plesion/core/specimen';
import type { Reading } from '@plesion/core/evidence';

/** A specimen of the demo daybook; `guide` is the guide's own id. */
export interface DemoSpecimen extends Omit<SpecimenWrite, 'version' | 'guideId' | 'hidden'> {
  id: string;
  guide: string;
}

const id = (kind: number, n: number) => `0192f3a0-0000-7${String(kind).padStart(3, '0')}-8000-${String(n).padStart(12, '0')}`;
const state = (character: string, ...states: string[]): Reading => ({ id: `${character}-1`, character, states });
const value = (character: string, v: number, error?: number): Reading => ({ id: `${character}-1`, character, value: v, error });
const hidden = (character: string, reason: string): Reading => ({
  id: `${character}-1`,
  character,
  status: 'not-visible',
  reason,
});

const named = (
  n: number,
  given: Pick<Determination, 'qualifier' | 'p' | 'recommended' | 'at'> & Partial<Determination>,
): Determination => ({
  id: id(2, n),
  facets: {},
  by: 'demo',
  overruled: false,
  guideVersion: 1,
  ...given,
});

const bench = {
  views: ['dorsal', 'ventral', 'front', 'alive'],
  distance: 'hand',
  light: 'fair',
  handling: 'instrument',
} as const;
const glimpse = { views: ['dorsal', 'alive'], distance: 'far', light: 'glare', handling: 'look' } as const;

/** A spring on the ledges: settled names, a pair that would not part, a young one, one still open. */
export const demoSpecimens: DemoSpecimen[] = [
  {
    id: id(1, 1),
    guide: 'ledge-crabs',
    label: 'L4-01',
    situation: {
      ...bench,
      views: [...bench.views],
      place: 'Quell Harbour, ledge 4',
      region: 'north-tessary',
      habitat: 'middle-ledge',
      date: '2026-05-12',
      latitude: -41.2071,
      longitude: -28.1143,
      note: 'Under weed, ebb tide.',
    },
    readings: [
      state('abdomen', 'narrow'),
      value('carapace-width', 28.4, 0.3),
      value('width-ratio', 1.31, 0.02),
      state('front-edge', 'two-lobes'),
      value('side-teeth', 5),
      state('tooth-form', 'blunt'),
      state('granules', 'scattered'),
      state('back-pattern', 'plain'),
      state('leg-bands', 'faint'),
      state('claw-tips', 'dark-tip'),
      state('ground-colour', 'slate'),
    ],
    determinations: [
      named(1, {
        qualifier: 'none',
        taxon: 'cinerata',
        facets: { stage: 'adult', sex: 'male', morph: 'plain' },
        p: 0.999,
        at: '2026-05-12T10:42:00.000Z',
        recommended: 'Species yes: Petralda cinerata, adult, male, plain, over 999 in 1000.',
      }),
    ],
  },
  {
    id: id(1, 2),
    guide: 'ledge-crabs',
    label: 'L4-02',
    situation: {
      ...bench,
      views: [...bench.views],
      place: 'Quell Harbour, ledge 4',
      region: 'north-tessary',
      habitat: 'low-shore',
      date: '2026-05-12',
      latitude: -41.2071,
      longitude: -28.1143,
    },
    readings: [
      state('abdomen', 'broad'),
      state('eggs', 'carried'),
      value('carapace-width', 32.6, 0.3),
      value('width-ratio', 1.15, 0.02),
      state('front-edge', 'three-teeth'),
      value('side-teeth', 4),
      state('granules', 'dense'),
      state('claw-gape', 'gaping'),
      state('leg-fringe', 'dense'),
      state('ground-colour', 'rust'),
      state('back-pattern', 'plain'),
    ],
    determinations: [
      named(2, {
        qualifier: 'none',
        taxon: 'murica',
        facets: { stage: 'adult', sex: 'female', morph: 'plain' },
        p: 0.999,
        at: '2026-05-12T11:05:00.000Z',
        recommended: 'Species yes: Petralda murica, adult, female, plain, over 999 in 1000.',
      }),
    ],
  },
  {
    id: id(1, 3),
    guide: 'ledge-crabs',
    label: 'Gannet Steps, one of many',
    situation: {
      ...glimpse,
      views: [...glimpse.views],
      place: 'Gannet Steps',
      region: 'south-tessary',
      habitat: 'high-ledge',
      date: '2026-05-10',
      note: 'Gone into a crack before I could reach it.',
    },
    readings: [
      state('alarm', 'flees'),
      state('back-pattern', 'crossbands'),
      state('leg-bands', 'faint'),
      state('widest-point', 'third', 'middle'),
      hidden('front-edge', 'weed over the front'),
    ],
    determinations: [
      named(3, {
        qualifier: 'or',
        taxon: 'cinerata',
        other: 'velloma',
        facets: { morph: 'banded' },
        p: 0.96,
        at: '2026-05-10T15:20:00.000Z',
        overruled: true,
        reason: 'Banding rules out murica here, and nothing else was seen.',
        recommended: 'Not yet a name.',
      }),
    ],
  },
  {
    id: id(1, 4),
    guide: 'ledge-crabs',
    label: 'Ostren 7',
    situation: {
      ...bench,
      views: [...bench.views],
      place: 'Ostren, north slip',
      region: 'ostren',
      habitat: 'high-ledge',
      date: '2026-05-08',
      latitude: -40.8812,
      longitude: -27.5521,
    },
    readings: [
      state('abdomen', 'narrow'),
      value('carapace-width', 21.8, 0.3),
      state('front-edge', 'one-arch'),
      value('side-teeth', 6),
      state('granules', 'smooth'),
      state('rear-edge', 'hollowed'),
      value('leg-ratio', 1.44, 0.05),
      state('belly-spots', 'few'),
      value('width-ratio', 1.25, 0.02),
      state('claw-tips', 'dark-tip'),
      state('back-pattern', 'speckled'),
    ],
    determinations: [
      named(4, {
        qualifier: 'sp.',
        taxon: 'petralda',
        p: 0.99,
        at: '2026-05-08T09:10:00.000Z',
        overruled: true,
        reason: 'First look only; not measured yet.',
        recommended: 'Species yes: Petralda velloma.',
      }),
      named(5, {
        qualifier: 'none',
        taxon: 'velloma-ostrena',
        facets: { stage: 'adult', sex: 'male', morph: 'plain' },
        p: 0.99,
        at: '2026-05-08T09:55:00.000Z',
        recommended: 'Subspecies yes: Petralda velloma ostrena, adult, male, plain, over 99 in 100.',
      }),
    ],
  },
  {
    id: id(1, 5),
    guide: 'ledge-crabs',
    label: 'Pool 2, small',
    situation: {
      ...bench,
      views: [...bench.views],
      place: 'Quell Harbour, pool 2',
      region: 'north-tessary',
      habitat: 'rock-pool',
      date: '2026-05-05',
    },
    readings: [
      state('abdomen', 'slim'),
      value('carapace-width', 8.2, 0.3),
      state('back-pattern', 'speckled'),
      state('front-edge', 'two-lobes'),
    ],
    determinations: [
      named(6, {
        qualifier: 'cf.',
        taxon: 'cinerata',
        facets: { stage: 'juvenile' },
        p: 0.84,
        at: '2026-05-05T16:31:00.000Z',
        overruled: true,
        reason: 'Young ones are close; look again when it is grown.',
        recommended: 'Not yet a name.',
      }),
    ],
  },
  {
    id: id(1, 6),
    guide: 'ledge-crabs',
    label: 'Low-water pale one',
    situation: {
      ...bench,
      handling: 'hold',
      views: [...bench.views],
      place: 'Skerry Bar',
      region: 'south-tessary',
      habitat: 'low-shore',
      date: '2026-05-14',
    },
    readings: [state('abdomen', 'broad'), state('ground-colour', 'cream'), state('claw-gape', 'gaping')],
    determinations: [],
  },
];
