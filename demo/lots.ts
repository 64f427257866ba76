import type { LotWrite } from '@plesion/contract';
import type { Reading } from '@plesion/core/observation';
import type { DemoSpecimen } from './specimens';

/** A lot of the demo station; `guide` is the guide's own id. */
export interface DemoLot extends Omit<LotWrite, 'version' | 'guideId' | 'hidden'> {
  id: string;
  guide: string;
}

const id = (kind: number, n: number) => `0192f3a0-0000-7${String(kind).padStart(3, '0')}-8000-${String(n).padStart(12, '0')}`;
const SPECIMEN = 31;
const LOT = 32;

const state = (character: string, ...states: string[]): Reading => ({ id: `${character}-1`, character, states });
const value = (character: string, v: number, error?: number): Reading => ({ id: `${character}-1`, character, value: v, error });
const missing = (character: string, reason: string): Reading => ({
  id: `${character}-1`,
  character,
  status: 'not-visible',
  reason,
});

const beetle = (n: number, label: string, place: string, habitat: string, note: string, readings: Reading[]): DemoSpecimen => ({
  id: id(SPECIMEN, n),
  guide: 'strand-beetles',
  label,
  situation: {
    subject: 'dead',
    distance: 'hand',
    light: 'lamp',
    handling: 'instrument',
    place,
    habitat,
    region: 'north-tessary',
    date: '2026-04-18',
    note,
  },
  readings,
  determinations: [],
});

/** Pitfall lots of one night: a damaged series of one kind, and a tube into which two kinds went. */
export const beetleSpecimens: DemoSpecimen[] = [
  beetle(1, 'W7 no. 1', 'Quell Strand, pitfall 7', 'shingle', 'Both hind legs gone.', [
    value('body-length', 6.4, 0.1),
    state('elytra-hair', 'bare'),
    missing('foot-segments', 'hind legs gone'),
    missing('hind-thigh', 'hind legs gone'),
  ]),
  beetle(2, 'W7 no. 2', 'Quell Strand, pitfall 7', 'shingle', 'Head crushed.', [
    value('foot-segments', 5),
    missing('mandible', 'head crushed'),
    state('hind-thigh', 'slender'),
  ]),
  beetle(3, 'W7 no. 3', 'Quell Strand, pitfall 7', 'shingle', 'Whole, dusty.', [
    value('elytra-ratio', 1.62, 0.02),
    value('puncture-rows', 9),
  ]),
  beetle(4, 'W7 no. 4', 'Quell Strand, pitfall 7', 'shingle', 'Wing cases only.', [
    value('elytra-ratio', 1.64, 0.02),
    state('row-punctures', 'coarse'),
  ]),
  beetle(5, 'D2 no. 1', 'Ostren dunes, pitfall 2', 'dune-foot', 'Whole.', [
    value('body-length', 5.9, 0.1),
    state('hind-thigh', 'swollen'),
    state('clypeus', 'lobed'),
    state('elytra-hair', 'dense'),
  ]),
  beetle(6, 'D2 no. 2', 'Ostren dunes, pitfall 2', 'dune-foot', 'One wing case lost.', [
    value('body-length', 6.1, 0.1),
    state('hind-thigh', 'swollen'),
    state('elytra-hair', 'bare'),
    state('elytra-pattern', 'band'),
  ]),
  beetle(7, 'D2 no. 3', 'Ostren dunes, pitfall 2', 'dune-foot', 'Whole, wet.', [
    state('elytra-hair', 'dense'),
    state('elytra-pattern', 'plain'),
  ]),
  beetle(8, 'S4', 'Skerry Bar, under a stone', 'shingle', 'Near the line between the two double stone-claws.', [
    value('body-length', 6.3, 0.1),
    state('claws', 'simple'),
    state('hind-angle', 'drawn-out'),
    state('pronotum-groove', 'deep'),
  ]),
];

export const demoLots: DemoLot[] = [
  {
    id: id(LOT, 1),
    guide: 'strand-beetles',
    label: 'W7, four from one pitfall',
    specimens: [1, 2, 3, 4].map((n) => id(SPECIMEN, n)),
    note: 'None of them is whole but the third.',
  },
  {
    id: id(LOT, 2),
    guide: 'strand-beetles',
    label: 'D2, three from the dunes',
    specimens: [5, 6, 7].map((n) => id(SPECIMEN, n)),
  },
];
