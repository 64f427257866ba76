import type { CompiledGuide } from '../guide/working';
import type { Plan } from '../plates';
import { seeded } from '../probability';
import { beatItem } from './beat';
import { choicesOf, type Drawn, drawerOf, formWeights, partsBehind, practiceViews, readableIn } from './drawn';
import { flockItem } from './flock';
import { groupsAt } from './groups';
import type { Asked, Item } from './schema';

/**
 * An item: a novel individual of one of the groups asked about, or many at once, and what can be told from one drawing. The same
 * asking with the same seed is the same item everywhere. A hard one is the least telling of several of which a name
 * can be said; it is chosen by what can be seen alone, so that what is said of it is right as often as it says, or oftener.
 *
 * @param compiled the guide for the situation asked about (`compiledFor(guide, asked.situation)`).
 * @param plan of the guide, in its words.
 * @returns undefined where no two groups asked about can be drawn in one view, or the character asked about is not seen in any.
 */
export function practiceItem(compiled: CompiledGuide, plan: Plan, asked: Asked, seed: string): Item | undefined {
  const { guide } = compiled;
  const { flock } = asked;
  if (flock) return flockItem(compiled, plan, { ...asked, flock }, seed);
  const random = seeded(`practice ${guide.id} ${seed}`);
  const character = guide.characters.find(({ id }) => id === asked.character);
  if (asked.character !== undefined && !character) return undefined;
  if (character?.tempo) return beatItem(compiled, plan, asked, character, seed);
  const views = practiceViews(guide, plan).filter(
    (one) =>
      (asked.view === undefined || asked.view === one) &&
      (!character || character.views.includes(one)) &&
      readableIn(guide, plan, one, asked.situation).length > 0,
  );
  const grouping = groupsAt(compiled, asked.level);
  // Where a view does not show two of them, nothing is to be told apart in it; a mark may be read all the same.
  const needed = character ? 1 : 2;
  const weightsIn = (one: string) => formWeights(compiled, plan, grouping, asked.groups, one);
  const first = Math.floor(random() * views.length);
  const view = [...views.slice(first), ...views.slice(0, first)].find(
    (one) => choicesOf(grouping, weightsIn(one)).length >= needed,
  );
  if (view === undefined) return undefined;
  const weights = weightsIn(view);
  const behind = asked.hidden ? partsBehind(guide, plan, view, asked.hidden, random) : [];
  const draw = drawerOf(compiled, plan, grouping, weights, view, { behind, situation: asked.situation });
  const drawn = drawnFor(() => draw(random), asked);
  if (!drawn) return undefined;
  const { form, traits, readings, hidden, best } = drawn;
  const group = grouping.groups[grouping.of[form]];
  return {
    guide: guide.id,
    seed,
    view,
    level: asked.level,
    traits,
    hidden,
    choices: choicesOf(grouping, weights),
    truth: {
      form: compiled.forms[form].id,
      group: group.id,
      readings,
      best,
    },
  };
}

/** Individuals drawn until one shows the character that is asked about, or can be told. */
const TRIES = 40;

/** The hardest is one of so many. */
const CANDIDATES = 5;

function drawnFor(draw: () => Drawn, { character, spot, hard = 0 }: Asked): Drawn | undefined {
  if (character !== undefined || spot) {
    for (let i = 0; i < TRIES; i++) {
      const drawn = draw();
      const shows = character === undefined || drawn.readings.some((reading) => reading.character === character);
      // Where something is to be found, something tells.
      if (shows && (!spot || drawn.best.kind === 'one')) return drawn;
    }
    return undefined;
  }
  const candidates = Array.from({ length: 1 + Math.round(hard * (CANDIDATES - 1)) }, draw);
  return candidates.filter(({ best }) => best.kind === 'one').sort((a, b) => a.best.p - b.best.p)[0] ?? candidates[0];
}
