import { type Guide, isStates, readGuide } from '../guide';
import type { Outcome, Problem } from '../problem';
import type { Draft, LookedOver } from './draftSchema';

/** With the taxon and the character of which it is, where it is of one. */
type Placed = LookedOver['problems'][number];

/** What keeps a draft from being published, by field. */
export const draftProblems = (draft: Draft): Problem[] => problemsOf(draft, readGuide(draft));

export function problemsOf(draft: Draft, read: Outcome<Guide>): Placed[] {
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
  return [...problems, ...own].map((problem) => placed(draft, problem));
}

/** What an empty guide is refused for as well. */
const EMPTY = new Set(['scores']);

/** Of what it is; of a score that is said in its words too. */
function placed({ scores, taxa, characters }: Draft, problem: Problem): Placed {
  const [, list, at] = /^(scores|taxa|characters)\[(\d+)\]/.exec(problem.field ?? '') ?? [];
  const which = Number(at);
  if (list === 'taxa') return { ...problem, taxon: taxa[which]?.id };
  if (list === 'characters') return { ...problem, character: characters[which]?.id };
  const score = list && scores[which];
  const taxon = score && taxa.find(({ id }) => id === score.scope.taxon);
  if (!taxon) return problem;
  return { ...problem, message: `${taxon.name}: ${problem.message}`, taxon: taxon.id, character: score.character };
}
