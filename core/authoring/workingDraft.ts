import type { Score } from '../guide/schema';
import { failed } from '../problem';
import { stableJson } from '../stableJson';
import { isOfWhole } from './packed';
import { type Cell, type Draft, type Edit, MOST_SCORES } from './draftSchema';

/** A draft at work: its scores by what each is of, so that one of many is found and changed at once. */
export interface Working {
  draft: Omit<Draft, 'scores'>;
  scores: Scores;
}

/** Scores by what each is of; those of less or more than a whole taxon, which are few, are at hand too. */
export class Scores extends Map<string, Score> {
  readonly ofParts = new Map<string, Score>();

  constructor(scores: Iterable<Score>) {
    super();
    for (const score of scores) this.set(cellKey(score), score);
  }

  override set(key: string, score: Score): this {
    if (!isOfWhole(score.scope)) this.ofParts.set(key, score);
    return super.set(key, score);
  }

  override delete(key: string): boolean {
    this.ofParts.delete(key);
    return super.delete(key);
  }
}

/** What a score is known by, as a key. */
export const cellKey = ({ character, scope, source }: Cell): string => `${character}\n${source}\n${scopeKey(scope)}`;

/** Told without looking further where it can be, for there may be millions. */
const scopeKey = (scope: Cell['scope']): string => (isOfWhole(scope) ? `{"taxon":"${scope.taxon}"}` : stableJson(scope));

export function workingOf({ scores, ...draft }: Draft): Working {
  return { draft, scores: new Scores(scores) };
}

export const draftOf = ({ draft, scores }: Working): Draft => ({ ...draft, scores: [...scores.values()] });

export const missing = (what: string, id: string) =>
  failed({ code: `no-${what}`, message: `There is no ${what} “${id}” in this draft any more.`, field: 'edits' });

/** Changes that put scores, as many in each as an edit may have. */
export const putAll = (scores: readonly Score[]): Edit[] => slices(scores).map((put): Edit => ({ do: 'scores', put, drop: [] }));

/** Changes that take cells out, likewise. */
export const dropAll = (cells: readonly Cell[]): Edit[] => slices(cells).map((drop): Edit => ({ do: 'scores', put: [], drop }));

const slices = <T>(all: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(all.length / MOST_SCORES) }, (_, i) => all.slice(i * MOST_SCORES, (i + 1) * MOST_SCORES));

/** One of the lists that stand beside the scores, each of its things as it is to be now; what puts it back. */
export function putList<N extends 'figures' | 'glossary' | 'costs'>(
  working: Working,
  name: N,
  now: (one: NonNullable<Draft[N]>[number]) => NonNullable<Draft[N]>[number] | undefined,
): Edit[] {
  const was: readonly NonNullable<Draft[N]>[number][] = working.draft[name] ?? [];
  const list = was.flatMap((one) => now(one) ?? []);
  if (list.length === was.length && was.every((one, i) => one === list[i])) return [];
  working.draft = { ...working.draft, [name]: list };
  return [{ do: 'part', set: { [name]: was }, drop: [] }];
}

/** Take scores out; what puts them back. */
export function take(working: Working, which: (score: Score) => boolean): Edit[] {
  const lost = [...working.scores].filter(([, score]) => which(score));
  for (const [key] of lost) working.scores.delete(key);
  return putAll(lost.map(([, score]) => score));
}
