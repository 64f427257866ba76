import type { FrequencyWord } from '../guide/words';
import { propertyOf } from './properties';
import { quantitiesIn } from './quantities';

/** Words of how often, as parts of expressions. */
export const ALWAYS = 'always|invariably';
export const USUALLY = 'usually|generally|mostly|normally';
export const OFTEN = 'often|frequently|commonly';
export const RARELY = 'rarely|seldom';
/** Those whose denial says the opposite: "not infrequently". */
export const SELDOM = `${RARELY}|infrequently|uncommonly|exceptionally`;
/** What takes a little from "always" and "never", and what denies "ever". */
export const NEARLY = 'almost|nearly|practically';
export const HARDLY = 'hardly|scarcely|barely';

/** Those of whom some, many or few are spoken of. */
const SOME = '(?:specimens|individuals|plants|animals|birds|cases|examples|populations)';

const SOMETIMES = `sometimes|occasionally|at times|in some ${SOME}`;

/** Words that say how often a statement holds of those that it is about. */
const HEDGES: [RegExp, FrequencyWord][] = [
  [new RegExp(`\\b(?:${USUALLY}|typically|as a rule|in most)\\b`, 'i'), 'usually'],
  [new RegExp(`\\b(?:${OFTEN}|in many ${SOME})\\b`, 'i'), 'often'],
  [new RegExp(`\\b(?:${SOMETIMES}|may be|can be)\\b`, 'i'), 'sometimes'],
  [new RegExp(`\\b(?:${RARELY}|exceptionally|in (?:a )?few ${SOME})\\b`, 'i'), 'rarely'],
  [new RegExp(`\\b(?:${ALWAYS})\\b`, 'i'), 'always'],
  [/\bnever\b/i, 'never'],
];

/** Hedges that are denied, or nearly so, say something else: "not always", "hardly ever". */
const DENIED: [RegExp, FrequencyWord][] = [
  [new RegExp(`\\b(?:${HARDLY})\\s+ever\\b|\\b(?:${NEARLY})\\s+never\\b`, 'i'), 'rarely'],
  [new RegExp(`\\b(?:${NEARLY})\\s+(?:${ALWAYS})\\b`, 'i'), 'usually'],
  [new RegExp(`\\b(?:not|never)\\s+(?:\\w+\\s+)?(?:${SELDOM})\\b`, 'i'), 'often'],
  [new RegExp(`\\bnot\\s+(?:${ALWAYS})\\b`, 'i'), 'often'],
  [new RegExp(`\\bnot\\s+(?:${USUALLY}|${OFTEN})\\b`, 'i'), 'sometimes'],
];

/**
 * How often the statement claims to hold, where it says so. What stands in brackets
 * is about an exception, and a hedge that belongs to a number ("seldom over 5 mm")
 * says that the number turned round holds of most.
 *
 * @param wholly where the words are taken as they are, hedges within them and all: "warty, usually in pairs" always is
 *   just that.
 */
