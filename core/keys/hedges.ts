import type { FrequencyWord } from '../guide/words';
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

/** Words that say how often a statement holds of those that it is about. */
const HEDGES: [RegExp, FrequencyWord][] = [
  [new RegExp(`\\b(?:${USUALLY}|typically|as a rule|in most)\\b`, 'i'), 'usually'],
  [new RegExp(`\\b(?:${OFTEN}|in many ${SOME})\\b`, 'i'), 'often'],
  [new RegExp(`\\b(?:sometimes|occasionally|at times|may be|can be|in some ${SOME})\\b`, 'i'), 'sometimes'],
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
 */
export function hedgeOf(text: string): FrequencyWord | undefined {
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
  return [...DENIED, ...HEDGES].find(([pattern]) => pattern.test(rest))?.[1];
}
