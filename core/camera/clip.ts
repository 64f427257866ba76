import type { CompiledGuide } from '../guide/working';
import { type Plan, type Plate, type Traits, traitsOf } from '../plates';
import { normal, type RandomSource, seeded } from '../probability';

/** How long a clip is, in seconds, and how much its beats differ: the standard deviation of a gap, as a share of it. */
const LONG = 8;
const UNEVEN = 0.04;

/** A beat, from the top of the stroke: the postures through which the wings go. */
const STROKE = ['raised', 'level', 'bowed', 'level'] as const;
const POSTURE = 'wing-posture';

/** The view in which a beat is drawn. */
export const BEAT_VIEW = 'head-on';

/** A stand-in for a clip of a living animal: one that beats, drawn from its plates. */
export interface Clip {
  seconds: number;
  /** What is seen at a moment, in seconds from the beginning. */
  at: (second: number) => Plate;
  /** Beats a second, as this individual beats on the average; when each begins. */
  truth: { rate: number; begins: readonly number[] };
}

/** Can a beat be drawn by a plan? */
export const drawsBeat = ({ vocabulary, views }: Pick<Plan, 'vocabulary' | 'views'>): boolean =>
  POSTURE in vocabulary && views.includes(BEAT_VIEW);

/**
 * A novel individual of a form that beats as fast as its scores say. The same seed gives the same clip.
 *
 * @param character whose value is beats a second.
 * @returns undefined where a beat is not drawn, or the form's tempo is not known.
 */
export function clipOf(compiled: CompiledGuide, plan: Plan, form: string, character: string, seed: string): Clip | undefined {
  const f = compiled.forms.findIndex(({ id }) => id === form);
  if (f < 0 || !drawsBeat(plan)) return undefined;
  const random = seeded(`clip ${seed}`);
  const traits = traitsOf(compiled, f, random);
  const rate = traits[character];
  if (typeof rate !== 'number' || !(rate > 0)) return undefined;
  return clipFrom(plan, traits, rate, random);
}

/**
 * An individual that beats.
 *
 * @param rate beats a second, above 0.
 */
export function clipFrom(plan: Plan, traits: Traits, rate: number, random: RandomSource): Clip {
  const plates = STROKE.map((posture) => plan.draw({ ...traits, [POSTURE]: posture }, BEAT_VIEW, 'full'));
  // No animal keeps time like a clock.
  const begins = [-random() / rate];
  while (begins[begins.length - 1] <= LONG)
    begins.push(begins[begins.length - 1] + Math.max(0.2, 1 + UNEVEN * normal(random)) / rate);
  return {
    seconds: LONG,
    truth: { rate, begins },
    at(second) {
      const beat = Math.max(
        0,
        begins.findLastIndex((begin) => begin <= second),
      );
      const [from, to] = [begins[beat], begins[beat + 1] ?? begins[beat] + 1 / rate];
      const share = Math.min(0.999, Math.max(0, (second - from) / (to - from)));
      return plates[Math.floor(share * STROKE.length)];
    },
  };
}
