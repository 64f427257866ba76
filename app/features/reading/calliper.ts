import { type CompiledGuide } from '@plesion/core/guide';
import { traitsOf } from '@plesion/core/plates';
import { normal, seeded } from '@plesion/core/probability';

/** Millimetres to the units that a calliper is read in. */
const UNITS: Record<string, number> = { mm: 1, cm: 10 };

/** Is a character one that a calliper is put to? */
export const takesCalliper = ({ kind, unit }: { kind: string; unit?: string }): boolean =>
  kind === 'measurement' && unit !== undefined && unit in UNITS;

/** What a calliper shows while its jaws close on something, in the character's unit: hundredths of a millimetre. */
export interface Calliper {
  /** What it shows after so many ticks. */
  at: (tick: number) => number;
  /** From this tick on it has closed. */
  closes: number;
}

/** Ticks until the jaws have closed, and how the hand trembles then, in mm. */
const CLOSES = 14;
const TREMBLE = 0.03;

/**
 * The stand-in for a digital calliper, put to a made-up individual of a form: the jaws come from far
 * apart, close, and tremble about the length. The same seed gives the same individual.
 *
 * @returns undefined where the guide does not know the form's length.
 */
export function calliperOn(
  compiled: CompiledGuide,
  form: string,
  character: string,
  unit: string,
  seed: string,
): Calliper | undefined {
  const f = compiled.forms.findIndex(({ id }) => id === form);
  const length = f >= 0 ? traitsOf(compiled, f, seeded(`calliper ${seed}`))[character] : undefined;
  if (typeof length !== 'number' || !(length > 0)) return undefined;
  const step = 0.01 / (UNITS[unit] ?? 1);
  return {
    closes: CLOSES,
    at(tick) {
      const open = length * (1 + 0.6 * Math.max(0, 1 - tick / CLOSES) ** 2);
      const hand = tick < CLOSES ? 0 : (TREMBLE / (UNITS[unit] ?? 1)) * normal(seeded(`${seed} ${tick}`));
      return Math.round((open + hand) / step) * step;
    },
  };
}