export function hedgeOf(text: string, wholly = false): FrequencyWord | undefined {
  const plain = text.replace(/\([^()]*\)/g, ' ').replace(/n['’]t\b/gi, ' not');
  const numbers = quantitiesIn(plain);
  if (numbers.some(({ mostly }) => mostly)) return 'usually';
  let from = 0;
  const between = numbers.map((number) => {
    const part = plain.slice(from, Math.max(from, number.from));
    from = number.to;
    return part;
  });
  const rest = [...between, plain.slice(from)].join(' ');
  const later = laterOf(rest);
  if (!later) return firstHedge(rest);
  return firstHedge(later.main) ?? (later.beside ? without(later.hedge) : wholly ? undefined : ofBoth(later.hedge));
}

/** "Black, usually hairy" is usually so; "black, rarely hairy", "black, never hairy" always are. */
const ofBoth = (hedge: FrequencyWord): FrequencyWord | undefined =>
  hedge === 'usually' || hedge === 'often' ? hedge : undefined;

const firstHedge = (text: string): FrequencyWord | undefined =>
  [...DENIED, ...HEDGES].find(([pattern]) => pattern.test(text))?.[1];

/** What holds where something else is met now and then: mostly; of what is never met, nothing is said by that. */
const without = (hedge: FrequencyWord): FrequencyWord | undefined =>
  hedge === 'rarely' ? 'usually' : hedge === 'sometimes' ? 'often' : undefined;

/** What is met beside what a statement says, and how often: `reddish`, rarely. */
export interface Beside {
  text: string;
  hedge: FrequencyWord;
}

const LATER = new RegExp(
  `(\\s*[,;:–—]\\s*(?:(?:or|and|but),?\\s+)?|\\s+(?:or|and|but),?\\s+|\\s+)(?:(?:more|very|only)\\s+)?(?:${[
    USUALLY,
    OFTEN,
    SOMETIMES,
    `${RARELY}|exceptionally`,
    'never',
  ]
    .map((words) => `(${words})`)
    .join('|')}),?\\s+(?=\\S)`,
  'gi',
);
const ORDER = ['usually', 'often', 'sometimes', 'rarely', 'never'] as const;
/** Not there at all; "without spots" says more of what is there. */
const ABSENT = /^(?:absent|lacking|wanting|missing|without|none)[\s.]*$/i;

/** "Yellow, sometimes dusky at the tip" is yellow all the same. */
const OF_A_PART = /\b(?:at|on|in|near|towards?|along|about|round|around|above|below) (?:the|its|their)\b/i;

/** Of a colour, hair, a pattern it is spoken; "dark" and "pale" are of colour where nothing else is. */
const kindOf = (text: string) => propertyOf(text) ?? (/\b(?:dark|pale|light)\b/i.test(text) ? 'colour' : undefined);

interface Later {
  /** What stands before. */
  main: string;
  /** How often what stands behind it is so. */
  hedge: FrequencyWord;
  /** What stands behind it is met instead of what stands before, and does not only say more of it. */
  beside: boolean;
  text: string;
}

/**
 * A hedge that is not about the whole: "grey beneath, rarely reddish", "with a line, seldom broken". Behind a mark or
 * "or", where something is said before it; without either where both sides say the same kind of thing: "white rarely
 * pink". "Wings, in the male, never spotted" is about the whole: "wings" alone says nothing.
 */
function laterOf(text: string): Later | undefined {
  for (const found of text.matchAll(LATER)) {
    const [all, between] = found;
    const { index } = found;
    const hedge = ORDER.find((_, i) => found[i + 2])!;
    const main = text.slice(0, index);
    const behind = text.slice(index + all.length);
    const [before] = /\S*$/.exec(main) ?? [''];
    const same = kindOf(behind) !== undefined && kindOf(behind) === kindOf(between.trim() ? main : before);
    const [first] = main.trim().split(/[,;:]/);
    const says = kindOf(main) !== undefined || /\S\s+\S/.test(first);
    if (between.trim() ? !says : !same) continue;
    const or = /\bor,?\s*$/i.test(between);
    const nowAndThen = (hedge === 'sometimes' || hedge === 'rarely') && !/\band,?\s*$/i.test(between) && !OF_A_PART.test(behind);
    return { main, hedge, beside: or || (nowAndThen && (same || ABSENT.test(behind))), text: behind };
  }
  return undefined;
}

/**
 * What a statement says, and what is met beside it, where its words tell the two apart: "white, rarely pink or red",
 * "simple, sometimes absent". What only says more of the same stays in its words.
 */
export function toldBeside(text: string): { main: string; beside: Beside[] } {
  const later = text.includes('(') ? undefined : laterOf(text);
  if (!later?.beside || later.hedge === 'never') return { main: text, beside: [] };
  const { main: behind, beside } = toldBeside(later.text);
  if (/[,;]/.test(behind)) return { main: text, beside: [] };
  return { main: later.main, beside: [{ text: behind, hedge: later.hedge }, ...beside] };
}

const RARE_FIRST = new RegExp(`^(?:(?:more|very|only)\\s+)?(?:(${SOMETIMES})|(?:${RARELY}|exceptionally)),?\\s+`, 'i');

/** What a text that begins with how seldom it is so says: "more rarely on old wood". */
export function besideFirst(text: string): Beside | undefined {
  const found = RARE_FIRST.exec(text);
  return found ? { text: text.slice(found[0].length), hedge: found[1] ? 'sometimes' : 'rarely' } : undefined;
}
