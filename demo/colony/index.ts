/** One of the cages' book, by its number; parents by theirs. */
export interface DemoKept {
  no: number;
  sex: 'female' | 'male';
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
  ...[
    { no: 11, sex: 'female', morph: 'wild' },
    { no: 12, sex: 'male', morph: 'wild' },
    { no: 13, sex: 'female', morph: 'wild' },
    { no: 14, sex: 'male', morph: 'wild' },
  ].map((one) => ({ ...(one as DemoKept), ...quell, hatched: '2025-08-11', father: 1, mother: 2, pen: 'cage 1' })),
  ...[
    { no: 15, sex: 'female', morph: 'pale' },
    { no: 16, sex: 'male', morph: 'wild' },
    { no: 17, sex: 'male', certainty: 0.9, morph: 'pale', note: 'Antennae worn; called a male by the size.' },
    { no: 18, sex: 'male', morph: 'wild' },
  ].map((one) => ({ ...(one as DemoKept), ...quell, hatched: '2025-08-14', father: 3, mother: 4, pen: 'cage 2' })),
  ...[
    { no: 21, sex: 'male', morph: 'smoke' },
    { no: 22, sex: 'female', morph: 'wild' },
    { no: 23, sex: 'female', morph: 'smoke' },
    { no: 24, sex: 'male', morph: 'wild' },
  ].map((one) => ({ ...(one as DemoKept), ...north, hatched: '2025-08-20', father: 5, mother: 6, pen: 'cage 3' })),
  ...[
    { no: 31, sex: 'female', morph: 'pale' },
    { no: 32, sex: 'female', morph: 'wild' },
    { no: 33, sex: 'male', morph: 'smoke' },
    { no: 34, sex: 'male', morph: 'wild' },
    { no: 35, sex: 'female', morph: 'smoke' },
  ].map((one) => ({ ...(one as DemoKept), ...mixed, hatched: '2026-05-03', father: 12, mother: 23, pen: 'cage 4' })),
  ...[
    { no: 41, sex: 'male', morph: 'pale' },
    { no: 42, sex: 'female', morph: 'wild' },
    { no: 43, sex: 'male', morph: 'wild' },
    { no: 44, sex: 'female', morph: 'pale' },
  ].map((one) => ({ ...(one as DemoKept), ...quell, hatched: '2026-05-06', father: 16, mother: 15, pen: 'cage 2' })),
  ...[
    { no: 51, sex: 'male', morph: 'wild' },
    { no: 52, sex: 'female', morph: 'smoke' },
    { no: 53, sex: 'male', morph: 'smoke' },
  ].map((one) => ({ ...(one as DemoKept), ...mixed, hatched: '2026-08-16', father: 33, mother: 31, pen: 'cage 4' })),
  { no: 61, sex: 'female', hatched: '2026-08-19', ...mixed, father: 43, mother: 35, pen: 'cage 5', morph: 'smoke' },
  {
    ...{ no: 62, sex: 'male', hatched: '2026-08-19', ...mixed, father: 43, mother: 35, pen: 'cage 5', morph: 'wild' },
    seenRightly: 0.7,
    note: 'Seen by the red lamp only.',
  },
  { no: 63, sex: 'female', hatched: '2026-08-20', ...mixed, fathers: [43, 34], mother: 35, pen: 'cage 5', morph: 'pale' },
  { no: 64, sex: 'female', hatched: '2026-08-20', ...mixed, father: 43, mother: 42, pen: 'cage 2', morph: 'smoke' },
];
