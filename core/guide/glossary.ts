import type { Guide, Term } from './schema';

/** A stretch of text, with the glossary's term where it is one. */
export interface TermRun {
  text: string;
  term?: Term;
}

interface Index {
  pattern: RegExp;
  byWord: Map<string, Term>;
}

const indexes = new WeakMap<readonly Term[], Index>();
const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

function indexOf(terms: readonly Term[]): Index {
  let index = indexes.get(terms);
  if (!index) {
    const byWord = new Map(terms.flatMap((term) => [term.term, ...(term.also ?? [])].map((word) => [word.toLowerCase(), term])));
    // Longest first, so that "hind foot" is not read as "foot"; a plural s belongs to the word.
    const words = [...byWord.keys()].sort((a, b) => b.length - a.length).map(escaped);
    index = { pattern: new RegExp(`(?<![\\p{L}\\p{N}])(${words.join('|')})(?:e?s)?(?![\\p{L}\\p{N}])`, 'giu'), byWord };
    indexes.set(terms, index);
  }
  return index;
}

/**
 * A text cut into what is plain and what the glossary explains.
 *
 * @example termsIn(guide, 'Hind feet with rows of punctures')
 */
export function termsIn({ glossary }: Pick<Guide, 'glossary'>, text: string): TermRun[] {
  if (!glossary?.length) return [{ text }];
  const { pattern, byWord } = indexOf(glossary);
  const runs: TermRun[] = [];
  let from = 0;
  for (const match of text.matchAll(pattern)) {
    if (match.index > from) runs.push({ text: text.slice(from, match.index) });
    runs.push({ text: match[0], term: byWord.get(match[1].toLowerCase()) });
    from = match.index + match[0].length;
  }
  if (from < text.length) runs.push({ text: text.slice(from) });
  return runs;
}
