export { type DemoLook, demoLooks } from './readings';

/** One of the cages' book, by its number; parents by theirs. */
export interface DemoKept {
  no: number;
  sex?: 'female' | 'male';
  /** How sure the call of its sex was, where it was not plain. */
  certainty?: number;
  hatched: string;
  father?: number;
  fathers?: number[];
  mother?: number;
  strain: string;
  pen: string;
  status?: 'here' | 'gone' | 'dead';
  /** The morph that was seen; and how sure, where the light was poor. */
  morph?: string;
  seenRightly?: number;
  note?: string;
}

const quell = { strain: 'Quell' } as const;
const north = { strain: 'North' } as const;
const mixed = { strain: 'Quell × North' } as const;

/** Young of one clutch, each as its number, sex and morph, and whether it is no longer here. */
const brood = (of: Omit<DemoKept, 'no' | 'sex' | 'morph'>, young: string[]): DemoKept[] =>
  young.map((one) => {
    const [no, sex, morph, status] = one.split(' ');
    return {
      ...of,
      ...{ no: Number(no), morph },
      ...(sex ? { sex: sex === 'f' ? 'female' : 'male' } : {}),
      ...(status ? { status: status as 'gone' | 'dead' } : {}),
    };
  });

/**
 * The lantern-moth cages of Quell Harbour. Number 17 was called a male, and shows what only a daughter can; the father
 * of number 64 cannot be right; number 63 may have one of two; number 62 was seen in poor light.
 */
export const demoColony: DemoKept[] = [
  { no: 1, sex: 'male', hatched: '2025-05-02', ...quell, pen: 'cage 1', morph: 'wild', status: 'dead' },
  { no: 2, sex: 'female', hatched: '2025-05-04', ...quell, pen: 'cage 1', morph: 'pale', status: 'dead' },
  { no: 3, sex: 'male', hatched: '2025-05-02', ...quell, pen: 'cage 2', morph: 'pale', status: 'dead' },
  { no: 4, sex: 'female', hatched: '2025-05-05', ...quell, pen: 'cage 2', morph: 'wild', status: 'dead' },
  { no: 5, sex: 'male', hatched: '2025-05-09', ...north, pen: 'cage 3', morph: 'smoke', status: 'dead' },
  { no: 6, sex: 'female', hatched: '2025-05-09', ...north, pen: 'cage 3', morph: 'smoke', status: 'dead' },
  ...brood({ father: 1, mother: 2, hatched: '2025-08-11', pen: 'cage 1', ...quell }, [
    ...['11 f wild', '12 m wild', '13 f wild', '14 m wild', '27 f wild dead', '28 m wild dead'],
  ]),
  ...brood({ father: 3, mother: 4, hatched: '2025-08-14', pen: 'cage 2', ...quell }, [
    ...['15 f pale', '16 m wild', '18 m wild', '19 f pale gone', '20 m wild dead'],
  ]),
  {
    ...{ no: 17, sex: 'male', certainty: 0.9, hatched: '2025-08-14', ...quell, father: 3, mother: 4, pen: 'cage 2' },
    ...{ morph: 'pale', note: 'Antennae worn; called a male by the size.' },
  },
  ...brood({ father: 5, mother: 6, hatched: '2025-08-20', pen: 'cage 3', ...north }, [
    ...['21 m smoke', '22 f wild', '23 f smoke', '24 m wild', '25 f smoke dead', '26 m wild gone'],
  ]),
  ...brood({ father: 12, mother: 23, hatched: '2026-05-03', pen: 'cage 4', ...mixed }, [
    ...['31 f pale', '32 f wild', '33 m smoke', '34 m wild', '35 f smoke'],
  ]),
  ...brood({ father: 24, mother: 22, hatched: '2026-05-05', pen: 'cage 3', ...north }, [
    ...['36 m wild', '37 f wild', '38 m wild', '39 f wild', '40 m wild dead'],
  ]),
  ...brood({ father: 16, mother: 15, hatched: '2026-05-06', pen: 'cage 2', ...quell }, [
    ...['41 m pale', '42 f wild', '43 m wild', '44 f pale'],
  ]),
  ...brood({ father: 18, mother: 13, hatched: '2026-05-09', pen: 'cage 1', ...quell }, [
    ...['45 f pale', '46 f wild', '47 m wild', '48 m wild', '49 f pale', '50 m wild gone'],
  ]),
  ...brood({ father: 21, mother: 11, hatched: '2026-05-12', pen: 'cage 6', ...mixed }, [
    ...['54 f smoke', '55 m wild', '56 m smoke', '57 f wild', '58 f smoke'],
  ]),
  ...brood({ father: 33, mother: 31, hatched: '2026-08-16', pen: 'cage 4', ...mixed }, ['51 m wild', '52 f smoke', '53 m smoke']),
  ...brood({ father: 43, mother: 35, hatched: '2026-08-19', pen: 'cage 5', ...mixed }, ['61 f smoke']),
  {
    ...{ no: 62, sex: 'male', hatched: '2026-08-19', ...mixed, father: 43, mother: 35, pen: 'cage 5', morph: 'wild' },
    seenRightly: 0.7,
    note: 'Seen by the red lamp only.',
  },
  { no: 63, sex: 'female', hatched: '2026-08-20', ...mixed, fathers: [43, 34], mother: 35, pen: 'cage 5', morph: 'pale' },
  { no: 64, sex: 'female', hatched: '2026-08-20', ...mixed, father: 43, mother: 42, pen: 'cage 2', morph: 'smoke' },
  ...brood({ father: 47, mother: 44, hatched: '2026-08-22', pen: 'cage 1', ...quell }, [
    ...['65 m wild', '66 f wild', '67 m pale', '68 f pale', '69 f wild'],
  ]),
  ...brood({ father: 56, mother: 46, hatched: '2026-08-23', pen: 'cage 6', ...mixed }, [
    ...['70 f smoke', '71 m wild', '72 m smoke', '73 f wild', '74 f smoke'],
  ]),
  ...brood({ father: 51, mother: 52, hatched: '2026-10-04', pen: 'cage 4', ...mixed }, [
    ...['75 m wild', '76 f pale', '77 m smoke', '78 f smoke', '79 m wild', '80 f wild'],
  ]),
  ...brood({ father: 67, mother: 73, hatched: '2026-10-07', pen: 'cage 7', ...mixed }, [
    '81 f pale',
    '82 f pale',
    '83 m wild',
    '84 m wild',
  ]),
  ...brood({ father: 53, mother: 61, hatched: '2026-10-22', pen: 'cage 5', ...mixed }, ['85', '86', '87']),
];

