import type { Character } from '../guide/working';
import { coupletIndex, nextOf } from './graph';
import type { Couplet, Key } from './schema';

/** A mark that a coming couplet asks for. */
export interface ComingMark {
  couplet: string;
  number: string;
  /** Number and words of the first statement that asks for it. */
  n: number;
  text: string;
  character?: string;
}

/** What can be read without turning the specimen again. */
export interface ViewChecklist {
  /** The guide's view; absent for statements that are tied to no character. */
  view?: string;
  marks: ComingMark[];
}

/**
 * What the next couplets need, gathered by view, so that the specimen is turned
 * as seldom as possible: the view one is in first, then always the view that
 * shows most of what is left.
 *
 * @param from couplet to begin at; @param couplets how many to look ahead; @param view the one one is in.
 */
export function comingMarks(
  key: Key,
  from: string,
  characters: ReadonlyMap<string, Character>,
  couplets = 5,
  view?: string,
): ViewChecklist[] {
  const marks = ahead(key, from, couplets).flatMap(marksOf);
  const left = new Set(marks);
  const lists: ViewChecklist[] = [];
  const viewsOf = (mark: ComingMark) => (mark.character === undefined ? [] : (characters.get(mark.character)?.views ?? []));
  const take = (chosen: string) => {
    const own = [...left].filter((mark) => viewsOf(mark).includes(chosen));
    own.forEach((mark) => left.delete(mark));
    if (own.length) lists.push({ view: chosen, marks: own });
  };
  if (view) take(view);
  for (;;) {
    const shown = new Map<string, number>();
    for (const mark of left) for (const one of viewsOf(mark)) shown.set(one, (shown.get(one) ?? 0) + 1);
    const [best] = [...shown].sort((a, b) => b[1] - a[1]);
    if (!best) break;
    take(best[0]);
  }
  if (left.size) lists.push({ marks: [...left] });
  return lists;
}

/** The couplets that may come, nearest first. */
function ahead(key: Key, from: string, most: number): Couplet[] {
  const first = coupletIndex(key).get(from);
  const queue = first ? [first] : [];
  for (let i = 0; i < queue.length && queue.length < most; i++) {
    for (const lead of queue[i].leads) {
      const next = nextOf(key, lead);
      if (next && !queue.includes(next) && queue.length < most) queue.push(next);
    }
  }
  return queue;
}

function marksOf(couplet: Couplet): ComingMark[] {
  const seen = new Set<string>();
  return couplet.leads.flatMap(({ statements }) =>
    statements.flatMap(({ n, text, link }): ComingMark[] => {
      // The contrast of a tied statement asks for the same mark; of untied ones the first lead's stand for both.
      const id = link?.character ?? (couplet.leads[0].statements.some((own) => own.n === n) ? `n${n}` : undefined);
      if (id === undefined || seen.has(id)) return [];
      seen.add(id);
      return [{ couplet: couplet.id, number: couplet.number, n, text, ...(link ? { character: link.character } : {}) }];
    }),
  );
}
