import { MARK_REACH } from '../bounds';

/** The mark a lead begins with, and what follows it on the line. */
export interface Marker {
  indent: number;
  /** Couplet number or letter; absent for a bare contrast such as a dash. */
  number?: string;
  /** It says itself that it is not the first lead of its couplet. */
  contrast: boolean;
  /** Couplets it says it is reached from. */
  back?: string[];
  rest: string;
  /** Could it as well be a wrapped line that begins with a number? */
  weak: boolean;
}

/** How couplets are numbered: 1, A or I. */
export type Numbering = 'figures' | 'letters' | 'roman';

const ORIGINS = String.raw`\d{1,4}\s?[a-z'*]?(?:\s?(?:,|&|and|–|-)\s?\d{1,4}\s?[a-z'*]?){0,5}`;
const NUMBERED = new RegExp(
  String.raw`^(\s*)\(?(\d{1,4})(?:([a-zA-Z])(?![\p{L}\d])|('{1,3}|[′″*]{1,2}))?\s?(?:[([]\s?(${ORIGINS})\s?[)\]])?\s?([.):])?(?:\s?\((${ORIGINS})\)(?=\s))?(?:\s?[–—-](?=\s))?(\s+|$)(.*)$`,
  'u',
);
/** Signs that contrast a lead with the one before it. */
const SIGNS = String.raw`[–—-]|\*{1,3}|∗|'{1,3}|[′″]|[†‡§¶•◦●○■□◆#]{1,2}|\+{1,2}|=`;
const BARE = new RegExp(String.raw`^(\s*)\(?(?:${SIGNS})[.)]{0,2}\s+(.*)$`, 'u');
const LETTERED = /^(\s*)([A-Z])(\2{0,3}|'{1,2}|[′*])[.)]\s+(\p{Lu}.*)$/u;
const ROMAN = /^(\s*)\(?([IVXLC]{1,8})('{1,2}|[′″*]|[ab](?![\p{L}\d]))?[.)]{0,2}\s+(\p{Lu}.*)$/u;

const indentOf = (space: string) => [...space].reduce((sum, c) => sum + (c === '\t' ? 4 : 1), 0);

/** A line's mark, where it has one. */
export function markerOf(line: string, numbering: Numbering): Marker | undefined {
  const head = line.slice(0, MARK_REACH);
  const marker =
    (numbering === 'figures' ? numbered(head) : numbering === 'letters' ? lettered(head) : inRoman(head)) ?? bare(head);
  return marker && { ...marker, rest: marker.rest + line.slice(MARK_REACH) };
}

function bare(line: string): Marker | undefined {
  const match = BARE.exec(line);
  return match && !/^\d/.test(match[2]) ? { indent: indentOf(match[1]), contrast: true, rest: match[2], weak: false } : undefined;
}

function numbered(line: string): Marker | undefined {
  const match = NUMBERED.exec(line);
  // "5.2 mm", "3 – 5 mm": the middle of a sentence.
  if (!match || /^\d/.test(match[9])) return undefined;
  const [, space, number, letter, prime, before, stop, behind, , rest] = match;
  const back = before ?? behind;
  return {
    indent: indentOf(space),
    number,
    contrast: Boolean(prime) || (letter !== undefined && letter.toLowerCase() !== 'a'),
    ...(back ? { back: back.match(/\d+/g)! } : {}),
    rest,
    weak: !letter && !prime && !back && !stop,
  };
}

function lettered(line: string): Marker | undefined {
  const match = LETTERED.exec(line);
  if (!match) return undefined;
  const [, space, number, again, rest] = match;
  return { indent: indentOf(space), number, contrast: again.length > 0, rest, weak: false };
}

function inRoman(line: string): Marker | undefined {
  const match = ROMAN.exec(line);
  const value = match && fromRoman(match[2]);
  if (!match || value === undefined) return undefined;
  const [, space, , again, rest] = match;
  return { indent: indentOf(space), number: String(value), contrast: Boolean(again) && again !== 'a', rest, weak: false };
}

const VALUES: Record<string, number> = { I: 1, V: 5, X: 10, L: 50, C: 100 };

/** The number that a roman numeral stands for; undefined where it is none. */
export function fromRoman(text: string): number | undefined {
  if (!/^(?=[IVXLC])C{0,3}(?:XC|XL|L?X{0,3})(?:IX|IV|V?I{0,3})$/.test(text)) return undefined;
  const digits = [...text].map((letter) => VALUES[letter]);
  return digits.reduce((sum, digit, i) => sum + (digit < (digits[i + 1] ?? 0) ? -digit : digit), 0);
}

/** How the couplets of a text are numbered: in figures, where any line begins so; else by letters, or in roman numerals where they begin with I. */
export function numberingOf(lines: readonly string[]): Numbering {
  const heads = lines.map((line) => line.slice(0, MARK_REACH));
  if (heads.some((head, i) => numbered(head) && !isPageHead(lines[i]))) return 'figures';
  const first = heads.map((head) => lettered(head)?.number ?? (inRoman(head) && 'I')).find(Boolean);
  return first === 'A' || !heads.some(inRoman) ? 'letters' : 'roman';
}

/** A number with words in capitals beside it: the head of a page. */
export const isPageHead = (line: string): boolean =>
  line.length <= MARK_REACH &&
  (/^\s*\d{1,4}\s{2,}[\p{Lu}\s.,'’&–-]{6,}$/u.test(line) || /^\s*\p{Lu}[\p{Lu}\s.,'’&–-]{5,}\s{2,}\d{1,4}\s*$/u.test(line));

/** A number alone on a line: a page's, unless a lead begins with it and goes on below. */
export const isNumberAlone = (line: string): boolean => /^\s*\d{1,4}\s*$/.test(line);
