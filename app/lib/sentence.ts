/** Words as a sentence: a capital first, a full stop last. */
export const sentence = (words: string): string =>
  `${words.slice(0, 1).toUpperCase()}${words.slice(1)}${/[.!?]$/.test(words) ? '' : '.'}`;
