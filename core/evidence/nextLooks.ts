import type { Character, CompiledGuide } from '../guide/working';
import { HANDLING } from '../guide/working';
import { DISTANCES, type Situation } from '../specimen';
import { expectedInformation, type Live, liveForms } from './information';
import type { Grouping } from './levels';
import type { Reading } from './reading';
import type { Standing } from './standing';

/** One character that has not been looked at, and what looking would be worth. */
export interface NextLook {
  character: string;
  /** Expected drop in uncertainty at the level asked, in bits. */
  bits: number;
  /** Chance that it can be read in this situation, 0..1. */
  chance: number;
  /** Cost in seconds, with turning the specimen where another view is needed. */
  seconds: number;
  /** Does it need no other view than the one last used? */
  sameView: boolean;
  /** Why it cannot be read now; such looks are listed after the others. */
  hindrance?: 'view' | 'handling' | 'distance';
}

/** Seconds to turn the specimen or walk round it. */
const TURN = 4;
/** A fair chance of reading a mark that the situation allows; fair light or not. */
const CHANCE = { fair: 0.95, poor: 0.5 };
/** Looks worth less than this are not worth listing. */
const LEAST_BITS = 0.002;

/**
 * Rank what to look at next: expected information at the level asked, times the
 * chance that it can be read here, per second. Marks that share a dependence
 * group with readings already made are worth less, as they would count less.
 */
export function nextLooks(
  compiled: CompiledGuide,
  full: Standing,
  grouping: Grouping,
  situation: Situation,
  readings: readonly Reading[],
): NextLook[] {
  const live = liveForms(full, grouping);
  const done = new Set(readings.map((reading) => reading.character));
  const last = readings.at(-1);
  const lastViews = last ? viewsOf(compiled, last.character) : undefined;
  const looks = compiled.guide.characters
    .filter((character) => !done.has(character.id))
    .map((character) => look(compiled, character, live, situation, readings, lastViews))
    .filter((next) => next.bits >= LEAST_BITS);
  return looks.sort((a, b) => Number(Boolean(a.hindrance)) - Number(Boolean(b.hindrance)) || worth(b) - worth(a));
}

const worth = (next: NextLook) => (next.bits * next.chance) / next.seconds;

const viewsOf = (compiled: CompiledGuide, character: string) => compiled.guide.characters.find((c) => c.id === character)?.views;

function look(
  compiled: CompiledGuide,
  character: Character,
  live: Live,
  situation: Situation,
  readings: readonly Reading[],
  lastViews: string[] | undefined,
): NextLook {
  const { guide } = compiled;
  const information = expectedInformation(compiled.tables.get(character.id)!, live, guide.settings.tail);
  const sameView = !lastViews || character.views.some((view) => lastViews.includes(view));
  const poorLight = character.needsLight && situation.light !== undefined && situation.light !== 'fair';
  return {
    character: character.id,
    bits: information * temperOf(compiled, character, readings),
    chance: poorLight ? CHANCE.poor : CHANCE.fair,
    seconds: character.seconds + (sameView ? 0 : TURN),
    sameView,
    ...hindranceOf(character, situation),
  };
}

function temperOf({ guide }: CompiledGuide, character: Character, readings: readonly Reading[]): number {
  if (!character.dependence) return 1;
  const gamma = guide.dependence.find((group) => group.id === character.dependence)?.gamma ?? 0;
  const mates = readings.filter(
    (r) =>
      (r.status ?? 'seen') === 'seen' && guide.characters.find((c) => c.id === r.character)?.dependence === character.dependence,
  );
  return 1 / (1 + mates.length * gamma);
}

function hindranceOf(character: Character, situation: Situation): Pick<NextLook, 'hindrance'> {
  if (situation.views && !character.views.some((view) => situation.views!.includes(view))) return { hindrance: 'view' };
  if (situation.handling && HANDLING.indexOf(character.handling) > HANDLING.indexOf(situation.handling)) {
    return { hindrance: 'handling' };
  }
  if (situation.distance && DISTANCES.indexOf(character.distance) < DISTANCES.indexOf(situation.distance)) {
    return { hindrance: 'distance' };
  }
  return {};
}
