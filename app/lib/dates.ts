import { lightFormat } from 'date-fns';

const MONTHS = [
  ...['January', 'February', 'March', 'April', 'May', 'June'],
  ...['July', 'August', 'September', 'October', 'November', 'December'],
];
const SHORT = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sept', 'Oct', 'Nov', 'Dec'];
const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];

/**
 * How much of a moment is said. In words of our own: the browser's formatter takes a tenth of a second of a telephone to
 * get ready, on the first page that says a date.
 */
const STYLES = {
  /** 12 May 2026 */
  day: (date: Date) => `${date.getDate()} ${STYLES.month(date)}`,
  /** Tuesday 12 May 2026 */
  weekday: (date: Date) => `${WEEKDAYS[date.getDay()]} ${date.getDate()} ${MONTHS[date.getMonth()]} ${date.getFullYear()}`,
  /** 12 May 2026, 14:05 */
  minute: (date: Date) => `${STYLES.day(date)}, ${STYLES.clock(date)}`,
  /** May 2026 */
  month: (date: Date) => `${SHORT[date.getMonth()]} ${date.getFullYear()}`,
  /** 14:05 */
  clock: (date: Date) => lightFormat(date, 'HH:mm'),
};

const DAY_ONLY = /^\d{4}-\d{2}-\d{2}$/;

/**
 * A date or an instant (ISO 8601) in words; undefined where there is none, or it is no
 * date. A date without a time is that day everywhere; an instant is said in local time.
 *
 * @example sayDate('2026-05-12', 'weekday') // 'Tuesday 12 May 2026'
 */
export function sayDate(iso: string | undefined, style: keyof typeof STYLES = 'day'): string | undefined {
  const date = new Date(iso && DAY_ONLY.test(iso) ? `${iso}T00:00` : (iso ?? NaN));
  return Number.isNaN(date.getTime()) ? undefined : STYLES[style](date);
}

/** Today as the calendar on the wall has it: 2026-05-12. */
export const today = (): string => lightFormat(new Date(), 'yyyy-MM-dd');
