import { done, failed, type Outcome } from '../problem';
import { dayAfter, sayDay } from './days';
import type { AgeCode, AgeFamily } from './schema';

/**
 * The two common families of age codes. Both turn over on the first of January: an animal
 * hatched in one calendar year is in its second from the next first of January on.
 */
export const AGE_FAMILIES: readonly AgeFamily[] = [
  {
    id: 'letters',
    label: 'calendar-year letters',
    reference: '01-01',
    codes: [
      { code: 'U', label: 'unknown', from: 0 },
      { code: 'L', label: 'local: cannot fly yet', from: 0, to: 0 },
      { code: 'HY', label: 'hatched this year', from: 0, to: 0 },
      { code: 'AHY', label: 'after its hatching year', from: 1 },
      { code: 'SY', label: 'second year', from: 1, to: 1 },
      { code: 'ASY', label: 'after its second year', from: 2 },
      { code: 'TY', label: 'third year', from: 2, to: 2 },
      { code: 'ATY', label: 'after its third year', from: 3 },
    ],
  },
  {
    id: 'numbers',
    label: 'numeric series',
    reference: '01-01',
    codes: [
      { code: '1', label: 'nestling or chick, cannot fly yet', from: 0, to: 0 },
      { code: '2', label: 'full-grown, year unknown', from: 0 },
      { code: '3', label: 'hatched this year', from: 0, to: 0 },
      { code: '4', label: 'hatched before this year', from: 1 },
      { code: '5', label: 'hatched last year', from: 1, to: 1 },
      { code: '6', label: 'hatched before last year', from: 2 },
      { code: '7', label: 'hatched two years ago', from: 2, to: 2 },
      { code: '8', label: 'hatched three years ago or more', from: 3 },
    ],
  },
];

const UNKNOWN = (family: string) => ({
  code: 'unknown-family',
  message: `There is no family of age codes “${family}”; it belongs on the station’s sheet.`,
  field: 'family',
});

/** A code in its family. */
export function codeOf({ family, code }: AgeCode, families: readonly AgeFamily[] = AGE_FAMILIES) {
  const of = families.find(({ id }) => id === family);
  return of?.codes.find((one) => one.code === code);
}

/** The year of a day by a family's reference day: it begins there and bears the number of the calendar year it begins in. */
export function familyYear({ reference }: Pick<AgeFamily, 'reference'>, day: string): number {
  const year = Number(day.slice(0, 4));
  return day.slice(5) >= reference ? year : year - 1;
}

/** Days on which an animal may have hatched; an open end is `undefined`. */
export interface Hatched {
  from?: string;
  to: string;
}

const dateOf = (reference: string, year: number) => `${String(year).padStart(4, '0')}-${reference}`;
const earlier = (a: string, b: string) => (a < b ? a : b);

/** When it may have hatched, told by a code on a day. */
export function hatchedBy(code: AgeCode, day: string, families: readonly AgeFamily[] = AGE_FAMILIES): Outcome<Hatched> {
  const family = families.find(({ id }) => id === code.family);
  if (!family) return failed(UNKNOWN(code.family));
  const found = codeOf(code, families);
  if (!found)
    return failed({ code: 'unknown-code', message: `“${code.code}” is no code of the ${family.label}.`, field: 'code' });
  const year = familyYear(family, day);
  const last = earlier(dayAfter(dateOf(family.reference, year - found.from + 1), -1), day);
  if (found.to === undefined) return done({ to: last });
  return done({ from: dateOf(family.reference, year - found.to), to: last });
}

/**
 * A code in another family that says the very same on that day; refused where there is none.
 * Where two families turn over on different days, both are held against the days on which it may have hatched.
 *
 * @param season days of the year on which the kind hatches, as MM-DD; the whole year where unknown.
 * @returns all codes that say it, in the family's order: a family may have two words for one thing.
 */
