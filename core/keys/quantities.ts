/** A number, range or proportion recognised in a statement. */
export interface Quantity {
  /** Where it stands in the text. */
  from: number;
  to: number;
  text: string;
  /** The values it allows; a side left open has no bound. */
  low?: number;
  high?: number;
  /** The bound itself is excluded: "more than 6", "fewer than 12". */
  lowOpen?: boolean;
  highOpen?: boolean;
  /** "about": the bounds are a tenth to either side. */
  about?: boolean;
  /** `mm`, `°`, `%` …; absent for plain counts and proportions. */
  unit?: string;
  kind: 'measure' | 'count' | 'proportion';
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
const FRACTIONS: Record<string, number> = { '½': 1 / 2, '⅓': 1 / 3, '⅔': 2 / 3, '¼': 1 / 4, '¾': 3 / 4 };

const NUMBER = String.raw`(?:\d+(?:[.,]\d+)?(?:\/\d+)?|[½⅓⅔¼¾])`;
const DASH = String.raw`\s*(?:[–—-]|\bto\b|\band\b)\s*`;
const SPAN = `(?:\\((${NUMBER})\\s*[–—-]\\)\\s*)?(${NUMBER})(?:(${DASH})(${NUMBER}))?(?:\\s*\\([–—-]\\s*(${NUMBER})\\))?`;
const WORDS = [...Object.keys(PROPORTION_WORDS), ...Object.keys(NUMBER_WORDS)].sort((a, b) => b.length - a.length).join('|');
const FIND = new RegExp(`${SPAN}|\\b(${WORDS})\\b`, 'giu');

const ABOUT = /(?:\bca\.?|\bc\.|\babout|\bapprox(?:imately|\.)?|\bcirca|\bnearly|\broughly|~|±)\s*$/i;
const BETWEEN = /\bbetween\s*$/i;
const BEFORE: [RegExp, 'low' | 'high', boolean][] = [
  [/(?:\bat (?:the )?most|\bnot more than|\bno more than|\bup to|\bnot exceeding|≤|<=)\s*$/i, 'high', false],
  [/(?:\bat (?:the )?least|\bnot less than|\bno fewer than|\bno less than|≥|>=)\s*$/i, 'low', false],
  [/(?:\bless than|\bfewer than|\bbelow|\bunder|\b(?:short|narrow|small|low|slender|thinn)er than|<)\s*$/i, 'high', true],
  [/(?:\bmore than|\bover|\babove|\bexceeding|\b(?:long|wid|broad|larg|great|high|deep|tall|thick)e?r than|>)\s*$/i, 'low', true],
];
const AFTER: [RegExp, 'low' | 'high'][] = [
  [/^\s*(?:(?:(?:long|wide|broad|high|deep)\s+)?(?:or|and) (?:more|longer|wider|larger|greater|higher|above|over)|\+)/i, 'low'],
  [/^\s*(?:(?:long|wide|broad|high|deep)\s+)?(?:or|and) (?:less|fewer|shorter|narrower|smaller|lower|below|under)/i, 'high'],
];
const UNIT = /^\s*(mm|cm|µm|μm|um|km|mg|kg|m|g|°|degrees?|deg|%|per cent)(?![\p{L}\d])/iu;
const TIMES = /^\s*(?:×|x|times)(?![\p{L}])/iu;
const COMPARED = /^\s*(?:as|the|of|its|longer|wider|broader|higher|deeper)\b/i;
/** Numbers that count nothing: figures, plates, couplets. */
const CITED =
  /\b(?:figs?|figures?|pl|pls|plates?|couplets?|nos?|no|p|pp|tables?)\.?\s*(?:\d+[a-z]?\s*(?:,|–|-|and|&)\s*)*[a-z]?$/i;

/**
 * Numbers, ranges, proportions and units in a statement: "3.2–5 mm", "more than
 * twice as long as wide", "ca. 12", "at most 1/3". Figures cited are passed over.
 *
 * @example quantitiesIn('Body 3.2–5 mm long') // [{ low: 3.2, high: 5, unit: 'mm', … }]
 */
export function quantitiesIn(text: string): Quantity[] {
  const found: Quantity[] = [];
  for (const match of text.matchAll(FIND)) {
    const start = match.index;
    const before = text.slice(0, start);
    if (CITED.test(before) || /[\p{L}\d.]$/u.test(before)) continue;
    const quantity = match[6] ? worded(match[6].toLowerCase()) : spanned(match, BETWEEN.test(before));
    if (quantity) found.push(inContext(quantity, text, start, start + quantity.length));
  }
  return found;
}

interface Bare {
  low: number;
  high: number;
  length: number;
  proportion?: boolean;
  /** Written with decimals: no count. */
  decimal?: boolean;
}

function worded(word: string): Bare {
  const proportion = PROPORTION_WORDS[word];
  const value = proportion ?? NUMBER_WORDS[word];
  return { low: value, high: value, length: word.length, proportion: proportion !== undefined };
}

function spanned(match: RegExpMatchArray, between: boolean): Bare | undefined {
  const [whole, lowest, first, dash, second, highest] = match;
  // "3 and 5" is a range only after "between".
  const joined = second !== undefined && (!/and/i.test(dash) || between);
  const low = numberOf(lowest ?? first);
  const high = numberOf(highest ?? (joined ? second : first));
  const length = second === undefined || joined ? whole.length : whole.indexOf(first) + first.length;
  const fraction = /[/½⅓⅔¼¾]/.test(first);
  const decimal = [first, joined ? second : '', lowest ?? '', highest ?? ''].some((part) => /[.,]/.test(part));
  return high < low ? undefined : { low, high, length, proportion: fraction, decimal };
}

function numberOf(text: string): number {
  if (text in FRACTIONS) return FRACTIONS[text];
  const [over, under] = text.replace(',', '.').split('/').map(Number);
  return under ? over / under : over;
}

function inContext(bare: Bare, text: string, start: number, end: number): Quantity {
  let before = text.slice(0, start);
  let from = start;
  let to = end;
  const take = (pattern: RegExp): boolean => {
    const match = pattern.exec(before);
    if (!match) return false;
    from -= match[0].length;
    before = before.slice(0, match.index);
    return true;
  };
  const about = take(ABOUT);
  take(BETWEEN);
  const bound = BEFORE.find(([pattern]) => take(pattern));
  const unit = UNIT.exec(text.slice(to));
  if (unit) to += unit[0].length;
  const times = unit ? undefined : TIMES.exec(text.slice(to));
  if (times) to += times[0].length;
  const trailing = bound ? undefined : AFTER.find(([pattern]) => pattern.test(text.slice(to)));
  if (trailing) to += trailing[0].exec(text.slice(to))![0].length;
  const isProportion = Boolean(times) || (bare.proportion && !unit && (COMPARED.test(text.slice(to)) || Boolean(bound)));
  const side = bound?.[1] ?? trailing?.[1];
  const spread = about ? 0.1 : 0;
  return {
    from,
    to,
    text: text.slice(from, to),
    ...(side === 'high' ? {} : { low: rounded(bare.low * (1 - spread)) }),
    ...(side === 'low' ? {} : { high: rounded(bare.high * (1 + spread)) }),
    ...(bound?.[2] ? (side === 'low' ? { lowOpen: true } : { highOpen: true }) : {}),
    ...(about ? { about } : {}),
    ...(unit ? { unit: unitOf(unit[1]) } : {}),
    kind: isProportion || bare.proportion || (bare.decimal && !unit) ? 'proportion' : unit ? 'measure' : 'count',
  };
}

const rounded = (value: number) => Number(value.toPrecision(12));

function unitOf(written: string): string {
  const unit = written.toLowerCase();
  if (unit.startsWith('deg')) return '°';
  if (unit === 'per cent') return '%';
  return unit === 'um' || unit === 'μm' ? 'µm' : unit;
}

/** Millimetres in a unit of length. */
const MM: Record<string, number> = { µm: 0.001, mm: 1, cm: 10, m: 1000, km: 1e6 };

/** How many of `to` one of `from` is; undefined for units that cannot be turned into each other. */
export function unitFactor(from: string | undefined, to: string | undefined): number | undefined {
  if (from === to) return 1;
  return from && to && MM[from] && MM[to] ? MM[from] / MM[to] : undefined;
}
