import { normalMass } from '../probability';
import { isStates } from './check';
import { parseRange, type PublishedRange, rangeSpread } from './ranges';
import type { Character, ScoreValue, SourcePolicy } from './schema';
import type { Resolved } from './tables';
import { type FrequencyWord, spreadFrequencies } from './words';

/** State ids of a character told by states or counts; undefined for values. */
export function stateIds(character: Character): string[] | undefined {
  if (isStates(character)) return character.states!.map((state) => state.id);
  if (character.kind !== 'count') return undefined;
  const { from, to } = character.counts!;
  return Array.from({ length: to - from + 1 }, (_, i) => String(from + i));
}

/** What a score says in numbers; nothing for those that speak of applicability or compare two taxa. */
export function resolve(
  value: ScoreValue,
  character: Character,
  states: string[] | undefined,
  words: Record<FrequencyWord, number>,
): Resolved {
  switch (value.kind) {
    case 'states':
      return (
        states && {
          p: spreadFrequencies(states, value.states, words).p,
          ...(value.uncertain ? { uncertain: value.uncertain } : {}),
        }
      );
    case 'counts':
      return states && { p: spreadFrequencies(states, value.counts, words).p };
    case 'range': {
      const range = parseRange(value.range);
      if (!range.ok) return undefined;
      const spread = rangeSpread(states ? ofCounts(range.value, value.n) : range.value, character.log ?? false, value.n);
      return states ? { p: countFrequencies(states, spread) } : { ...spread, n: value.n };
    }
    case 'values': {
      if (states) return { p: countFrequencies(states, value) };
      if (!character.log) return { mean: value.mean, sd: value.sd, n: value.n };
      const variance = Math.log(1 + (value.sd / value.mean) ** 2);
      return { mean: Math.log(value.mean) - variance / 2, sd: Math.sqrt(variance), n: value.n };
    }
    case 'applies':
    case 'comparison':
      return undefined;
  }
}

/** The whole counts of a printed range reach half a count beyond its ends; those of n specimens are what they are. */
function ofCounts({ low, high, lowest, highest }: PublishedRange, n: number | undefined): PublishedRange {
  if (n !== undefined && n > 1) return { low, high, lowest, highest };
  return { low: low - 0.5, high: high + 0.5, lowest: lowest && lowest - 0.5, highest: highest && highest + 0.5 };
}

/** A spread of values cut into whole counts, with 2 % in a four times wider part. */
export function countFrequencies(states: readonly string[], spread: { mean: number; sd: number }): number[] {
  const raw = states.map((state) => {
    const k = Number(state);
    const within = (scale: number) => normalMass(k - 0.5, k + 0.5, spread.mean, spread.sd * scale);
    return 0.98 * within(1) + 0.02 * within(4);
  });
  const total = raw.reduce((a, b) => a + b, 0);
  return raw.map((p) => (total > 0 ? p / total : 1 / states.length));
}

/**
 * *prefer*: the first source that says anything. *pool*: the linear opinion pool
 * (Stone 1961); for values the pool's mean and variance stand for the mixture.
 */
export function combine(said: { source: string; value: Resolved }[], policy: SourcePolicy): Resolved {
  const heard = said.filter((s): s is { source: string; value: NonNullable<Resolved> } => s.value !== undefined);
  if (heard.length <= 1 || policy.kind === 'prefer') return heard[0]?.value;
  const weights = heard.map(({ source }) => policy.weights[source] ?? 1);
  const total = weights.reduce((a, b) => a + b, 0);
  return mixture(
    heard.map(({ value }) => value),
    weights.map((w) => w / total),
  );
}

/** Several answers of one kind mixed by shares that sum to 1; mean and variance stand for a mixture of values. */
export function mixture(parts: readonly NonNullable<Resolved>[], share: readonly number[]): NonNullable<Resolved> {
  const first = parts[0];
  if ('p' in first) {
    return {
      p: Array.from(first.p, (_, s) => parts.reduce((sum, part, i) => sum + ('p' in part ? share[i] * part.p[s] : 0), 0)),
    };
  }
  const spreads = parts as { mean: number; sd: number }[];
  const mean = spreads.reduce((sum, s, i) => sum + share[i] * s.mean, 0);
  const variance = spreads.reduce((sum, s, i) => sum + share[i] * (s.sd ** 2 + (s.mean - mean) ** 2), 0);
  return { mean, sd: Math.sqrt(variance) };
}