/** Who was put together in the cages; their young are those of the book that hatched on that day. */
export interface DemoPairing {
  no: number;
  fathers: number[];
  mothers: number[];
  pen: string;
  from: string;
  until?: string;
  /** Why strains that are kept apart were paired. */
  override?: string;
  clutches: { laid: string; eggs: number; hatched?: string; young?: number; lost?: number }[];
}

const LINE = 'For a line of its own, to see how smoke is inherited; none of it is set free.';

export const demoPairings: DemoPairing[] = [
  {
    ...{ no: 1, fathers: [12], mothers: [23], pen: 'cage 4', from: '2026-04-18', until: '2026-06-01', override: LINE },
    clutches: [{ laid: '2026-04-22', eggs: 9, hatched: '2026-05-03', young: 5, lost: 4 }],
  },
  {
    ...{ no: 2, fathers: [43, 34], mothers: [35], pen: 'cage 5', from: '2026-08-01', until: '2026-09-10', override: LINE },
    clutches: [{ laid: '2026-08-09', eggs: 6, hatched: '2026-08-20', young: 1, lost: 5 }],
  },
  {
    ...{ no: 3, fathers: [51], mothers: [52], pen: 'cage 4', from: '2026-09-20' },
    clutches: [
      { laid: '2026-09-23', eggs: 8, hatched: '2026-10-04', young: 6, lost: 2 },
      { laid: '2026-11-19', eggs: 7 },
    ],
  },
  {
    ...{ no: 4, fathers: [53], mothers: [61], pen: 'cage 5', from: '2026-10-05', override: LINE },
    clutches: [{ laid: '2026-10-11', eggs: 5, hatched: '2026-10-22', young: 3, lost: 2 }],
  },
  { ...{ no: 5, fathers: [48], mothers: [45], pen: 'cage 1', from: '2026-11-21' }, clutches: [] },
];

/** A cage, with how many it takes. */
export interface DemoPen {
  no: number;
  name: string;
  place: string;
  holds: number;
  strain?: string;
  note?: string;
}

export const demoPens: DemoPen[] = [
  { no: 1, name: 'cage 1', place: 'breeding room, by the door', holds: 16, strain: 'Quell' },
  { no: 2, name: 'cage 2', place: 'breeding room, by the door', holds: 16, strain: 'Quell' },
  { no: 3, name: 'cage 3', place: 'boat shed', holds: 16, strain: 'North', note: 'Never in one room with the Quell cages.' },
  { no: 4, name: 'cage 4', place: 'boat shed', holds: 10 },
  { no: 5, name: 'cage 5', place: 'boat shed', holds: 6 },
  { no: 6, name: 'cage 6', place: 'boat shed', holds: 12 },
];

/** Grams, by the day, of the pair that is watched most closely. */
export const demoWeights: Readonly<Record<number, readonly { on: string; grams: number }[]>> = {
  45: [
    { on: '2026-08-20', grams: 1.12 },
    { on: '2026-11-21', grams: 1.31 },
  ],
  48: [
    { on: '2026-08-20', grams: 0.88 },
    { on: '2026-09-05', grams: 0.91 },
  ],
};
