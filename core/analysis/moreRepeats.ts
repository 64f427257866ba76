import { callOf, fromPrior, type Level, type Verdict } from '../evidence';
import { compiledFor, priorBits } from '../guide/working';
import { normalQuantile } from '../probability';
import { type Analysis, keyedBy } from './analyse';

/** So many more repeats are tried. */
const MORE = [1, 2, 4, 8] as const;

/** As many equally probable values stand for all that the true one may be: of so many are told how many would settle it. */
const OF = 10;

/** From so many of the ten on, repeats are worth their while. */
const USUALLY = 8;

/** What a verdict lacks that a better measurement may give it. */
const DOUBT: readonly Verdict['lacks'][number][] = ['posterior', 'cost'];
const isDoubtful = ({ lacks }: Verdict): boolean => lacks.some((lack) => DOUBT.includes(lack));

/** Whether it is the measuring error that keeps a name open, and what more repeats would do about it. */
export interface MoreRepeats {
  /** Place of the reading among those given. */
  reading: number;
  character: string;
  /** What is open: the first level whose name is not probable enough. */
  level: Level;
  /** Does it need more than that, such as another character? */
  needsMore: boolean;
  /** In how many of ten a value without any error would make it probable enough: few where the animals themselves overlap. */
  exact: number;
  /** The fewest more repeats that would usually do so, or those that would most often; and in how many of ten. Absent where none would. */
  repeats?: { more: number; of10: number };
}

/**
 * For each measured reading: would a smaller error settle what is open? The true value
 * is taken to lie about the measured one by its error; after more repeats the mean lies
 * where the error allows and has an error smaller by √(n ÷ (n + more)). Each possible
 * outcome is weighed as if it had been read (preposterior analysis: Raiffa & Schlaifer 1961).
 *
 * @param times how often each reading was measured, by its place; once where it is not told.
 * @returns nothing where all is settled, or nothing was measured with an error of its own.
 */
export function moreRepeats(analysis: Analysis, times: Readonly<Record<number, number>> = {}): MoreRepeats[] {
  const { guide, situation, judgement, readings } = analysis;
  const compiled = compiledFor(guide, situation, judgement);
  const keyed = analysis.keyed ?? keyedBy(analysis);
  const prior = priorBits(compiled, situation);
  const callWith = (read: typeof readings) => callOf(compiled, fromPrior(compiled, prior, read), { keyed });
  const verdicts = callWith(readings).verdicts;
  const open = verdicts.find(isDoubtful);
  if (!open) return [];
  const { level } = open;
  const named = JSON.stringify(level);
  const needsMore =
    open.lacks.some((lack) => !DOUBT.includes(lack)) || verdicts.slice(0, verdicts.indexOf(open)).some(({ passes }) => !passes);
  const settles = (at: number, value: number, error: number) =>
    callWith(readings.map((reading, i) => (i === at ? { ...reading, value, error } : reading))).verdicts.some(
      (verdict) => JSON.stringify(verdict.level) === named && !isDoubtful(verdict),
    );
  /** In how many of ten it settles, where the mean may come to lie so far from where it is. */
  const often = (at: number, value: number, reach: number, error: number) => {
    let count = 0;
    for (let i = 0; i < OF; i++) if (settles(at, value + normalQuantile((i + 0.5) / OF) * reach, error)) count++;
    return count;
  };
  return readings.flatMap(({ character, value, error, status }, at): MoreRepeats[] => {
    if (value === undefined || !error || (status ?? 'seen') !== 'seen') return [];
    const exact = often(at, value, error, 0);
    const n = times[at] ?? 1;
    let best: { more: number; of10: number } | undefined;
    for (const more of exact > 0 ? MORE : []) {
      const left = error * Math.sqrt(n / (n + more));
      const of10 = often(at, value, Math.sqrt(error ** 2 - left ** 2), left);
      if (of10 > (best?.of10 ?? 0)) best = { more, of10 };
      if (of10 >= USUALLY) break;
    }
    return [{ reading: at, character, level, needsMore, exact, ...(best ? { repeats: best } : {}) }];
  });
}
