import type { Guide } from '../guide/working';

/**
 * Circumstances to take for granted where a form is drawn or described in
 * general: those that only add characters (a tube seen on a crawling shell, light seen
 * through a wing), not those that change a character which has a usual look as well
 * (wings bent by wind).
 */
export function usualCircumstances(guide: Pick<Guide, 'circumstances' | 'scores'>): string[] {
  const usual = new Set(guide.scores.filter(({ scope }) => !scope.circumstances).map(({ character }) => character));
  const changing = new Set(
    guide.scores.flatMap(({ scope, character }) => (usual.has(character) ? (scope.circumstances ?? []) : [])),
  );
  return (guide.circumstances ?? []).map(({ id }) => id).filter((id) => !changing.has(id));
}
