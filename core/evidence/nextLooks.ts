import type { NextLook } from './schema';
import type { Character, CompiledGuide } from '../guide/working';
import type { Situation, Reading } from '../observation';
import { answersTo } from './answers';
import { tablesGiven } from './block';
import type { Hazards } from './danger';
import { expectedInformation, possibleForms } from './information';
import type { Grouping } from './levels';
import { setAsideBy } from './setAside';
import type { WeighedPosterior } from './posterior';
import { weightsOfNext } from './weights';

/** Seconds to turn the specimen or walk round it. */
const TURN = 4;
/** A fair chance of reading a character that the situation allows; fair light or not. */
const CHANCE = { fair: 0.95, poor: 0.5 };
/** Looks worth less than this are not worth listing. */
const LEAST_BITS = 0.002;
/** Looks whose answers are worked out. */
const ANSWERED = 5;

/**
 * Rank what to look at next: expected information at the level asked, times the
 * chance that it can be read here, per second. Characters that share a dependence
 * group with readings already made are worth less, as they would count less.
 * Characters that the situation hides or that danger withholds stand apart.
 */
export function nextLooks(
  compiled: CompiledGuide,
  full: WeighedPosterior,
  grouping: Grouping,
  situation: Situation,
  readings: readonly Reading[],
  hazards: Hazards = { possible: [], withheld: false },
  tableOf = tablesGiven(compiled, full.weighed),
): NextLook[] {
  const live = possibleForms(full, grouping);
  const weightOf = weightsOfNext(compiled.guide, readings);
  const { tail } = compiled.guide.settings;
  const done = new Set(readings.map((reading) => reading.character));
  const last = readings.at(-1);
  const lastViews = last ? viewsOf(compiled, last.character) : undefined;
  const looks = compiled.guide.characters
    .filter((character) => !done.has(character.id))
    .map((character): NextLook => {
      const bits = expectedInformation(tableOf(character.id), live, tail) * weightOf(character.id);
      return { bits, ...practicalities(compiled, character, situation, lastViews, hazards) };
    })
    // A length that says nothing alone may say much beside another of its block.
    .filter((next) => next.bits >= LEAST_BITS || compiled.blocks.some(({ at }) => at.has(next.character)))
    .sort((a, b) => Number(Boolean(a.setAside)) - Number(Boolean(b.setAside)) || worth(b) - worth(a));
  return looks.map((next, i) => {
    if (i >= ANSWERED || next.setAside) return next;
    return { ...next, answers: answersTo(compiled, tableOf(next.character), full, grouping) };
  });
}

const worth = (next: NextLook) => (next.bits * next.chance) / next.seconds;

const viewsOf = (compiled: CompiledGuide, character: string) => compiled.guide.characters.find((c) => c.id === character)?.views;

/** What it takes to read a character here, and what stands in the way. */
function practicalities(
  compiled: CompiledGuide,
  character: Character,
  situation: Situation,
  lastViews: string[] | undefined,
  hazards: Hazards,
): Omit<NextLook, 'bits'> {
  const sameView = !lastViews || character.views.some((view) => lastViews.includes(view));
  const poorLight = character.needsLight && situation.light !== undefined && situation.light !== 'fair';
  const setAside = setAsideBy(compiled, character, situation, hazards);
  return {
    character: character.id,
    chance: poorLight ? CHANCE.poor : CHANCE.fair,
    seconds: character.seconds + (sameView ? 0 : TURN),
    handling: character.handling,
    sameView,
    ...(setAside ? { setAside: setAside.because } : {}),
  };
}
