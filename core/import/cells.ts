import { CATCH_WORDS, CATCHES, type Catch, CONDITIONS, METHOD_WORDS, METHODS, ringOf, SEXES } from '../fieldwork';
import type { AgeFamily, BodyCondition, Method, Sex } from '../fieldwork';
import { plainText } from '../guide/working';
import type { DayOrder } from './vocabulary';

/** A number with a decimal point or comma, and a unit behind it that is known; undefined where it is none. */
export function numberIn(cell: string): number | undefined {
  const found = /^([+\-−]?\d+(?:[.,]\d+)?(?:e[+-]?\d+)?)\s*(mm|g|m|°)?$/i.exec(cell);
  if (!found) return undefined;
  const value = Number(found[1].replace(',', '.').replace('−', '-'));
  return Number.isFinite(value) ? value : undefined;
}

const lastEnding = (two: number, now: number): number => now - ((((now - two) % 100) + 100) % 100);

const two = (n: number) => String(n).padStart(2, '0');

/**
 * A day in its order, as YYYY-MM-DD; undefined where it is none. A year of two digits is the last one that ends so.
 *
 * @param today YYYY-MM-DD.
 */
export function dayIn(cell: string, order: DayOrder, today: string): string | undefined {
  const found = /^(\d{1,4})[-./\s]+(\d{1,2})[-./\s]+(\d{1,4})\.?$/.exec(cell);
  if (!found) return undefined;
  const [first, second, third] = found.slice(1).map(Number);
  const [year, month, day] =
    found[1].length === 4 || order === 'year-month-day'
      ? [first, second, third]
      : order === 'day-month-year'
        ? [third, second, first]
        : [third, first, second];
  const full = year < 100 && found[1].length + found[3].length < 5 ? lastEnding(year, Number(today.slice(0, 4))) : year;
  if (full < 1000 || full > 9999) return undefined;
  const date = new Date(Date.UTC(full, month - 1, day));
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day ? `${full}-${two(month)}-${two(day)}` : undefined;
}

/** The order in which days are written, told by the first that allows one only; day before month where none does. */
export function orderOf(cells: readonly string[]): DayOrder {
  for (const cell of cells) {
    const found = /^(\d{1,4})[-./\s]+(\d{1,2})[-./\s]+(\d{1,4})/.exec(cell);
    if (!found) continue;
    if (found[1].length === 4) return 'year-month-day';
    if (Number(found[1]) > 12) return 'day-month-year';
    if (Number(found[2]) > 12) return 'month-day-year';
  }
  return 'day-month-year';
}

/** A time of day as HH:MM:SS: `7:05`, `0705`, `07.05`, `7:05 pm`. */
export function timeIn(cell: string): string | undefined {
  const found = /^(\d{1,2})(?:[:.h]?(\d{2}))?(?::?(\d{2})(?:\.\d+)?)?\s*(am|pm)?$/i.exec(cell.replace(/\s*h$/i, ''));
  if (!found || (found[2] === undefined && !found[4])) return undefined;
  let hour = Number(found[1]);
  const [minute, second] = [Number(found[2] ?? 0), Number(found[3] ?? 0)];
  if (found[4] && (hour < 1 || hour > 12)) return undefined;
  if (found[4]) hour = (hour % 12) + (found[4].toLowerCase() === 'pm' ? 12 : 0);
  return hour < 24 && minute < 60 && second < 60 ? `${two(hour)}:${two(minute)}:${two(second)}` : undefined;
}

/** An instant of ISO 8601 with its offset, or a day and a time without one, at the offset given. */
export function instantIn(cell: string, offset: string, today: string): { at: string; day: string } | undefined {
  const found = /^(\d{4}-\d\d-\d\d)[T ](\d\d:?\d\d(?::?\d\d(?:\.\d+)?)?)\s*(Z|[+-]\d\d:?\d\d)?$/.exec(cell);
  const day = found && dayIn(found[1], 'year-month-day', today);
  const time = found && timeIn(found[2]);
  if (!day || !time) return undefined;
  const zone = found[3] ? found[3].replace(/^([+-]\d\d)(\d\d)$/, '$1:$2') : offset;
  const at = `${day}T${time}${zone}`;
  return Number.isNaN(Date.parse(at)) ? undefined : { at, day };
}

/** Words that are found by themselves or by what they are told as, without case, accents and punctuation. */
const wordsOf = <T extends string>(all: readonly T[], more: Partial<Record<T, string>>) =>
  new Map<string, T>(
    all.flatMap((one) => [one, ...(more[one]?.split(' | ') ?? [])].map((word) => [plainText(word), one] as const)),
  );

const SEX_WORDS = wordsOf<Sex>(SEXES, {
  male: 'm | ♂ | males | man',
  female: 'f | ♀ | females | w',
  unknown: 'u | ? | undetermined | unsexed | indet | n/a | na | not sexed',
});
const CATCH_FOUND = wordsOf<Catch>(CATCHES, {
  ringed: `${CATCH_WORDS.ringed} | new | first`,
  again: `${CATCH_WORDS.again} | recapture | recaptured | met before`,
  unringed: `${CATCH_WORDS.unringed} | unringed | released`,
  'other-kind': `${CATCH_WORDS['other-kind']} | non-target | bycatch`,
  lost: `${CATCH_WORDS.lost} | dead`,
});
const CONDITION_WORDS = wordsOf<BodyCondition>(CONDITIONS, {});
const METHODS_FOUND = wordsOf<Method>(METHODS, Object.fromEntries(METHODS.map((method) => [method, METHOD_WORDS[method]])));

/** `plainText` has no letter for these. */
const SIGNS: Record<string, string> = { '♂': 'male', '♀': 'female', '?': 'unknown' };

export const sexIn = (cell: string): Sex | undefined => SEX_WORDS.get(plainText(SIGNS[cell] ?? cell));
export const catchIn = (cell: string): Catch | undefined => CATCH_FOUND.get(plainText(cell));
export const conditionIn = (cell: string): BodyCondition | undefined => CONDITION_WORDS.get(plainText(cell));
export const methodIn = (cell: string): Method | undefined => METHODS_FOUND.get(plainText(cell));
export const ringIn = (cell: string): string | undefined => ringOf(cell);

/** A code of a family, whatever its case. */
export const ageIn = (cell: string, family: AgeFamily | undefined): string | undefined =>
  family?.codes.find(({ code, label }) => [code, label].some((word) => word.toLowerCase() === cell.toLowerCase()))?.code;
