/** How sure a person is, from least to most. */
export const CERTAINTY_WORDS = ['guess', 'leaning', 'fairly sure', 'sure', 'certain'] as const;
export type CertaintyWord = (typeof CERTAINTY_WORDS)[number];

/** How often what is said with it should be right; a guess is as good as chance. */
export const CERTAINTY: Record<CertaintyWord, number> = {
  guess: 0,
  leaning: 0.65,
  'fairly sure': 0.8,
  sure: 0.92,
  certain: 0.99,
};

/** What is remembered: two groups that are taken for each other, or one character. */
export const MEMORY_KINDS = ['pair', 'mark'] as const;
export type MemoryKind = (typeof MEMORY_KINDS)[number];

/** What is asked of many at once: which is the other kind, how many there are, how many of each. */
export const FLOCK_TASKS = ['odd', 'many', 'tally'] as const;
export type FlockTask = (typeof FLOCK_TASKS)[number];
