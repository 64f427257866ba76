import type { SetAside } from './schema';
import {
  type Character,
  type CompiledGuide,
  FACETS,
  HANDLING,
  holdsIn,
  MONTHS,
  outOfScopeBy,
  type Score,
} from '../guide/working';
import { DISTANCES, type Situation } from '../observation';
import { type Hazards, isClose } from './danger';
import type { WeighedPosterior } from './posterior';

/** A character scored for less than this share of what is still possible is set aside. */
const LEAST = 0.05;

/** Characters that this situation hides, that danger withholds, or that hold only for others than those still possible. */
export function setAsideOf(compiled: CompiledGuide, full: WeighedPosterior, situation: Situation, hazards: Hazards): SetAside[] {
  return compiled.guide.characters.flatMap((character) => {
    const why = setAsideBy(compiled, character, situation, hazards) ?? outOfScope(compiled, full, character);
    return why ? [{ character: character.id, ...why }] : [];
  });
}

type Why = Omit<SetAside, 'character'>;

/** What keeps a character from being read in this situation. */
export function setAsideBy(
  compiled: CompiledGuide,
  character: Character,
  situation: Situation,
  hazards: Hazards,
): Why | undefined {
  const { guide } = compiled;
  if (situation.views && !character.views.some((view) => situation.views!.includes(view))) {
    const views = character.views.map((id) => guide.views.find((view) => view.id === id)?.label ?? id);
    return { because: 'view', text: `needs a view ${views.join(' or ')}` };
  }
  if (hazards.withheld && isClose(character))
    return { because: 'danger', text: 'needs closeness: withheld while a dangerous one is possible' };
  if (situation.handling && HANDLING.indexOf(character.handling) > HANDLING.indexOf(situation.handling)) {
    return { because: 'handling', text: 'needs more handling than is allowed' };
  }
  if (situation.distance && DISTANCES.indexOf(character.distance) < DISTANCES.indexOf(situation.distance)) {
    return { because: 'distance', text: 'needs to be nearer' };
  }
  return undefined;
}

function outOfScope(compiled: CompiledGuide, full: WeighedPosterior, character: Character): Why | undefined {
  const table = compiled.tables.get(character.id)!;
  const inside = 1 - full.outside || 1;
  let scored = 0;
  for (let f = 0; f < full.p.length; f++) if (table.scored[f]) scored += full.p[f];
  if (scored / inside >= LEAST || compiled.blocks.some(({ at }) => at.has(character.id))) return undefined;
  const all = compiled.guide.scores.filter(({ character: id }) => id === character.id);
  const barred = all.find((score) => outOfScopeBy(score, compiled.setting));
  const obstacle = barred && outOfScopeBy(barred, compiled.setting);
  if (barred && obstacle) return { because: obstacle, text: sayScope(compiled, barred, obstacle) };
  const facets = all.filter((score) => holdsIn(score, compiled.setting) && score.scope.facets);
  return facets.length ? { because: 'facets', text: sayFacetScope(compiled, facets) } : undefined;
}

function sayScope({ guide }: CompiledGuide, { scope }: Score, obstacle: 'date' | 'region' | 'circumstances'): string {
  const labels = (ids: readonly string[], list: readonly { id: string; label: string }[] | undefined) =>
    ids.map((id) => list?.find((one) => one.id === id)?.label ?? id).join(', ');
  if (obstacle === 'date') return `only from ${sayDay(scope.dates!.from)} to ${sayDay(scope.dates!.to)}`;
  if (obstacle === 'region') return `only in ${labels(scope.regions!, guide.regions)}`;
  return `only when ${labels(scope.circumstances!, guide.circumstances)}`;
}

const sayDay = (monthDay: string) => `${Number(monthDay.slice(3))} ${MONTHS[Number(monthDay.slice(0, 2)) - 1]}`;

/** "adult only", "adult female only": the facet values that every score of the character asks for. */
export function sayFacetScope({ guide }: Pick<CompiledGuide, 'guide'>, scores: readonly Score[]): string {
  const words = FACETS.flatMap((facet) => {
    const asked = scores.map(({ scope }) => scope.facets?.[facet]);
    if (asked.some((values) => !values)) return [];
    const values = [...new Set(asked.flatMap((list) => list!))];
    if (values.length === guide.facets[facet]?.length) return [];
    return [values.map((id) => guide.facets[facet]?.find((value) => value.id === id)?.label ?? id).join(' or ')];
  });
  return words.length ? `${words.join(', ')} only` : 'not scored for those still possible';
}
