/**
 * The day of the year as a month and day, without a year: `MM-DD`. Guides speak
 * of seasons, not of dates in one year.
 */
const MONTH_STARTS = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334];
const YEAR = 365;

/** The months by their names. */
export const MONTHS = [
  ...['January', 'February', 'March', 'April', 'May', 'June'],
  ...['July', 'August', 'September', 'October', 'November', 'December'],
];

/** The same, short: `Jan`. */
export const SHORT_MONTHS = MONTHS.map((month) => month.slice(0, 3));

/** Day of the year, 1..365; 29 February counts as 28 February. Takes `MM-DD` or `YYYY-MM-DD…`. */
export function dayOfYear(date: string): number {
  const match = /^(?:\d{4}-)?(\d{2})-(\d{2})/.exec(date);
  if (!match) return Number.NaN;
  const month = Number(match[1]);
  const day = month === 2 ? Math.min(28, Number(match[2])) : Number(match[2]);
  return MONTH_STARTS[month - 1] + day;
}

/** Is the date within the span? A span may pass the turn of the year (`11-01` to `02-15`). */
export function withinDates(date: string, span: { from: string; to: string }): boolean {
  const day = dayOfYear(date);
  const from = dayOfYear(span.from);
  const to = dayOfYear(span.to);
  return from <= to ? day >= from && day <= to : day >= from || day <= to;
}

/**
 * A curve over the year read at a date: linear between its points, and from the
 * last point round to the first.
 *
 * @param points `[MM-DD, level]` in rising order of date; at least one.
 */
export function curveAt(points: readonly (readonly [string, number])[], date: string): number {
  const day = dayOfYear(date);
  const days = points.map(([at]) => dayOfYear(at));
  const next = days.findIndex((d) => d >= day);
  const after = next === -1 ? 0 : next;
  const before = (after + points.length - 1) % points.length;
  const span = (days[after] - days[before] + YEAR) % YEAR || YEAR;
  const gone = (day - days[before] + YEAR) % YEAR;
  const share = points.length === 1 ? 0 : gone / span;
  return points[before][1] + (points[after][1] - points[before][1]) * share;
}

/** A day of the year in words. @param monthDay `MM-DD`. @returns `1 Apr`. */
export const sayMonthDay = (monthDay: string): string =>
  `${Number(monthDay.slice(3))} ${SHORT_MONTHS[Number(monthDay.slice(0, 2)) - 1]}`;
