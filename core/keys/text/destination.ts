import type { Destination } from '../schema';
import { DESTINATION_REACH, lastStretch, spaceOr, trimmedEnd } from '../bounds';
import { fromRoman } from './marker';

/** Where a lead of a text goes on, before couplets are known by more than their numbers. */
export type Written = { kind: 'number'; number: string } | Extract<Destination, { kind: 'taxon' | 'key' }>;

/** Dotted, dashed or wide-spaced leaders; the last of a lead part its words from where it goes. */
const LEADERS = /\s*(?:\.{3,}|(?<!\.)\.{2}(?![.\d])|…+|(?:\.\s){2,}\.?|·{2,}|_{3,}|-{3,}|–{2,}|\t|\s{4,}|→|[-=]>)[\s.…]*/g;
const NUMBERED = /^(?:go to\s+|see\s+|to\s+)?(?:couplet\s+|no\.?\s+)?\(?(\d{1,4}|[A-Z])\)?[a-z]?\.?$/;
const OTHER_KEY = /^(?:\(?\s*see\s+)?(?:the\s+)?key\s+(?:to|for|of)\s+(.+?)\)?\.?$/i;
/** "2 or 3": a lead goes on to one couplet, and nothing is called so. */
const SEVERAL = /^\d{1,4}[a-z]?(?:\s*(?:,|&|\/|or|and|to|[–-])\s*\d{1,4}[a-z]?)+$/i;
/** What an indented key says where it prints a part again. */
export const REPEATED = /\s*\[couplet \d+ is printed above and repeated here\]\s*$/;
/** A name: a capitalised word, epithets, author and year, open to marks and brackets. */
const NAME = String.raw`\p{Lu}[\p{L}-]+(?:\s\(\p{Lu}[\p{L}-]+\))?(?:\s(?:×|x|cf\.|aff\.|sp\.|spp\.|subsp\.|ssp\.|var\.|f\.))*(?:\s(?!and\b|or\b|with\b|without\b|not\b|as\b)\p{Ll}[\p{L}-]{2,})?(?:\s(?:subsp\.|ssp\.|var\.)?\s?\p{Ll}[\p{L}-]{2,})?`;
const AUTHOR = String.raw`(?:\s\(?\p{Lu}[\p{L}.'’-]*(?:(?:\s(?:&|et|ex|in|and)|,)?\s\p{Lu}[\p{L}.'’-]*)*(?:,?\s\d{4})?\)?(?:,?\s\d{4})?)?`;
const NAME_ALONE = new RegExp(`^${NAME}${AUTHOR}\\.?$`, 'u');
/** After a stop a name must have its author, or "Leaves hairy" would be one; after a colon or dash it need not. */
const nameAtEnd = (stop: string, author: string) =>
  new RegExp(
    `${stop}\\s*((?:\\p{Lu}[\\p{L}-]+|\\p{Lu}\\.)\\s\\p{Ll}[\\p{L}-]{2,}(?:\\s(?:subsp\\.|ssp\\.|var\\.)?\\s?\\p{Ll}[\\p{L}-]{2,})?${author})\\.?$`,
    'u',
  );
const NAMES_AT_END = [
  nameAtEnd('[.;,]', AUTHOR.replace(/\?$/, '')),
  nameAtEnd('(?:[:–—-]|\\n)', AUTHOR),
  // With an author and a year it is a name wherever it stands; the year is no couplet.
  nameAtEnd('\\s', String.raw`\s\(?\p{Lu}[\p{L}.'’-]*(?:(?:\s(?:&|et|ex|in|and)|,)?\s\p{Lu}[\p{L}.'’-]*)*,?\s\d{4}\)?`),
];
const FIGURES = /\s*\(?\b(?:figs?|figures?|pls?|plates?)\.?\s*\d[\d\s,–&a-z-]*\)?\s*$/i;

/** A lead parted into its words and where it goes on; whether a stop stood behind it. */
export interface Parted {
  words: string;
  to?: Written;
  stopped?: boolean;
  /** The number at its end may belong to its words as well. */
  unsure?: boolean;
}

/**
 * Part a lead as printed into its words and where it goes: after leaders; a number
 * at the end; "see key to …"; a name on a line of its own or after a stop.
 *
 * @param text physical lines joined with `\n`.
 */
export function splitDestination(text: string, roman = false): Parted {
  const [before, stretch] = lastStretch(text.trim(), DESTINATION_REACH);
  const parted = inStretch(stretch, roman);
  return before ? { ...parted, words: trimmed(`${before}${before.endsWith('\n') ? '' : ' '}${parted.words}`) } : parted;
}

