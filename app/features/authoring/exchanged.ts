/** One of a list goes before the one that stood before it. */
export const exchanged = <T>(all: readonly T[], n: number): T[] => [
  ...all.slice(0, n - 1),
  all[n],
  all[n - 1],
  ...all.slice(n + 1),
];
