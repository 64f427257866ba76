import type { Keyed, Level, Standing } from '../evidence';
import { standingOf } from '../evidence';
import { compiledFor, type Guide, type Judgement, keepNewest } from '../guide/working';
import { alone, type CoupletAnswer, type Key, keyedOf, walkKey } from '../keys';
import type { Reading, Situation } from '../observation';

/** A walk through a key, as far as it was answered. */
export interface Walked {
  key: Key;
  answers: readonly CoupletAnswer[];
  start?: string;
}

/**
 * All that a number on a screen, a page or in a list depends on. Whoever shows one
 * asks with this, so that the same specimen has the same number everywhere. What
 * else a number may come to depend on, such as who reads or one's own records, is
 * a part of it and nothing beside it.
 */
export interface Analysis {
  guide: Guide;
  situation: Situation;
  /** Sources, treatment and cross, where not as the guide has them. */
  judgement?: Judgement;
  readings: readonly Reading[];
  /** The level asked about; the first that is open where absent. */
  level?: Level;
  /** The walk through a key, or what it came to; they count where the guide's school is the key. */
  walk?: Walked;
  keyed?: Keyed;
}

/** Standings kept of each guide. */
const KEPT = 48;

const known = new WeakMap<Guide, Map<string, Standing>>();

/**
 * Weigh what was read, as it was asked. The same question of the same guide is
 * weighed once; a standing is shared and must not be written to.
 *
 * @example analyse({ guide, situation: { region: 'ostren' }, readings: [{ character: 'spire', value: 71 }] }).call.text
 */
export function analyse(analysis: Analysis): Standing {
  const { guide, situation, judgement, readings, level } = analysis;
  const keyed = analysis.keyed ?? keyedBy(analysis);
  const kept = known.get(guide) ?? new Map<string, Standing>();
  known.set(guide, kept);
  return keepNewest(kept, JSON.stringify([situation, judgement, readings, level, keyed]), KEPT, () =>
    standingOf(compiledFor(guide, situation, judgement), situation, readings, level, keyed),
  );
}

/** What a walk says to a guide whose school is the key; undefined for others, and before it has ended. */
export function keyedBy({
  guide,
  situation,
  judgement,
  readings,
  walk,
}: Pick<Analysis, 'guide' | 'situation' | 'judgement' | 'readings' | 'walk'>): Keyed | undefined {
  if (!walk || guide.settings.call.school !== 'key') return undefined;
  const { trail, reached, backCheck } = walkKey({
    key: walk.key,
    compiled: compiledFor(guide, situation, judgement),
    answers: walk.answers,
    specimens: alone(readings),
    situation,
    start: walk.start,
  });
  return reached && backCheck ? keyedOf(trail, reached, backCheck) : undefined;
}
