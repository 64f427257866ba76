import { type Guide, isStates, readGuide } from '../guide';
import type { Outcome, Problem } from '../problem';
import type { Draft, LookedOver } from './draftSchema';
import { calledOf, SECTIONS } from './sections';

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
  return [...problems, ...own.map((problem) => named(draft, problem))].map((problem) => placed(draft, problem));
}

/** What an empty guide is refused for as well. */
const EMPTY = new Set(['scores']);

const FIELD = /^(\w+)(?:\[(\d+)\])?/;

/** With the ids of the taxon and the character of which it is. */
function placed({ scores, taxa, characters }: Draft, problem: Problem): Placed {
  const [, list, at] = FIELD.exec(problem.field ?? '') ?? [];
  const score = list === 'scores' ? scores[Number(at)] : undefined;
  const taxon = list === 'taxa' ? taxa[Number(at)]?.id : score?.scope.taxon;
  const character = list === 'characters' ? characters[Number(at)]?.id : score?.character;
  return { ...problem, ...(taxon === undefined ? {} : { taxon }), ...(character === undefined ? {} : { character }) };
}

/** In its words too: of which taxon a score is, of which section and which of its things all else. */
function named(draft: Draft, problem: Problem): Problem {
  const path = (problem.field ?? '').split(/[.[\]]+/).filter(Boolean);
  const [list, at] = path;
  const called = calledOn(draft, path);
  const of =
    list === 'scores'
      ? draft.taxa.find(({ id }) => id === draft.scores[Number(at)]?.scope.taxon)?.name
      : Object.hasOwn(SECTIONS, list ?? '') &&
        [SECTIONS[list as keyof typeof SECTIONS], called && `“${called}”`].filter(Boolean).join(', ');
  return of ? { ...problem, message: `${of}: ${problem.message}` } : problem;
}

/** What the first is called that has a name on the way to a field. */
function calledOn(draft: Draft, path: readonly string[]): string {
  let at: unknown = draft;
  for (const key of path) {
    at = typeof at === 'object' && at ? (at as Record<string, unknown>)[key] : undefined;
    const called = at !== draft && typeof at === 'object' && at ? calledOf(at) : '';
    if (called) return called;
  }
  return '';
}
