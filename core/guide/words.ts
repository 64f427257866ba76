/**
 * Frequency words and the numbers they stand for. The literature says "usually"
 * or "rarely"; a guide may change what it takes them to mean.
 */
export const FREQUENCY_WORDS = ['always', 'usually', 'often', 'sometimes', 'rarely', 'never'] as const;

export type FrequencyWord = (typeof FREQUENCY_WORDS)[number];

export type Frequency = FrequencyWord | number;

export const DEFAULT_WORDS: Record<FrequencyWord, number> = {
  always: 0.98,
  usually: 0.85,
  often: 0.6,
  sometimes: 0.3,
  rarely: 0.08,
  never: 0.01,
};

/** What a guide takes the words to mean: its own numbers before the usual ones. */
export const wordsOf = ({
  settings,
}: {
  settings: { words?: Partial<Record<FrequencyWord, number>> };
}): Record<FrequencyWord, number> => ({
  ...DEFAULT_WORDS,
  ...settings.words,
});

/** The number of a frequency given in a word or already as a number in 0..1. */
export function frequencyNumber(frequency: Frequency, words: Record<FrequencyWord, number> = DEFAULT_WORDS): number {
  return typeof frequency === 'number' ? frequency : words[frequency];
}

/**
 * Spread stated frequencies over all states of a character: the stated ones keep
 * their numbers and what is left to 1 is shared by the states not mentioned.
 * When every state is stated, or the sum passes 1, the numbers are brought to a
 * sum of 1; `sum` is returned so that a sum above 1 can be reported.
 *
 * @example spreadFrequencies(['a', 'b', 'c'], { a: 'usually' }) // p = [.85, .075, .075]
 */
export function spreadFrequencies(
  states: readonly string[],
  stated: Readonly<Record<string, Frequency>>,
  words: Record<FrequencyWord, number> = DEFAULT_WORDS,
): { p: number[]; sum: number } {
  const p = new Array<number>(states.length);
  let sum = 0;
  let silent = 0;
  for (let s = 0; s < states.length; s++) {
    const own = stated[states[s]];
    if (own === undefined) silent++;
    else sum += p[s] = frequencyNumber(own, words);
  }
  const rest = silent > 0 ? Math.max(0, 1 - sum) / silent : 0;
  let total = 0;
  for (let s = 0; s < states.length; s++) total += p[s] ??= rest;
  for (let s = 0; s < states.length; s++) p[s] = total > 0 ? p[s] / total : 1 / states.length;
  return { p, sum };
}
