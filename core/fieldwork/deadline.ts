import { calendarDays } from './days';

/** What is left of a quota, and the rate that would use it up in time. */
export interface Pace {
  /** Days from today to the last day, both counted; 0 once it has passed. */
  days: number;
  left: number;
  /** A day, to meet the quota on the last day; undefined where no day is left. */
  needed?: number;
  /** A day, as it was so far; undefined before the first day. */
  sofar?: number;
}

/** Days left to a deadline (the day itself counts), what is left to a quota, and the catch rate that would meet it. */
export function pace(today: string, season: { first: string; last: string }, quota: { allowed: number; used: number }): Pace {
  const days = Math.max(0, calendarDays(today, season.last) + 1);
  const left = Math.max(0, quota.allowed - quota.used);
  const gone = calendarDays(season.first, today);
  return {
    days,
    left,
    ...(days > 0 ? { needed: left / days } : {}),
    ...(gone > 0 ? { sofar: quota.used / gone } : {}),
  };
}
