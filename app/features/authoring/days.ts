import { MONTHS, sayMonthDay } from '@plesion/core/guide';

const DAY = /^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
/** Of each month in a leap year: the 29th of February is a day. */
const LENGTHS = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** One day of the year: `04-01`, `1 Apr`, `April 1`. */
function readDay(text: string): string | undefined {
  if (DAY.test(text)) return Number(text.slice(3)) <= LENGTHS[Number(text.slice(0, 2)) - 1] ? text : undefined;
  const [, before, word, after] = /^(\d{1,2})?\.?\s*([a-z]{3,})\.?\s*(\d{1,2})?$/i.exec(text) ?? [];
  if (!word || (before === undefined) === (after === undefined)) return undefined;
  const month = MONTHS.findIndex((name) => name.toLowerCase().startsWith(word.toLowerCase()));
  const day = Number(before ?? after);
  if (month < 0 || day < 1 || day > LENGTHS[month]) return undefined;
  return `${String(month + 1).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
}

/** Two days of the year as they are typed (`1 Apr to 31 Aug`, `04-01 to 08-31`); nothing where nothing is typed. */
export function readDays(text: string): { from: string; to: string } | 'unreadable' | undefined {
  if (text.trim() === '') return undefined;
  const days = text.trim().split(/\s+to\s+|\s*[–,]\s*|\s+-\s+/);
  const [from, to] = (days.length === 1 ? text.trim().split(/\s+/) : days).map(readDay);
  return days.length <= 2 && from && to ? { from, to } : 'unreadable';
}

/** Two days as they are shown and may be typed. */
export const sayDays = (dates: { from: string; to: string } | undefined): string =>
  dates ? `${sayMonthDay(dates.from)} to ${sayMonthDay(dates.to)}` : '';
