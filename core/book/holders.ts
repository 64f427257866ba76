import { disagreementsOf } from '../guide/disagreements';
import { type Character, type CompiledGuide, frequenciesOf, type Guide } from '../guide/working';
import { closedViews } from '../plates';

/** Who shows a state, and how often: forms alike in it are said once, by taxon. */
export interface Holder {
  taxon: string;
  /** Range of its frequency over the taxon's forms, 0..1. */
  least: number;
  most: number;
}

/** From this frequency on a taxon is said to have a state. */
const HAS = 0.05;

/** For every state, the taxa any of whose forms has it, those that have it most first. */
export function holdersOf(compiled: CompiledGuide, character: string): { state: string; holders: Holder[] }[] {
  const table = compiled.tables.get(character);
  if (!table || table.type !== 'states') return [];
  return table.states.map((state) => {
    const byTaxon = new Map<string, Holder>();
    compiled.forms.forEach(({ taxon, cross }, f) => {
      if (cross || !table.scored[f]) return;
      const p = frequenciesOf(table, f).find((one) => one.state === state)!.p;
      const known = byTaxon.get(taxon);
      byTaxon.set(taxon, { taxon, least: Math.min(known?.least ?? 1, p), most: Math.max(known?.most ?? 0, p) });
    });
    const holders = [...byTaxon.values()].filter(({ most }) => most >= HAS).sort((a, b) => b.most + b.least - a.most - a.least);
    return { state, holders };
  });
}

/** What must be so for a character to be read, in words: views, distance, light, handling. */
export function conditionsOf({ guide }: Pick<CompiledGuide, 'guide'>, character: Character): string[] {
  const views = character.views.map((id) => guide.views.find((view) => view.id === id)?.label ?? id);
  const handling = { look: '', touch: 'must be touched', hold: 'must be held', instrument: 'needs an instrument' }[
    character.handling
  ];
  const distance = { far: 'also from afar', near: 'from a few paces', hand: 'from hand’s distance' }[character.distance];
  return [views.join(', or '), distance, character.needsLight ? 'in fair light' : '', handling].filter(Boolean);
}

/** How many forms' scores of a character the sources dispute. */
export const disputedForms = (compiled: CompiledGuide, character: string): number =>
  disagreementsOf(compiled)
    .filter((one) => one.character === character)
    .reduce((sum, { forms }) => sum + forms.length, 0);

/** What hides a character, or changes it, in words; nothing where it stays in sight. */
export function hidesOf(guide: Guide, character: Character): string[] {
  const closed = closedViews(guide);
  const shut =
    character.plate && character.plate.view in closed && character.views.every((view) => view in closed || view === 'hand');
  const changing = new Set(
    guide.scores.flatMap(({ character: id, scope }) => (id === character.id ? (scope.circumstances ?? []) : [])),
  );
  const said = (guide.circumstances ?? []).filter(({ id }) => changing.has(id)).map(({ label }) => label);
  return [
    ...(shut ? ['closed wings'] : []),
    ...(character.group === 'pattern' || character.group === 'colour' ? ['dirt and wear'] : []),
    ...(character.needsLight ? ['glare, dusk and wet'] : []),
    ...(character.distance === 'hand' ? ['distance of more than an arm'] : character.distance === 'near' ? ['distance'] : []),
    ...(said.length ? [`scored otherwise when it is ${said.join(', or ')}`] : []),
  ];
}
