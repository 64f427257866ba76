import { BEAT_VIEW, drawsBeat } from '../camera';
import type { Character, CompiledGuide, Guide } from '../guide/working';
import type { Plan } from '../plates';
import { pick, seeded } from '../probability';
import { bestFrom, choicesOf, formWeights, priorOf } from './drawn';
import { groupsAt } from './groups';
import { individualsOf } from './individual';
import type { Asked, Item } from './schema';

/** The characters that are so often in a second, where a beat is drawn: they are read from a clip, and from no plate. */
export const beatsOf = (guide: Guide, plan: Plan): Character[] =>
  drawsBeat(plan) ? guide.characters.filter(({ tempo }) => tempo) : [];

/**
 * A novel individual in flight, whose beat is to be read. The same asking with the same seed beats the same everywhere.
 *
 * @returns undefined where a beat is not drawn, or known of none of those that are asked about.
 */
export function beatItem(
  compiled: CompiledGuide,
  plan: Plan,
  { level, groups }: Asked,
  character: Character,
  seed: string,
): Item | undefined {
  const { guide, forms } = compiled;
  const table = compiled.tables.get(character.id);
  if (!table || !beatsOf(guide, plan).includes(character)) return undefined;
  const random = seeded(`beat ${guide.id} ${seed}`);
  const grouping = groupsAt(compiled, level);
  const weights = formWeights(compiled, plan, grouping, groups, BEAT_VIEW).map((weight, f) => (table.scored[f] ? weight : 0));
  if (weights.every((weight) => weight === 0)) return undefined;
  const form = pick(weights, random);
  const traits = individualsOf(compiled, form)(random);
  const value = traits[character.id];
  if (typeof value !== 'number' || !(value > 0)) return undefined;
  const readings = [{ character: character.id, value }];
  return {
    ...{ guide: guide.id, seed, view: BEAT_VIEW, level, traits, hidden: [], choices: choicesOf(grouping, weights) },
    truth: {
      ...{ form: forms[form].id, group: grouping.groups[grouping.of[form]].id, readings },
      best: bestFrom(compiled, grouping, priorOf(weights), readings),
    },
    beats: value,
  };
}
