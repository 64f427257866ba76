import { onlyQuantity } from '../keys';
import { restOf, type Structure, type Told, toldOf } from './alike';
import { wordsIn } from './words';

/** Words that only say what is measured. */
const MEASURED =
  /\b(?:long|wide|broad|high|tall|deep|thick|across|in|about|circa|ca?|length|width|breadth|height|depth|thickness|diam(?:eter)?|usually|mostly|generally)\b/gi;

/** Is a clause a measurement and nothing else: "4–6 mm long", "(5–)6–9(–11) mm"? */
function isMeasurement(clause: string): boolean {
  const quantity = onlyQuantity(clause);
  if (quantity?.unit === undefined) return false;
  const left = `${clause.slice(0, quantity.from)} ${clause.slice(quantity.to)}`;
  return !/[\p{L}\p{N}]/u.test(left.replace(MEASURED, ''));
}

/** "Usually larger" beside a number says nothing more. */
const namesSomething = (clause: string) => wordsIn(clause).some(({ kind }) => kind === 'thing');

/**
 * A statement that says in one breath what something is like and how large: "petals yellow, 6–9 mm". Undefined where it
 * does not, or its numbers are several.
 */
export function numberApart<T extends Told>(said: T, structure: Structure): { words: T; number: T } | undefined {
  if (structure.at !== 'head') return undefined;
  const clauses = restOf(said, structure).split(/,\s+(?![^(]*\))/);
  const [number, ...more] = clauses.filter(isMeasurement);
  const words = clauses.filter((clause) => clause !== number);
  if (!number || more.length || !words.some(namesSomething)) return undefined;
  const of = (text: string): T => ({ ...said, ...toldOf(`${structure.label} ${text}`) });
  return { words: of(words.join(', ')), number: of(number) };
}

/** Does it say how large something is, and nothing else? */
export const isOnlyNumber = (said: Told, structure: Structure): boolean => isMeasurement(restOf(said, structure));
