import { onlyQuantity, propertyOf } from '../keys';
import { isStructure, type Word, wordsIn } from './words';

/** A statement prepared to be held against others. */
export interface Told {
  text: string;
  words: readonly Word[];
  property?: string;
}

/** From where something is looked at says nothing of what it is. */
const LOOKED_AT =
  /[,\s]+(?:(?:when\s+)?(?:seen|viewed)\s+from\s+(?:the\s+)?(?:side|above|below|front|behind)|in\s+(?:side|lateral|dorsal|ventral|frontal)\s+view)\b/i;

export function toldOf(written: string): Told {
  const text = written.replace(LOOKED_AT, '');
  return { text, words: wordsIn(text), property: propertyOf(text) };
}

const things = (words: readonly Word[]) => words.filter(({ kind }) => kind === 'thing');

/** Small words before the first that matters say nothing of what it is about: "with", "the". */
const fromFirst = (words: readonly Word[]) => {
  const first = words.findIndex(({ kind }) => kind !== 'small');
  return first < 0 ? words : words.slice(first);
};

/** The words that all begin with, up to the last that names something. */
function sharedHead(all: readonly Told[]): readonly Word[] {
  const lists = all.map(({ words }) => fromFirst(words));
  const [first] = lists;
  let n = 0;
  while (n < first.length && lists.every((words) => words[n]?.stem === first[n].stem)) n++;
  while (n > 0 && first[n - 1].kind !== 'thing') n--;
  return first.slice(0, n);
}

/** The words that all end with, from the first that names something, where nothing but numbers, denials and small words stands before them. */
function sharedTail(all: readonly Told[]): readonly Word[] {
  const lists = all.map(({ words }) => words);
  const [first] = lists;
  let n = 0;
  while (n < first.length && lists.every((words) => words.at(-1 - n)?.stem === first.at(-1 - n)!.stem)) n++;
  while (n > 0 && first.at(-n)!.kind !== 'thing') n--;
  if (n === 0 || lists.some((words) => things(words.slice(0, words.length - n)).length > 0)) return [];
  return first.slice(first.length - n);
}

/** What statements are about: the words they share, and whether those stand before or behind what each says. */
export interface Structure {
  label: string;
  at: 'head' | 'tail' | 'nowhere';
  words: number;
}

export function structureOf(all: readonly Told[]): Structure {
  const head = sharedHead(all);
  const words = head.length ? head : sharedTail(all);
  if (!isStructure(words)) return { label: '', at: 'nowhere', words: 0 };
  // Where all say the very same, the last word is what they say.
  const same = all.every((one) => fromFirst(one.words).length === head.length);
  const about = same && head.length > 1 && isStructure(head.slice(0, -1)) ? head.slice(0, -1) : words;
  return { label: all[0].text.slice(about[0].from, about.at(-1)!.to), at: head.length ? 'head' : 'tail', words: about.length };
}

/** What one says beyond the words that are shared. */
export function restOf({ text, words }: Told, { at, words: n }: Structure): string {
  if (at === 'nowhere') return text;
  const own = at === 'head' ? fromFirst(words) : words;
  const rest = at === 'head' ? text.slice(own[n - 1].to) : text.slice(0, own[own.length - n].from);
  return unjoined(rest);
}

/** Without the marks that only join it to what stands beside it; a sign that is all it says, or of a number, stays. */
const unjoined = (rest: string) =>
  /^\s*\(?[+−–-]\)?\s*$/.test(rest)
    ? rest.trim()
    : rest.replace(/^(?:[\s,:]|[–—-](?!\d))+/, '').replace(/(?:[\s,:—]|(?<!\b\p{Lu}\p{L}?)[–-])+$/u, '');

const sameDimension = (a: Told, b: Told): boolean => {
  const [one, other] = [onlyQuantity(a.text), onlyQuantity(b.text)];
  return one?.unit !== undefined && one.unit === other?.unit;
};

/** How likely two statements speak of the same; 0 where nothing says so. */
export function likeness(a: Told, b: Told): number {
  const head = things(sharedHead([a, b])).length;
  const tail = head ? 0 : things(sharedTail([a, b])).length;
  if (head === 0 && tail === 0) return 0;
  const [mine, yours] = [a, b].map(({ words }) => new Set(things(words).map(({ stem }) => stem)));
  const both = [...mine].filter((stem) => yours.has(stem)).length;
  const same = a.property !== undefined && a.property === b.property ? 1 : 0;
  return 2 * head + 1.5 * tail + both / (mine.size + yours.size - both) + same + (sameDimension(a, b) ? 2 : 0);
}