export function convertAge(
  code: AgeCode,
  to: string,
  day: string,
  families: readonly AgeFamily[] = AGE_FAMILIES,
  season?: { from: string; to: string },
): Outcome<{ codes: string[] }> {
  const target = families.find(({ id }) => id === to);
  if (!target) return failed(UNKNOWN(to));
  const hatched = hatchedBy(code, day, families);
  if (!hatched.ok) return hatched;
  const wanted = inSeason(hatched.value, day, season);
  const codes = target.codes
    .filter((one) => {
      const own = hatchedBy({ family: to, code: one.code }, day, families);
      if (!own.ok) return false;
      const found = inSeason(own.value, day, season);
      return found.from === wanted.from && found.to === wanted.to;
    })
    .map((one) => one.code);
  // What cannot fly yet says more than the year, and so does not stand for it.
  const alike = codes.filter((one) => isFlightless({ family: to, code: one }) === isFlightless(code));
  if (alike.length) return done({ codes: alike });
  return failed({
    code: 'no-such-age',
    message: `The ${target.label} have no code that says the same as “${code.code}” on ${sayDay(day)}; write down a wider one by hand if it is meant.`,
    field: 'to',
  });
}

const isFlightless = ({ family, code }: AgeCode): boolean =>
  (family === 'letters' && code === 'L') || (family === 'numbers' && code === '1');

/** The first and last days of hatching seasons within a span; as it is, where the season is unknown. */
function inSeason({ from, to }: Hatched, day: string, season?: { from: string; to: string }): Hatched {
  if (!season) return { from, to };
  const years = (start: number) => [start - 1, start, start + 1];
  const starts =
    from === undefined
      ? undefined
      : years(Number(from.slice(0, 4)))
          .map((year) => ({ a: dateOf(season.from, year), b: seasonEnd(season, year) }))
          .find(({ b }) => b >= from);
  const ends = [...years(Number(to.slice(0, 4)))]
    .reverse()
    .map((year) => ({ a: dateOf(season.from, year), b: seasonEnd(season, year) }))
    .find(({ a }) => a <= to);
  const last = ends ? earlier(earlier(ends.b, to), day) : to;
  return { ...(from === undefined ? {} : { from: starts && starts.a > from ? starts.a : from }), to: last };
}

const seasonEnd = (season: { from: string; to: string }, year: number) =>
  dateOf(season.to, season.to < season.from ? year + 1 : year);

/** Age in whole reference years on a day, from all that was written of it. */
export interface Age {
  /** Reference days passed since it hatched: at least, and at most where it is known. */
  least: number;
  most?: number;
  hatched: Hatched;
}

/**
 * Minimum age now from what was written at each capture, by the code used then and its family's
 * reference day.
 *
 * @param seen in order of time; those without a code say nothing.
 * @returns undefined where no code was written; a problem where two contradict one another.
 */
export function ageNow(
  seen: readonly { day: string; age?: AgeCode }[],
  today: string,
  families: readonly AgeFamily[] = AGE_FAMILIES,
): Outcome<Age | undefined> {
  let hatched: Hatched | undefined;
  let family: AgeFamily | undefined;
  let last: { day: string; code: string } | undefined;
  for (const { day, age } of seen) {
    if (!age) continue;
    const told = hatchedBy(age, day, families);
    if (!told.ok) return told;
    family ??= families.find(({ id }) => id === age.family);
    const from = [hatched?.from, told.value.from]
      .filter((one) => one !== undefined)
      .sort()
      .at(-1);
    const to = hatched ? earlier(hatched.to, told.value.to) : told.value.to;
    if (from !== undefined && from > to)
      return failed({
        code: 'ages-disagree',
        message: `“${age.code}” on ${sayDay(day)} does not go with “${last!.code}” on ${sayDay(last!.day)}.`,
        field: 'age',
      });
    hatched = { ...(from === undefined ? {} : { from }), to };
    last = { day, code: age.code };
  }
  if (!hatched || !family) return done(undefined);
  const year = familyYear(family, today);
  return done({
    least: year - familyYear(family, hatched.to),
    ...(hatched.from === undefined ? {} : { most: year - familyYear(family, hatched.from) }),
    hatched,
  });
}
