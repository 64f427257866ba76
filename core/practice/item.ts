import { formsIn, fromPrior, type Grouping, groupMasses, ranked } from '../evidence';
import type { Character, CompiledGuide, Guide } from '../guide/working';
import type { Reading } from '../observation';
import { hiddenShare, hideable, isDrawn, type Plan, type Traits, traitsOf } from '../plates';
import { pick, type RandomSource, seeded } from '../probability';
import { groupsAt } from './groups';
import { individualsOf } from './individual';
import type { Asked, Best, Item } from './schema';

/** What cannot be is so many bits away. */
const NEVER = -1e4;

/** Views that a plan draws and a guide has. */
export const practiceViews = (guide: Guide, plan: Plan): string[] =>
  guide.views.flatMap(({ id }) => (plan.views.includes(id) ? [id] : []));

/**
 * An item: a novel individual of one of the groups asked about, and what can be told of it from one drawing. The same
 * asking with the same seed is the same item everywhere. A hard one is the least telling of several of which a name
 * can be said; it is chosen by what can be seen alone, so that what is said of it is right as often as it says, or oftener.
 *
 * @param compiled the guide for the situation asked about (`compiledFor(guide, asked.situation)`).
 * @param plan of the guide, in its words.
 * @returns undefined where no group asked about can be drawn in that view, or the character asked about is not seen in any.
 */
export function practiceItem(compiled: CompiledGuide, plan: Plan, asked: Asked, seed: string): Item | undefined {
  const { guide } = compiled;
  const random = seeded(`practice ${guide.id} ${seed}`);
  const character = guide.characters.find(({ id }) => id === asked.character);
  if (asked.character !== undefined && !character) return undefined;
  const views = practiceViews(guide, plan).filter(
    (one) => (asked.view === undefined || asked.view === one) && (!character || character.views.includes(one)),
  );
  const view = views[Math.floor(random() * views.length)] as string | undefined;
  if (view === undefined) return undefined;
  const grouping = groupsAt(compiled, asked.level);
  const weights = formWeights(compiled, plan, grouping, asked.groups, view);
  if (weights.every((weight) => weight === 0)) return undefined;
  const prior = priorOf(weights);
  const behind = asked.hidden ? partsBehind(guide, plan, view, asked.hidden, random) : [];
  const draw = (): Drawn => {
    const form = pick(weights, random);
    const traits = individualsOf(compiled, form)(random);
    const hidden = hiddenIn(guide, plan, traits, view, behind);
    const all = readingsIn(guide, plan, traits, view, compiled, form);
    const readings = all.filter(({ character }) => !hidden.characters.has(character));
    const posterior = fromPrior(compiled, prior, readings);
    return {
      form,
      traits,
      readings,
      hidden: hidden.parts,
      best: bestOf(grouping, groupMasses(grouping, posterior.p), guide.settings.call.posterior),
    };
  };
  const drawn = drawnFor(draw, asked);
  if (!drawn) return undefined;
  const { form, traits, readings, hidden, best } = drawn;
  const choices = grouping.groups.filter((_, g) => formsIn(grouping, g).some((f) => weights[f] > 0));
  const group = grouping.groups[grouping.of[form]];
  return {
    guide: guide.id,
    seed,
    view,
    level: asked.level,
    traits,
    hidden,
    choices,
    truth: {
      form: compiled.forms[form].id,
      group: group.id,
      readings,
      best,
    },
  };
}

type Drawn = Pick<Item, 'traits' | 'hidden'> & Pick<Item['truth'], 'readings' | 'best'> & { form: number };

/** Of the parts that are read in a view, those that leaves come over: each with a chance, whoever it is. */
function partsBehind(guide: Guide, plan: Plan, view: string, hidden: number, random: RandomSource): string[] {
  const parts = new Set(readableIn(guide, plan, view).flatMap(({ plate }) => plate?.part ?? []));
  return [...parts].filter(() => random() < MOST_HIDDEN * hidden);
}

/** Never all of it. */
const MOST_HIDDEN = 0.7;

/** A character of a part that is covered by half or more is not to be read. */
const COVERED = 0.5;

/** What is behind leaves in a drawing, and what cannot be read there for that. */
function hiddenIn(guide: Guide, plan: Plan, traits: Traits, view: string, behind: readonly string[]) {
  if (!behind.length) return { parts: [], characters: new Set<string>() };
  const plate = plan.draw(traits, view, 'thumb');
  const parts = hideable(plate, behind);
  const lost = guide.characters.filter(({ plate: own }) => own && hiddenShare(plate, own.part, parts) >= COVERED);
  return { parts, characters: new Set(lost.map(({ id }) => id)) };
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

/** How often each form comes: the groups alike where they are asked for by name, else as they live there. */
function formWeights(
  compiled: CompiledGuide,
  plan: Plan,
  grouping: Grouping,
  groups: readonly string[] | undefined,
  view: string,
): number[] {
  const shows = compiled.forms.map((_, f) => plan.shows?.(traitsOf(compiled, f), view) !== false);
  const weights = compiled.forms.map((_, f) => {
    const g = grouping.of[f];
    return g >= 0 && shows[f] && (!groups || groups.includes(grouping.groups[g].id)) ? compiled.base[f] : 0;
  });
  if (!groups) return weights;
  return weights.map((weight, f) => {
    const sum = weights.reduce((all, other, o) => (grouping.of[o] === grouping.of[f] ? all + other : all), 0);
    return sum > 0 ? weight / sum : 0;
  });
}

/** As bits; what was not asked about is out of the question. */
const priorOf = (weights: readonly number[]) => ({
  forms: Float64Array.from(weights, (weight) => (weight > 0 ? Math.log2(weight) : NEVER)),
  outside: NEVER,
});

/** Can it be read from a drawing? Lengths need a scale. */
const isRead = ({ kind }: Character): boolean => kind !== 'measurement';

/** The characters that can be read from a drawing in a view, whoever it is of. */
export const readableIn = (guide: Guide, plan: Plan, view: string): Character[] =>
  guide.characters.filter(
    (character) => character.views.includes(view) && isDrawn(guide, plan, character.id) && isRead(character),
  );

/** What a careful eye reads from a drawing: states, counts, proportions and angles that this view shows. */
function readingsIn(guide: Guide, plan: Plan, traits: Traits, view: string, compiled: CompiledGuide, form: number): Reading[] {
  return readableIn(guide, plan, view).flatMap((character): Reading[] => {
    const table = compiled.tables.get(character.id);
    const seen = traits[character.id];
    if (!table || seen === undefined) return [];
    if (table.applies && table.applies[form] < 0.5) return [];
    return [{ character: character.id, ...(typeof seen === 'string' ? { states: [seen] } : { value: seen }) }];
  });
}

/** What may be said: one group, two where they hold enough together, or that it cannot be told. */
function bestOf(grouping: Grouping, masses: Float64Array, needed: number): Best {
  const [first, second] = ranked(masses);
  const id = (g: number) => grouping.groups[g].id;
  if (masses[first] >= needed) return { kind: 'one', groups: [id(first)], p: masses[first] };
  const two = second === undefined ? masses[first] : masses[first] + masses[second];
  const three = grouping.groups.filter((_, g) => masses[g] > 0).length > 2;
  if (three && two >= needed) return { kind: 'either', groups: [id(first), id(second)], p: two };
  return { kind: 'untold', groups: [], p: masses[first] };
}
