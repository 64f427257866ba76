/** What the demo makes is the same each time, ids too. */
const KINDS = { site: 51, visit: 52, capture: 53, string: 54, count: 55, sheet: 56 } as const;

export const idOf = (kind: keyof typeof KINDS, n: number): string =>
  `0192f3a0-0000-70${KINDS[kind]}-8000-${String(n).padStart(12, '0')}`;
