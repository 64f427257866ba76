import { withException } from './exceptions';
import { MAY_BEGIN, numberAt, type WrittenNumber } from './numbers';
import { unitOf, UNITS_WRITTEN } from './units';

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
  /** It holds of most, not of all: "seldom over 5 mm". */
  mostly?: boolean;
  /** `mm`, `°`, `%` …; absent for plain counts and proportions. */
  unit?: string;
  kind: 'measure' | 'count' | 'proportion';
}

/** A number that may be meant in more than one way; nothing is made of it. */
export interface UnclearNumber {
  from: number;
  to: number;
  text: string;
  why: string;
}

/** What a bound is told by, before negations are looked at. */
type Side = 'low' | 'high';
interface Bound {
  side: Side;
  open: boolean;
}

/** As far back as words that belong to a number are looked for. */
const BEFORE_REACH = 60;
const AFTER_REACH = 40;

const ABOUT = /(?:\bca\.?|\bc\.|\babout|\bapprox(?:imately|\.)?|\bcirca|\bnearly|\balmost|\broughly|\baround|~|±)\s*$/i;
const BETWEEN = /\b(?:between|from)\s*$/i;
const SIZES = 'short|narrow|small|low|slender|thinn|few|less';
const LARGER = 'long|wid|broad|larg|great|high|deep|tall|thick|big|heavi';
const BEFORE: [RegExp, Side, boolean][] = [
  [
    /(?:\bat (?:the )?(?:very )?most|\bup to|\bto at most|\bmax(?:imum|\.)?(?: of)?|\bas (?:much|many|long|high|large) as|\breaching|≤|<=)\s*$/i,
    'high',
    false,
  ],
  [/(?:\bat (?:the )?(?:very )?least|\bmin(?:imum|\.)?(?: of)?|\bas (?:few|little|short|small) as|≥|>=)\s*$/i, 'low', false],
  [/(?:\bless(?:er)? than or equal to|\bequal to or (?:less|smaller) than)\s*$/i, 'high', false],
  [/(?:\b(?:greater|more|larger) than or equal to|\bequal to or (?:greater|more|larger) than)\s*$/i, 'low', false],
  [new RegExp(`(?:\\b(?:less|fewer|(?:${SIZES})e?r) than|\\bbelow|\\bunder|\\bshort of|<)\\s*$`, 'i'), 'high', true],
  [
    new RegExp(`(?:\\bmore than|\\bover|\\babove|\\bexceed(?:ing|s)?|\\bbeyond|\\b(?:${LARGER})e?r than|>)\\s*$`, 'i'),
    'low',
    true,
  ],
];
const MEASURED = '(?:(?:long|wide|broad|high|deep|thick|in (?:length|width|height|breadth|diameter))\\s+)?';
const AFTER: [RegExp, Side][] = [
  [
    new RegExp(`^\\s*${MEASURED}(?:or|and) (?:more|longer|wider|broader|larger|greater|higher|above|over|upwards?)\\b`, 'i'),
    'low',
  ],
  [new RegExp(`^\\s*${MEASURED}(?:or|and) (?:less|fewer|shorter|narrower|smaller|lower|below|under)\\b`, 'i'), 'high'],
  [new RegExp(`^,?\\s*${MEASURED}(?:at (?:the )?(?:very )?most|maximum|max\\.?)(?![\\p{L}])`, 'iu'), 'high'],
  [new RegExp(`^,?\\s*${MEASURED}(?:at (?:the )?(?:very )?least|minimum|min\\.?)(?![\\p{L}])`, 'iu'), 'low'],
  [/^\s*upwards?\b/i, 'low'],
  [/^\+(?!\s*\d)/, 'low'],
];
/** Words that may stand between a negation and the bound it turns round. */
const BETWEEN_WORDS = String.raw`(?:\s+(?:be|being|is|are|much|very|quite|so|even|any|distinctly|clearly|markedly|noticeably|conspicuously|usually|normally|ever|far|significantly))*`;
const NOT = new RegExp(
  `(?:\\b(?:not|never|no|nor|neither|cannot|does not|do not|did not|without)|n['’]t)${BETWEEN_WORDS}\\s*$`,
  'i',
);
const SELDOM = new RegExp(`\\b(?:seldom|rarely|hardly ever|scarcely ever|infrequently|exceptionally)${BETWEEN_WORDS}\\s*$`, 'i');
const SCARCELY = new RegExp(`\\b(?:scarcely|hardly|barely)${BETWEEN_WORDS}\\s*$`, 'i');
const UNIT = new RegExp(
  String.raw`^\s*(${UNITS_WRITTEN}|(?:feet|foot)(?=\s+(?:long|wide|broad|high|tall|deep|across)\b)|°(?!\s*[CF]\b)|degrees?|deg|%|per cent)(?![\p{L}\d])`,
  'iu',
);
const TIMES = /^\s*(?:×|x|times)(?![\p{L}])(?!\s*[\d(½⅓⅔¼¾])/iu;
const BY = /^\s*(?:×|x|by)\s*(?=[\d(½⅓⅔¼¾])/iu;
const COMPARED = /^\s*(?:as|the|of|its|longer|wider|broader|higher|deeper)\b/i;
/** Signs of units that stand for other things too, or that are not read. */
const OTHER_UNIT = /^\s*(?:["″”'′’]|°\s*[CF]\b|(?:degrees?|deg)\s+(?:Celsius|Fahrenheit)\b)/;
const MINUS = /(?:^|[\s(])[-−–]$/;
const ORDINAL = /^(?:st|nd|rd|th)\b/i;
const DASH = /^\s*(?:[–—-]|to\b|or\b|and\b)\s*/i;
/** Numbers that count nothing: figures, plates, couplets. */
const CITED =
  /\b(?:figs?|figures?|pl|pls|plates?|couplets?|nos?|no|p|pp|tables?)\.?\s*(?:\d{1,4}[a-z]?\s*(?:,|–|-|and|&)\s*)*[a-z]?$/i;

/**
 * Numbers, ranges, proportions and units in a statement: "3.2–5 mm", "more than
 * twice as long as wide", "not longer than 5 mm", "ca. 12", "at most 1/3". Figures
 * cited and ordinals are passed over. Negations turn a bound round before anything
 * else is made of it; what may be meant in more than one way is not among them
 * (see {@link unclearIn}).
 *
 * @example quantitiesIn('Body 3.2–5 mm long') // [{ low: 3.2, high: 5, unit: 'mm', … }]
 */
export const quantitiesIn = (text: string): Quantity[] => scan(text).found;

/**
 * Numbers in a statement that may be meant in more than one way, with why: "8+9",
 * "not 5". The reader is told of them, and they are tied to nothing.
 */
export const unclearIn = (text: string): UnclearNumber[] => scan(text).unclear;

/**
 * The one number a statement can be tested by; two bounds that close a range are
 * one ("more than 5 but less than 9 mm"). Undefined where there are several, or one
 * that may be meant in two ways.
 */
export function onlyQuantity(text: string, suits: (quantity: Quantity) => boolean = () => true): Quantity | undefined {
  const { found, unclear } = scan(text);
  if (unclear.length > 0) return undefined;
  const fitting = found.filter(suits);
  const [first, second] = fitting;
  if (fitting.length < 2) return first;
  const [below, above] = first.low === undefined ? [second, first] : [first, second];
  const closes = below.high === undefined && above.low === undefined && below.low! < above.high! && below.unit === above.unit;
  if (fitting.length > 2 || !closes) return undefined;
  return { ...below, high: above.high, ...(above.highOpen ? { highOpen: true } : {}), to: Math.max(first.to, second.to) };
}

function scan(text: string): { found: Quantity[]; unclear: UnclearNumber[] } {
  const found: Quantity[] = [];
  const unclear: UnclearNumber[] = [];
  let at = 0;
  MAY_BEGIN.lastIndex = 0;
  for (;;) {
    MAY_BEGIN.lastIndex = at;
    const match = MAY_BEGIN.exec(text);
    if (!match) return { found, unclear };
    const start = spanStart(text, match.index);
    const span = spanAt(text, start);
    if (!span) {
      at = match.index + 1;
      continue;
    }
    at = start + span.length;
    const before = text.slice(Math.max(0, start - BEFORE_REACH), start);
    const after = text.slice(at, at + AFTER_REACH);
    if (CITED.test(before) || /[\p{L}\d.·]$/u.test(before) || ORDINAL.test(after)) continue;
    const rare = withException(text, found.at(-1), { ...span, from: start, to: at });
    if (rare) {
      found[found.length - 1] = rare;
      at = rare.to;
      continue;
    }
    const result = inContext(span, text, start, before, after);
    if ('why' in result) unclear.push(result);
    else found.push(result);
    at = Math.max(at, result.to);
  }
}

/** One number, or several that are read as one span. */
interface Span {
  low: number;
  high: number;
  length: number;
  proportion: boolean;
  decimal: boolean;
  unit?: string;
}

/** A bracket with the extreme of a range belongs to the range: "(2.8)3.2–5". */
function spanStart(text: string, at: number): number {
  if (text[at - 1] !== '(') return at;
  const first = numberAt(text, at);
  const rest = first && text.slice(at + first.length, at + first.length + 6);
  return rest && (/^\s*[–—-]\s*\)/.test(rest) || /^\)[\d½⅓⅔¼¾]/.test(rest)) ? at - 1 : at;
}

function spanAt(text: string, start: number): Span | undefined {
  let at = start;
  const numbers: WrittenNumber[] = [];
  const take = (): WrittenNumber | undefined => {
    const number = numberAt(text, at);
    if (!number) return undefined;
    at += number.length;
    numbers.push(number);
    return number;
  };
  const skip = (pattern: RegExp): string | undefined => {
    const [matched] = pattern.exec(text.slice(at, at + 12)) ?? [];
    if (matched !== undefined) at += matched.length;
    return matched;
  };
  let lowest: number | undefined;
  if (text[at] === '(') {
    at++;
    lowest = take()?.value;
    skip(/^\s*[–—-]?\s*\)\s*/);
  }
  const first = take();
  if (!first) return undefined;
  const low = first.value;
  let high = low;
  let end = at;
  let unit: string | undefined;
  const between = BETWEEN.test(text.slice(Math.max(0, start - 12), start));
  const ownUnit = UNIT.exec(text.slice(at, at + 12));
  if (ownUnit) at += ownUnit[0].length;
  const dash = skip(DASH);
  const joins = dash !== undefined && (!/and/i.test(dash) || between);
  const second = joins ? take() : undefined;
  const both = second && (!ownUnit || UNIT.test(text.slice(at, at + 12)));
  // "2 or 3" are neighbours and a range; "2 or 5" are two answers.
  const apart = second && /or/i.test(dash ?? '') && second.value - low !== 1;
  if (second && both && !apart && second.value >= low) {
    high = second.value;
    end = at;
    unit = ownUnit?.[1];
  } else if (second) numbers.pop();
  at = end;
  let highest: number | undefined;
  const opened = skip(/^\s*\(\s*[–—-]\s*(?=\d)|^\((?=\d)/);
  if (opened !== undefined) {
    const number = take();
    if (number && text[at] === ')' && number.value >= high) {
      highest = number.value;
      end = at + 1;
    } else if (number) numbers.pop();
  }
  if (lowest !== undefined && lowest > low) return undefined;
  return {
    low: lowest ?? low,
    high: highest ?? high,
    length: end - start,
    proportion: numbers.some(({ fraction }) => fraction),
    decimal: numbers.some(({ decimal }) => decimal),
    ...(unit ? { unit } : {}),
  };
}

function inContext(span: Span, text: string, start: number, before: string, after: string): Quantity | UnclearNumber {
  let from = start;
  let left = before;
  let to = start + span.length;
  let right = after;
  const takeLeft = (pattern: RegExp): boolean => {
    const match = pattern.exec(left);
    if (!match) return false;
    from -= match[0].length;
    left = left.slice(0, match.index);
    return true;
  };
  const takeRight = (pattern: RegExp): RegExpExecArray | null => {
    const match = pattern.exec(right);
    if (match) {
      to += match[0].length;
      right = right.slice(match[0].length);
    }
    return match;
  };
  const about = takeLeft(ABOUT);
  const between = takeLeft(BETWEEN);
  const said = BEFORE.find(([pattern]) => takeLeft(pattern));
  let bound: Bound | undefined = said && { side: said[1], open: said[2] };
  const give = (pattern: RegExp, why: string): UnclearNumber | undefined =>
    takeLeft(pattern) || pattern.test(left) ? { from, to, text: text.slice(from, to), why } : undefined;

  const unit = takeRight(UNIT);
  const spread = takeRight(/^\s*(?:±|\+\/-|\+-)\s*/);
  const error = spread ? numberAt(text, to) : undefined;
  if (error) {
    to += error.length;
    right = text.slice(to, to + AFTER_REACH);
  }
  const width = takeRight(UNIT)?.[1] ?? unit?.[1] ?? span.unit ?? unitBeyond(right);
  if (/^\s*\+\s*\d/.test(right)) {
    takeRight(/^\s*\+\s*\d{1,9}/);
    return unclear('may be a sum or a formula');
  }
  const trailing = bound ? undefined : AFTER.find(([pattern]) => takeRight(pattern));
  if (trailing) bound = { side: trailing[1], open: false };
  if (!trailing && OTHER_UNIT.test(right)) {
    takeRight(OTHER_UNIT);
    return unclear('is in a unit that is not read here: write it out, such as inches or mm');
  }
  if (MINUS.test(left)) return unclear('may be less than nothing, or the end of a range');
  const times = width ? undefined : takeRight(TIMES);

  let mostly = false;
  if (bound) {
    // Negations and hedges first: "not longer than 5" is at most 5, "not fewer than 8" at least 8.
    if (SELDOM.test(left)) {
      takeLeft(SELDOM);
      bound = turned(bound);
      mostly = true;
    } else if (SCARCELY.test(left)) {
      takeLeft(SCARCELY);
      if (bound.side === 'high') return unclear('may be just above or just below');
      bound = turned(bound);
      mostly = true;
    } else if (NOT.test(left)) {
      takeLeft(NOT);
      // "at least" and "up to" are seldom denied, and then it is not clear what is meant.
      if (!bound.open) return unclear('is denied, and may be meant in two ways');
      bound = turned(bound);
    }
    if (NOT.test(left)) return unclear('is denied twice');
  } else if (/\bexceed\s*$/i.test(left)) {
    takeLeft(/\bexceed\s*$/i);
    const denied = NOT.test(left);
    takeLeft(NOT);
    bound = denied ? { side: 'high', open: false } : { side: 'low', open: true };
  } else if (/\breach(?:es)?\s*$/i.test(left)) {
    takeLeft(/\breach(?:es)?\s*$/i);
    const denied = NOT.test(left);
    takeLeft(NOT);
    bound = { side: 'high', open: denied };
  } else {
    const denied = give(NOT, 'is denied: what else it may be is not said') ?? give(SELDOM, 'is said to be seldom so');
    if (denied) return denied;
    if (between && span.low === span.high && !error) return unclear('has one end only');
  }

  function unclear(why: string): UnclearNumber {
    return { from, to, text: text.slice(from, to), why };
  }

  const isProportion = Boolean(times) || (span.proportion && !width && (COMPARED.test(right) || Boolean(bound)));
  const share = about ? 0.1 : 0;
  const low = error ? span.low - error.value : span.low * (1 - share);
  const high = error ? span.high + error.value : span.high * (1 + share);
  return {
    from,
    to,
    text: text.slice(from, to),
    ...(bound?.side === 'high' ? {} : { low: rounded(low) }),
    ...(bound?.side === 'low' ? {} : { high: rounded(high) }),
    ...(bound?.open ? (bound.side === 'low' ? { lowOpen: true } : { highOpen: true }) : {}),
    ...(about ? { about } : {}),
    ...(mostly ? { mostly } : {}),
    ...(width ? { unit: unitOf(width) } : {}),
    kind: isProportion || (span.proportion && !width) || (span.decimal && !width) ? 'proportion' : width ? 'measure' : 'count',
  };
}

/** "4–5 × 2 mm": the unit stands once, behind the second. */
function unitBeyond(right: string): string | undefined {
  const by = BY.exec(right);
  if (!by) return undefined;
  const next = spanAt(right, by[0].length);
  return next && (next.unit ?? UNIT.exec(right.slice(by[0].length + next.length))?.[1]);
}

/** The other side of a bound: what is not more than 5 is 5 or less. */
const turned = ({ side, open }: Bound): Bound => ({ side: side === 'low' ? 'high' : 'low', open: !open });

const rounded = (value: number) => Number(value.toPrecision(12));
