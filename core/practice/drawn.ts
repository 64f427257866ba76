import { fromPrior, formsIn, type Grouping, groupMasses, ranked } from '../evidence';
import { type Character, type CompiledGuide, type Guide, shownAt } from '../guide/working';
import { DISTANCES, type Reading, type Situation } from '../observation';
import { hiddenShare, hideable, isDrawn, type Plan, type Traits, traitsOf } from '../plates';
import { pick, type RandomSource } from '../probability';
import { individualsOf } from './individual';
import type { Best } from './schema';

/** What cannot be is so many bits away. */
const NEVER = -1e4;

/** Views that a plan draws and a guide has. */
export const practiceViews = (guide: Guide, plan: Plan): string[] =>
  guide.views.flatMap(({ id }) => (plan.views.includes(id) ? [id] : []));

/** A novel individual as it is drawn, and what may be said from the drawing. */
export interface Drawn {
  form: number;
  traits: Traits;
  /** What a careful eye reads. */
  readings: Reading[];
  /** Parts that are behind leaves. */
  hidden: string[];
  best: Best;
}

/**
 * Draws individuals in a view, and says of each what may be said.
 *
 * @param weights how often each form comes; it is known that no other does.
 * @param behind parts that leaves come over.
 * @param situation whose light and nearness hide what they hide.
 */
export function drawerOf(
  compiled: CompiledGuide,
  plan: Plan,
  grouping: Grouping,
  weights: readonly number[],
  view: string,
  { behind = [], situation }: { behind?: readonly string[]; situation?: Situation } = {},
): (random: RandomSource, from?: readonly number[]) => Drawn {
  const { guide } = compiled;
  const prior = priorOf(weights);
  const seen = readableIn(guide, plan, view, situation);
  return (random, from = weights) => {
    const form = pick(from, random);
    const traits = individualsOf(compiled, form)(random);
    const hidden = hiddenIn(guide, plan, traits, view, behind);
    const readings = readingsIn(seen, traits, compiled, form).filter(({ character }) => !hidden.characters.has(character));
    return { form, traits, readings, hidden: hidden.parts, best: bestFrom(compiled, grouping, prior, readings) };
  };
}

/** Of the parts that are read in a view, those that leaves come over: each with a chance, whoever it is. */
export function partsBehind(guide: Guide, plan: Plan, view: string, hidden: number, random: RandomSource): string[] {
  const parts = new Set(readableIn(guide, plan, view).flatMap((character) => shownAt(guide, character, view)?.part ?? []));
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

/** How often each form comes: the groups alike where they are asked for by name, else as they live there. */
export function formWeights(
  compiled: CompiledGuide,
  plan: Plan,
  grouping: Grouping,
  groups: readonly string[] | undefined,
  view: string,
): number[] {
  const shows = showsIn(compiled, plan, view);
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

const shown = new WeakMap<CompiledGuide, WeakMap<Plan, Map<string, readonly boolean[]>>>();

/** Which forms a view shows; looked at once, for all items that are made from it. */
function showsIn(compiled: CompiledGuide, plan: Plan, view: string): readonly boolean[] {
  const byPlan = shown.get(compiled) ?? new WeakMap<Plan, Map<string, readonly boolean[]>>();
  shown.set(compiled, byPlan);
  const byView = byPlan.get(plan) ?? new Map<string, readonly boolean[]>();
  byPlan.set(plan, byView);
  const known = byView.get(view) ?? compiled.forms.map((_, f) => plan.shows?.(traitsOf(compiled, f), view) !== false);
  byView.set(view, known);
  return known;
}

/** As bits; what was not asked about is out of the question. */
export const priorOf = (weights: readonly number[]) => ({
  forms: Float64Array.from(weights, (weight) => (weight > 0 ? Math.log2(weight) : NEVER)),
  outside: NEVER,
});

/** Can it be read from a drawing? Lengths need a scale. */
const isRead = ({ kind }: Character): boolean => kind !== 'measurement';

/** The characters that can be read from a drawing in a view, whoever it is of; in a situation, as far as its light and nearness allow. */
export const readableIn = (guide: Guide, plan: Plan, view: string, situation: Situation = {}): Character[] =>
  guide.characters.filter(
    (character) =>
      character.views.includes(view) && isDrawn(guide, plan, character.id) && isRead(character) && isSeen(character, situation),
  );

/** Near enough for it, and in light enough: against the light and at dusk colours are gone. */
const isSeen = ({ distance, needsLight, group }: Character, situation: Situation): boolean =>
  DISTANCES.indexOf(distance) >= DISTANCES.indexOf(situation.distance ?? 'hand') &&
  (situation.light === undefined || situation.light === 'fair' || !(needsLight || group === 'colour'));

/** What a careful eye reads from a drawing: states, counts, proportions and angles, of those that can be seen. */
export function readingsIn(characters: readonly Character[], traits: Traits, compiled: CompiledGuide, form: number): Reading[] {
  return characters.flatMap((character): Reading[] => {
    const table = compiled.tables.get(character.id);
    const seen = traits[character.id];
    if (!table || seen === undefined) return [];
    if (table.applies && table.applies[form] < 0.5) return [];
    return [{ character: character.id, ...(typeof seen === 'string' ? { states: [seen] } : { value: seen }) }];
  });
}

/** What may be said: one group, two where they hold enough together, or that it cannot be told. */
export function bestFrom(
  compiled: CompiledGuide,
  grouping: Grouping,
  prior: ReturnType<typeof priorOf>,
  readings: readonly Reading[],
): Best {
  const masses = groupMasses(grouping, fromPrior(compiled, prior, readings).p);
  const needed = compiled.guide.settings.call.posterior;
  const [first, second] = ranked(masses);
  const id = (g: number) => grouping.groups[g].id;
  if (masses[first] >= needed) return { kind: 'one', groups: [id(first)], p: masses[first] };
  const two = second === undefined ? masses[first] : masses[first] + masses[second];
  const three = grouping.groups.filter((_, g) => masses[g] > 0).length > 2;
  if (three && two >= needed) return { kind: 'either', groups: [id(first), id(second)], p: two };
  return { kind: 'untold', groups: [], p: masses[first] };
}

/** The groups that come, with their labels. */
export const choicesOf = (grouping: Grouping, weights: readonly number[]): Grouping['groups'] =>
  grouping.groups.filter((_, g) => formsIn(grouping, g).some((f) => weights[f] > 0));
