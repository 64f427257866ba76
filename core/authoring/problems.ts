import { type Guide, isStates, readGuide } from '../guide';
import type { Outcome, Problem } from '../problem';
import type { Draft } from './draftSchema';

/** What keeps a draft from being published, by field. */
export const draftProblems = (draft: Draft): Problem[] => problemsOf(draft, readGuide(draft));

export function problemsOf(draft: Draft, read: Outcome<Guide>): Problem[] {
  const problems: Problem[] = [];
  const want = (field: keyof Draft, message: string) => problems.push({ code: 'wanted', field, message });
  if (!draft.title.trim()) want('title', 'Give it a title.');
  if (!draft.group.trim()) want('group', 'Say of which group it is.');
  if (!draft.area.trim()) want('area', 'Say for which area it holds.');
  if (draft.taxa.length === 0) want('taxa', 'Write down what it tells apart.');
  if (draft.characters.length === 0) want('characters', 'Write down what it tells them apart by.');
  const dangerous = draft.taxa.filter(({ hazards }) => hazards?.length);
  if (!draft.caution.trim())
    want(
      'caution',
      dangerous.length
        ? `${dangerous[0].name} can do harm: say plainly, in the guide’s caution, what to keep from.`
        : 'Say what is not to be done on its word alone, such as to touch, keep or eat.',
    );
  draft.characters.forEach((character, i) => {
    const { label, states, views } = character;
    if (isStates(character) && (states?.length ?? 0) < 2)
      problems.push({ code: 'wanted', field: `characters[${i}].states`, message: `“${label}” wants two states at the least.` });
    if (views.length === 0)
      problems.push({ code: 'wanted', field: `characters[${i}].views`, message: `Say from where “${label}” is seen.` });
  });
  const found = read.ok ? [] : read.problems;
  // What is wanted is said once, and in the words above.
  const said = new Set(problems.map(({ field }) => field));
  const own = found.filter(({ field = '' }) => !said.has(field) && !said.has(field.split('[')[0]) && !EMPTY.has(field));
  return [...problems, ...own.map((problem) => placed(draft, problem))];
}

/** What an empty guide is refused for as well. */
const EMPTY = new Set(['scores']);

/** Of a score it is said of which taxon it is. */
function placed({ scores, taxa }: Draft, problem: Problem): Problem {
  const at = /^scores\[(\d+)\]/.exec(problem.field ?? '');
  const taxon = at && taxa.find(({ id }) => id === scores[Number(at[1])]?.scope.taxon);
  return taxon ? { ...problem, message: `${taxon.name}: ${problem.message}` } : problem;
}
