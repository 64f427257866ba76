import { SHORT_MONTHS } from '../guide/dates';

const DAY = 86_400_000;

const number = (day: string): number => Date.parse(`${day}T00:00:00Z`) / DAY;

/** Days from one day of the calendar (YYYY-MM-DD) to another; negative where it lies before. */
export const calendarDays = (from: string, to: string): number => Math.round(number(to) - number(from));

/** The day so many days after another. */
export const dayAfter = (day: string, days: number): string => new Date((number(day) + days) * DAY).toISOString().slice(0, 10);

/** A day as it is said: 12 May 2026. */
export const sayDay = (day: string): string =>
  `${Number(day.slice(8, 10))} ${SHORT_MONTHS[Number(day.slice(5, 7)) - 1]} ${day.slice(0, 4)}`;
