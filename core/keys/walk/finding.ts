import type { Finding, CoupletAnswer, KeyedSpecimen } from './schema';
import { normalBelow } from '../../probability';
import { type Reading, valueOf, sayReading, sayValue } from '../../observation';
import { type Character, isStates } from '../../guide/working';
import { onlyQuantity, type Quantity } from '../quantities';
import type { Statement } from '../schema';
import { type StatementAnswer, ONLY } from '../vocabulary';
/** A number is decided when it is this sure to lie on one side. */
const DECIDED = 0.975;

type Characters = ReadonlyMap<string, Character>;

/** What is known of a statement, the person's word before what readings say. */
export function findingOf(
  statement: Statement,
  answer: CoupletAnswer | undefined,
  specimens: readonly KeyedSpecimen[],
  characters: Characters,
): Finding | undefined {
  const said = answer?.statements?.findLast(({ n }) => n === statement.n);
  const at = said?.specimen === undefined ? {} : { specimen: said.specimen };
  if (said?.value !== undefined) {
    const quantity = onlyQuantity(statement.text);
    if (quantity) return { ...tested(statement.n, quantity, said.value, said.error ?? 0, quantity.unit), from: 'person', ...at };
  }
  if (said) return { n: statement.n, answer: said.answer, ...fitOfAnswer(said.answer), from: 'person', ...at };
  return readingFinding(statement, specimens, characters);
}

function fitOfAnswer(answer: StatementAnswer): { fit?: number } {
  if (answer === 'cannot-see') return {};
  return { fit: answer === 'fits' ? 1 : answer === 'in-part' ? 0.5 : 0 };
}

/** The first specimen of which the character was read speaks; one on which it is hidden only when no other shows it. */
function readingFinding(statement: Statement, specimens: readonly KeyedSpecimen[], characters: Characters): Finding | undefined {
  const { link, n } = statement;
  const character = link && characters.get(link.character);
  if (!character) return undefined;
  let hidden: Finding | undefined;
  for (const { id, readings } of specimens) {
    const reading = readings.findLast((one) => one.character === character.id);
    const finding = reading && fromReading(n, link, character, reading);
    if (!finding) continue;
    const placed = { ...finding, from: 'reading' as const, ...(id === ONLY ? {} : { specimen: id }) };
    if (finding.answer !== 'cannot-see') return placed;
    hidden ??= placed;
  }
  return hidden;
}

type Bare = Omit<Finding, 'from' | 'specimen'>;

function fromReading(n: number, link: NonNullable<Statement['link']>, character: Character, reading: Reading): Bare | undefined {
  const status = reading.status ?? 'seen';
  if (status === 'not-visible') return { n, answer: 'cannot-see', said: sayReading(character, reading) };
  if (status === 'does-not-apply' || reading.comparison) return undefined;
  if ('states' in link) {
    if (!isStates(character) || !reading.states) return undefined;
    const inside = reading.states.filter((state) => link.states.includes(state)).length;
    const fit = inside / reading.states.length;
    return { n, answer: fit === 1 ? 'fits' : fit === 0 ? 'does-not' : 'in-part', fit, said: sayReading(character, reading) };
  }
  const given = valueOf(character, reading) ?? (reading.value === undefined ? undefined : { value: reading.value, error: 0 });
  return given && tested(n, link, given.value, given.error, character.unit, character);
}

type Bounds = Pick<Quantity, 'low' | 'high'>;

/**
 * Test a measured value with its error against bounds: the probability that the
 * true value lies within them, the error taken as normal. Decided above 97.5 % or
 * below 2.5 %, else undecided.
 */
function tested(n: number, { low, high }: Bounds, value: number, error: number, unit?: string, character?: Character): Bare {
  const below = (bound: number) => (error > 0 ? normalBelow(bound, value, error) : value < bound ? 1 : value > bound ? 0 : 0.5);
  const tooLow = low === undefined ? 0 : value === low && error === 0 ? 0 : below(low);
  const tooHigh = high === undefined ? 0 : value === high && error === 0 ? 0 : 1 - below(high);
  const fit = Math.max(0, 1 - tooLow - tooHigh);
  const answer = fit >= DECIDED ? 'fits' : fit <= 1 - DECIDED ? 'does-not' : 'undecided';
  const shown = character ? sayValue(character, value, error) : plainValue(value, error, unit);
  return { n, answer, fit, said: `${shown}: ${sayTest(answer, low, high, tooLow >= tooHigh)}` };
}

function plainValue(value: number, error: number, unit = ''): string {
  return `${value}${error > 0 ? ` ± ${error}` : ''}${unit && unit !== '°' && unit !== '%' ? ` ${unit}` : unit}`;
}

const short = (bound: number | undefined) => String(Number(bound!.toPrecision(4)));

function sayTest(answer: Finding['answer'], low: number | undefined, high: number | undefined, nearLow: boolean): string {
  const bound = low === undefined ? high : high === undefined ? low : nearLow ? low : high;
  if (answer === 'undecided') return `too near to ${short(bound)} for its error: undecided`;
  if (answer === 'does-not') return `${nearLow && low !== undefined ? 'below' : 'above'} ${short(bound)}, this statement fails`;
  if (low !== undefined && low === high) return 'this statement fits';
  if (low === undefined) return `below ${short(high)}, this statement fits`;
  return high === undefined
    ? `above ${short(low)}, this statement fits`
    : `between ${short(low)} and ${short(high)}, this statement fits`;
}
