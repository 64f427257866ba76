import type { Character } from '../guide/working';
import { coupletIndex, nextOf } from './graph';
import type { Couplet, Key } from './schema';

/** A character that a coming couplet asks for. */
export interface ComingCharacter {
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
  asked: ComingCharacter[];
}

/**
 * What the next couplets need, gathered by view, so that the specimen is turned
 * as seldom as possible: the view one is in first, then always the view that
 * shows most of what is left.
 *
 * @param from couplet to begin at; @param couplets how many to look ahead; @param view the one one is in.
 */
export function comingCharacters(
  key: Key,
  from: string,
  characters: ReadonlyMap<string, Character>,
  couplets = 5,
  view?: string,
): ViewChecklist[] {
  const coming = ahead(key, from, couplets).flatMap(askedBy);
  const left = new Set(coming);
  const lists: ViewChecklist[] = [];
  const viewsOf = (asked: ComingCharacter) =>
    asked.character === undefined ? [] : (characters.get(asked.character)?.views ?? []);
  const take = (chosen: string) => {
    const own = [...left].filter((asked) => viewsOf(asked).includes(chosen));
    own.forEach((asked) => left.delete(asked));
    if (own.length) lists.push({ view: chosen, asked: own });
  };
  if (view) take(view);
  for (;;) {
    const shown = new Map<string, number>();
    for (const asked of left) for (const one of viewsOf(asked)) shown.set(one, (shown.get(one) ?? 0) + 1);
    const [best] = [...shown].sort((a, b) => b[1] - a[1]);
    if (!best) break;
    take(best[0]);
  }
  if (left.size) lists.push({ asked: [...left] });
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

function askedBy(couplet: Couplet): ComingCharacter[] {
  const seen = new Set<string>();
  return couplet.leads.flatMap(({ statements }) =>
    statements.flatMap(({ n, text, link }): ComingCharacter[] => {
      // The contrast of a tied statement asks for the same character; of untied ones the first lead's stand for both.
      const id = link?.character ?? (couplet.leads[0].statements.some((own) => own.n === n) ? `n${n}` : undefined);
      if (id === undefined || seen.has(id)) return [];
      seen.add(id);
      return [{ couplet: couplet.id, number: couplet.number, n, text, ...(link ? { character: link.character } : {}) }];
    }),
  );
}
