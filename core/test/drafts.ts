import { applyEdits, cellKey, draftOf, type Edit, type Working } from '../authoring';
import { stableJson } from '../stableJson';

/** All of a draft at work, scores in whatever order. */
export function wholeDraft(working: Working): string {
  const { scores, ...draft } = draftOf(working);
  return stableJson({ draft, scores: scores.map((score) => [cellKey(score), score]).sort(([a], [b]) => (a < b ? -1 : 1)) });
}

/** Make changes that can be made; what takes them back. */
export function madeOn(working: Working, ...edits: Edit[]): Edit[] {
  const outcome = applyEdits(working, edits);
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
}
