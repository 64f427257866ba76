import type { Score, Term } from '../guide/schema';
import type { Edit } from './draftSchema';
import { putList, type Working } from './workingDraft';

/**
 * What elsewhere in a draft is about nothing but taxa, characters or states that it has no longer goes with them: the
 * drawings of words by their states, and what their names cost. What else names them (rules, treatments, crosses) is
 * for somebody to mend, and told where the draft is looked over.
 *
 * @returns what puts it back.
 */
export function letGo(working: Working): Edit[] {
  const { glossary = [], costs = [] } = working.draft;
  if (glossary.length + costs.length === 0) return [];
  const states = new Map(working.draft.characters.map((one) => [one.id, new Set(one.states?.map(({ id }) => id))]));
  const taxa = new Set(working.draft.taxa.map(({ id }) => id));
  return [
    ...putList(working, 'glossary', (term) => drawnBy(term, states)),
    ...putList(working, 'costs', (cost) => (taxa.has(cost.taxon) ? cost : undefined)),
  ];
}

/** A word without what it can be drawn by no longer. */
function drawnBy(term: Term, states: ReadonlyMap<string, ReadonlySet<string>>): Term {
  const { figure, ...rest } = term;
  if (!figure || !('character' in figure)) return term;
  const left = figure.states.filter((state) => states.get(figure.character)?.has(state));
  if (left.length === figure.states.length) return term;
  return left.length ? { ...term, figure: { ...figure, states: left } } : rest;
}

/** Is a score of a taxon, or says that something lies above or below it? */
export const isAbout = ({ scope, value }: Score, isGone: (taxon: string) => boolean): boolean =>
  (scope.taxon !== undefined && isGone(scope.taxon)) || (value.kind === 'comparison' && isGone(value.than.taxon));
