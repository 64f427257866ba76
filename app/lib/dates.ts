import { lightFormat } from 'date-fns';

/** How much of a moment is said. */
const STYLES = {
  /** 12 May 2026 */
  day: { day: 'numeric', month: 'short', year: 'numeric' },
  /** Tuesday 12 May 2026 */
  weekday: { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
  /** 12 May 2026, 14:05 */
  minute: { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' },
  /** May 2026 */
  month: { month: 'short', year: 'numeric' },
  /** 14:05 */
  clock: { hour: '2-digit', minute: '2-digit' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

const DAY_ONLY = /^\d{4}-\d{2}-\d{2}$/;
const written = new Map<string, Intl.DateTimeFormat>();

/**
 * A date or an instant (ISO 8601) in words; undefined where there is none, or it is no
 * date. A date without a time is that day everywhere; an instant is said in local time.
 *
 * @example sayDate('2026-05-12', 'weekday') // 'Tuesday 12 May 2026'
 */
export function sayDate(iso: string | undefined, style: keyof typeof STYLES = 'day'): string | undefined {
  const date = new Date(iso ?? NaN);
  if (Number.isNaN(date.getTime())) return undefined;
  const timeZone = DAY_ONLY.test(iso!) ? 'UTC' : undefined;
  const key = `${style} ${timeZone}`;
  if (!written.has(key)) written.set(key, new Intl.DateTimeFormat('en-GB', { ...STYLES[style], timeZone }));
  // Browsers differ in whether a comma follows the weekday.
  return written
    .get(key)!
    .format(date)
    .replace(/^([A-Z][a-z]+day), /, '$1 ');
}

/** Today as the calendar on the wall has it: 2026-05-12. */
export const today = (): string => lightFormat(new Date(), 'yyyy-MM-dd');
