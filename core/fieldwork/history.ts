import type { Problem } from '../problem';
import { AGE_FAMILIES, ageNow } from './ageCodes';
import { sayDay } from './days';
import { atLiberty, type Position } from './liberty';
import type { AgeFamily, CaptureContent } from './schema';
import type { TurnedOut } from './turnedOut';

/** One capture of an individual, as far as its history needs it. */
export interface Seen extends Pick<CaptureContent, 'what' | 'taxon' | 'name' | 'age' | 'sex' | 'overrides'> {
  id: string;
  /** YYYY-MM-DD, where it was. */
  day: string;
  at?: Position;
}

/** Where two captures of one mark do not go together. */
export interface Contradiction extends Problem {
  /** The captures, earlier first. */
  between: readonly [string, string];
  /** Why it stands all the same, where that was said. */
  resolved?: string;
}

/**
 * Where captures of one mark contradict one another: kind, sex, age, or a ring put on twice.
 * Nothing is overwritten: each stays until a reason is given at the later one.
 *
 * @param seen in order of time.
 * @param truth what it turned out to be, where that is known: it settles what kind and sex it is.
 */
export function contradictions(
  seen: readonly Seen[],
  families: readonly AgeFamily[] = AGE_FAMILIES,
  truth?: TurnedOut,
): Contradiction[] {
  const found: Contradiction[] = [];
  const add = (code: string, a: Seen, b: Seen, message: string) => {
    const reason = b.overrides.find(({ what }) => what === code)?.reason ?? settledBy(truth, code);
    found.push({ code, message, between: [a.id, b.id], ...(reason ? { resolved: reason } : {}) });
  };
  /** The last before one that says something of it. */
  const before = (i: number, says: (one: Seen) => unknown) => seen.slice(0, i).findLast((one) => says(one) !== undefined);
  seen.forEach((now, i) => {
    const kindOf = (one: Seen) => one.taxon ?? one.name;
    const sexOf = (one: Seen) => (one.sex === 'unknown' ? undefined : one.sex);
    const kind = before(i, kindOf);
    if (kind && kindOf(now) !== undefined && kindOf(kind) !== kindOf(now))
      add('kinds-differ', kind, now, `Another kind than on ${sayDay(kind.day)}.`);
    const sexed = before(i, sexOf);
    if (sexed && sexOf(now) && sexOf(sexed) !== sexOf(now))
      add('sexes-differ', sexed, now, `${capital(sexOf(sexed)!)} on ${sayDay(sexed.day)}, ${sexOf(now)} on ${sayDay(now.day)}.`);
    const aged = before(i, (one) => one.age);
    if (aged && now.age) {
      const together = ageNow([aged, now], now.day, families);
      if (!together.ok && together.problems[0].code === 'ages-disagree')
        add('ages-disagree', aged, now, `${together.problems[0].message}`);
    }
    const first = seen.slice(0, i).find(({ what }) => what === 'ringed');
    if (first && now.what === 'ringed') add('ringed-twice', first, now, `The ring was put on already, on ${sayDay(first.day)}.`);
  });
  return found;
}

/** What an outcome settles, in a sentence. */
function settledBy(truth: TurnedOut | undefined, code: string): string | undefined {
  if (code === 'sexes-differ' && truth?.sex) return `It turned out ${truth.sex}, ${truth.how}.`;
  if (code === 'kinds-differ' && truth?.taxon) return `It is known what kind it is, ${truth.how}.`;
  return undefined;
}

const capital = (word: string) => word[0].toUpperCase() + word.slice(1);

/** From each capture to the next: days, km, and which way. */
export const legs = (seen: readonly Seen[]) =>
  seen.slice(1).map((to, i) => ({ from: seen[i].id, to: to.id, ...atLiberty(seen[i], to) }));
