/** What was read of a caged moth, by its number in the book. */
export interface DemoLook {
  no: number;
  on: string;
  antenna?: 'thread' | 'saw' | 'feather';
  claspers?: 'present' | 'absent';
  /** Length of the fore wing, in mm. */
  wing: number;
}

const DAY = '2025-10-02';

/**
 * Moths of the Quell cages, looked at in one evening. Here males are saw-edged more often than the books have it, for combs
 * wear off on the gauze. Of number 17 the antennae were worn off, and a small moth was called a male by them and its size.
 */
export const demoLooks: DemoLook[] = [
  { no: 11, on: DAY, antenna: 'thread', claspers: 'absent', wing: 24.5 },
  { no: 12, on: DAY, antenna: 'saw', claspers: 'present', wing: 21.5 },
  { no: 13, on: DAY, antenna: 'thread', claspers: 'absent', wing: 24 },
  { no: 14, on: DAY, antenna: 'feather', claspers: 'present', wing: 22 },
  { no: 15, on: DAY, antenna: 'thread', claspers: 'absent', wing: 25 },
  { no: 16, on: DAY, antenna: 'saw', claspers: 'present', wing: 21 },
  { no: 17, on: DAY, claspers: 'absent', wing: 22.5 },
  { no: 18, on: DAY, antenna: 'saw', claspers: 'present', wing: 20.5 },
];