function inStretch(text: string, roman: boolean): Parted {
  const whole = text.replace(REPEATED, '').trim();
  const other = /(?:^|[\s.…])\(?((?:see\s+)?(?:the\s+)?key\s+(?:to|for)\s+[^.;]+?)\)?\.?$/i.exec(whole);
  if (other && /see\s/i.test(other[1]))
    return { words: trimmed(whole.slice(0, other.index).replace(/[→>=-]+\s*$/, '')), to: destinationOf(other[1]) };
  let last: RegExpMatchArray | undefined;
  for (const match of whole.matchAll(LEADERS)) if (whole.slice(match.index + match[0].length).trim()) last = match;
  if (last) {
    const tail = joinedLines(whole.slice(last.index! + last[0].length));
    if (!/;/.test(tail.replace(/[([][^()[\]]*[)\]]/g, '')) && tail.length <= 160)
      return withFigures(whole.slice(0, last.index), tail, roman);
  }
  const lines = whole.split('\n');
  const alone = lines.length > 1 ? lines.at(-1)!.trim() : '';
  if (NAME_ALONE.test(alone.replace(FIGURES, ''))) return withFigures(lines.slice(0, -1).join('\n'), alone, roman);
  const named = NAMES_AT_END.map((pattern) => pattern.exec(whole)).find(Boolean);
  if (named) return withFigures(whole.slice(0, named.index), whole.endsWith('.') ? `${named[1]}.` : named[1], roman);
  const numbered = /(^|[\s.(])((?:go to|see)\s+)?(couplet\s+)?(\d{1,4})\)?\.?$/.exec(whole);
  if (!numbered || CITES.test(whole.slice(Math.max(0, numbered.index - 30), numbered.index + 1)))
    return { words: trimmed(whole) };
  const before = whole.slice(0, numbered.index).trimEnd();
  const parted = Boolean(numbered[2] ?? numbered[3]) || /[.;:,)\]–—]$/.test(before) || numbered[1] === '.' || numbered[1] === '(';
  // "black 2", "seldom 15": a number that nothing parts from the words may belong to them.
  if (!parted && COUNTS.test(before)) return { words: trimmed(whole), unsure: true };
  const to = { kind: 'number' as const, number: numbered[4] };
  return { words: trimmed(before), to, ...(whole.endsWith('.') ? { stopped: true } : {}), ...(parted ? {} : { unsure: true }) };
}

/** Numbers behind these are figures, plates and sizes. */
const CITES = /(?:figs?|figures?|pls?|plates?|nos?|×|x|±|=)\.?\s*(?:[\d,–&\s-]*)$/i;
/** Words that a number of something follows. */
const COUNTS =
  /\b(?:about|above|almost|at least|at most|at|below|between|by|ca|circa|exactly|fewer|from|hardly|less|more|mostly|nearly|never|not|of|often|or|over|rarely|scarcely|seldom|sometimes|than|to|under|up to|usually|with|within|without|and|number(?:ing)?|×)\.?$/i;

/** "Aus (Nigrans" lost its bracket to the end of the line. */
const closed = (text: string) => (text.includes('(') && !text.includes(')') ? `${text})` : text);

/** Figures, pages and sexes cited beside a name belong to what the lead says. */
function withFigures(words: string, tail: string, roman: boolean): Parted {
  let name = tail.trim();
  let cited = '';
  for (const notes of [FIGURES, NOTES, FIGURES]) {
    const found = notes.exec(name);
    if (!found || found.index === 0) continue;
    cited = ` ${found[0].trim()}${cited}`;
    name = name.slice(0, found.index).trimEnd();
  }
  const plain = joinedLines(name);
  return { words: trimmed(words) + cited, to: destinationOf(name, roman), ...(/\.[*_]*$/.test(plain) ? { stopped: true } : {}) };
}

/** Sexes, pages and the like behind a name: "(♂, p. 14)", "♀". */
const NOTES =
  /\s*(?:[([](?:[♂♀⚥]|(?:fe)?males?\b|workers?\b|adults?\b|larvae?\b|in part\b|part(?:ly)?\b|pp?\.|pages?\b|see\b|figs?\b|pls?\b|nos?\.)[^)\]]{0,60}[)\]]|,?\s*pp?\.\s*\d[\d–-]*|\s[♂♀⚥]{1,2})\.?\s*$/iu;

const joinedLines = (text: string) =>
  text
    .replace(/([\p{Ll}])-\n\s*(?=\p{Ll})/gu, '$1')
    .replace(/\s*\n\s*/g, ' ')
    .trim();
/** A test that is negative, "K–", ends in no leader. */
const NEGATIVE = /(?:^|[\s;,(])\p{Lu}\p{L}?[−–-]$/u;
const trimmed = (text: string) => {
  const joined = joinedLines(text);
  const open = trimmedEnd(joined, spaceOr('.…:'));
  return NEGATIVE.test(open.slice(-5)) ? open : trimmedEnd(joined, spaceOr('.…:–—-'));
};

function destinationOf(tail: string, roman = false): Written | undefined {
  const plain = joinedLines(tail)
    .replace(/^[*_]+|[*_]+$/g, '')
    .trim();
  const inRoman = roman ? fromRoman(plain.replace(/^(?:go to|see|to)\s+/i, '').replace(/[.)]$/, '')) : undefined;
  if (inRoman !== undefined) return { kind: 'number', number: String(inRoman) };
  const number = roman && !/\d/.test(plain) ? null : NUMBERED.exec(plain);
  if (number) return { kind: 'number', number: number[1] };
  const other = OTHER_KEY.exec(plain);
  if (other) return { kind: 'key', title: closed(other[1]).slice(0, 200) };
  const name = plain.replace(/[*_]/g, '').replace(/\.$/, '').slice(0, 200);
  return name && !SEVERAL.test(name) ? { kind: 'taxon', name } : undefined;
}
