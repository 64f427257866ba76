import type { Character } from '@plesion/core/guide';
import { tempoOf, type Tempo } from '@plesion/core/measure';

/** Seconds of the units that a tempo is told in. */
const UNITS: Record<string, number> = { s: 1, min: 60, h: 3600 };

/** How many seconds a character's unit of time has: "beats/min" is told by the minute. */
export function secondsOf({ unit = '' }: Character): number {
  const time = /(?:\/|per )\s*(\w+)\s*$/.exec(unit)?.[1] ?? 's';
  return UNITS[time] ?? 1;
}

/** From picture to picture of a clip, in seconds: as long as one of a usual film. */
export const PICTURE = 1 / 25;

/** A tempo in the character's own unit; `step` is what times are told in, in seconds. */
export function tempoIn(character: Character, seconds: readonly number[], step?: number): Tempo | undefined {
  const tempo = tempoOf(seconds, step);
  const by = secondsOf(character);
  return (
    tempo && {
      ...tempo,
      rate: tempo.rate * by,
      sd: tempo.sd * by,
      interval: [tempo.interval[0] * by, tempo.interval[1] * by],
    }
  );
}

/** As many digits as the error leaves: two of the error; nothing is known better than a thousandth. */
export function roundedTempo({ rate, sd }: Pick<Tempo, 'rate' | 'sd'>): { value: number; error: number } {
  const error = Math.max(sd, rate / 1000);
  const digits = Math.max(0, 1 - Math.floor(Math.log10(error)));
  return { value: Number(rate.toFixed(digits)), error: Number(error.toFixed(digits)) };
}

/** Gaps that were left out, in words: by the beats they lie between. */
export const sayOdd = ({ odd }: Tempo): string[] =>
  odd.map(({ gap, looks }) => `Between beats ${gap + 1} and ${gap + 2} ${looks}: that gap is left out.`);
