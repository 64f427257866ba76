/** Numbers as they are written in keys, with what they are worth. */
export interface WrittenNumber {
  value: number;
  /** Characters it takes. */
  length: number;
  /** Written as a fraction, or a word for one. */
  fraction?: boolean;
  /** Written with decimals: no count. */
  decimal?: boolean;
}

const NUMBER_WORDS: Record<string, number> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
};
const PROPORTION_WORDS: Record<string, number> = {
  twice: 2,
  thrice: 3,
  half: 1 / 2,
  'one half': 1 / 2,
  'one third': 1 / 3,
  'a third': 1 / 3,
  'two thirds': 2 / 3,
  'one quarter': 1 / 4,
  'a quarter': 1 / 4,
  'three quarters': 3 / 4,
};
const FRACTIONS: Record<string, number> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅕': 1 / 5,
  '⅖': 2 / 5,
  '⅗': 3 / 5,
  '⅘': 4 / 5,
  '⅙': 1 / 6,
  '⅛': 1 / 8,
};

const SIGNS = Object.keys(FRACTIONS).join('');
const WORDS = [...Object.keys(PROPORTION_WORDS), ...Object.keys(NUMBER_WORDS)].sort((a, b) => b.length - a.length).join('|');

/** 1,200 and 1 200 are a thousand and more; 0,125 and 3,5 have a decimal comma, 1·5 a raised point. */
const THOUSANDS = /[1-9]\d{0,2}(?:(?:,\d{3}){1,4}|(?:[ \u2009\u202f]\d{3}){1,4})(?![\d,])(?:\.\d+)?/y;
const MIXED = new RegExp(String.raw`\d{1,4}(?:\s?[${SIGNS}]|\s[1-9]\/[2-9](?!\d))`, 'y');
const PLAIN = /\d{1,9}(?:[.,·]\d{1,9})?(?:\/\d{1,4})?/y;
const SIGN = new RegExp(`[${SIGNS}]`, 'y');
const WORD = new RegExp(String.raw`(?:${WORDS})(?![\p{L}])`, 'iuy');

/** The number that begins at a place of a text, if one does. */
export function numberAt(text: string, at: number): WrittenNumber | undefined {
  const find = (pattern: RegExp): string | undefined => {
    pattern.lastIndex = at;
    return pattern.exec(text)?.[0];
  };
  const large = find(THOUSANDS);
  if (large) return { value: Number(large.replace(/[, \u2009\u202f]/g, '')), length: large.length };
  const mixed = find(MIXED);
  if (mixed) {
    const sign = FRACTIONS[mixed.at(-1)!];
    const [over, under] = mixed.slice(-3).split('/').map(Number);
    const part = sign ?? over / under;
    return { value: Number.parseInt(mixed, 10) + part, length: mixed.length, fraction: true };
  }
  const plain = find(PLAIN);
  if (plain) {
    const [over, under] = plain.replace(/[,·]/, '.').split('/').map(Number);
    return {
      value: under ? over / under : over,
      length: plain.length,
      ...(under ? { fraction: true } : {}),
      ...(/[.,·]/.test(plain) ? { decimal: true } : {}),
    };
  }
  const sign = find(SIGN);
  if (sign) return { value: FRACTIONS[sign], length: sign.length, fraction: true };
  const word = /\p{L}/u.test(text[at - 1] ?? ' ') ? undefined : find(WORD)?.toLowerCase();
  if (word === undefined) return undefined;
  const proportion = PROPORTION_WORDS[word];
  return {
    value: proportion ?? NUMBER_WORDS[word],
    length: word.length,
    ...(proportion === undefined ? {} : { fraction: true }),
  };
}

/** Places where a number may begin: a figure, a sign, or the letter of a word for one. */
export const MAY_BEGIN = new RegExp(`[\\d${SIGNS}]|\\b(?=(?:${WORDS})\\b)`, 'giu');
