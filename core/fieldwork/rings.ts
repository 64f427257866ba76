import type { StringContent } from './schema';

/** A ring number as it is kept: letters, a blank, the digits. */
export function ringOf(typed: string): string | undefined {
  const found = /^\s*([A-Za-z]{0,3})[\s·.-]*((?:\d[\s·.-]*){1,10})$/.exec(typed);
  if (!found) return undefined;
  const digits = found[2].replace(/\D/g, '');
  return found[1] ? `${found[1].toUpperCase()} ${digits}` : digits;
}

/** As it is read back aloud: the letters, then the digits in groups of three from the end. */
export function readBack(mark: string): string {
  const [letters, digits] = mark.includes(' ') ? mark.split(' ') : ['', mark];
  const groups: string[] = [];
  for (let end = digits.length; end > 0; end -= 3) groups.unshift(digits.slice(Math.max(0, end - 3), end));
  return [...(letters ? [letters] : []), groups.join(' · ')].join(' ');
}

type Numbers = Pick<StringContent, 'letters' | 'digits' | 'first' | 'last' | 'unused'>;

/** The ring of a number in a string. */
export const ringIn = ({ letters, digits }: Pick<StringContent, 'letters' | 'digits'>, number: number): string =>
  `${letters ? `${letters} ` : ''}${String(number).padStart(digits, '0')}`;

/** Its number in a string; undefined where it is not of that string. */
export function numberIn(string: Numbers, mark: string): number | undefined {
  const [letters, digits] = mark.includes(' ') ? mark.split(' ') : ['', mark];
  if (letters !== string.letters || digits.length !== string.digits) return undefined;
  const number = Number(digits);
  return number >= string.first && number <= string.last ? number : undefined;
}

/** How a string stands. */
export interface StringStanding {
  used: number;
  unused: number;
  left: number;
  /** The next to be put on; undefined where none is left. */
  next?: string;
  /** Numbers passed over: neither put on nor told to be destroyed or lost. */
  gaps: string[];
  /** Put on more than once. */
  twice: string[];
}

/** How a string stands, from the marks newly put on. */
export function stringStanding(string: Numbers, ringed: readonly string[]): StringStanding {
  const on = new Map<number, number>();
  for (const mark of ringed) {
    const number = numberIn(string, mark);
    if (number !== undefined) on.set(number, (on.get(number) ?? 0) + 1);
  }
  const gone = new Set(string.unused.map(({ number }) => number));
  const highest = Math.max(string.first - 1, ...on.keys(), ...gone);
  const gaps: string[] = [];
  for (let n = string.first; n < highest; n++) if (!on.has(n) && !gone.has(n)) gaps.push(ringIn(string, n));
  let next = highest + 1;
  while (gone.has(next)) next++;
  return {
    used: on.size,
    unused: gone.size,
    left: string.last - string.first + 1 - new Set([...on.keys(), ...gone]).size,
    ...(next <= string.last ? { next: ringIn(string, next) } : {}),
    gaps,
    twice: [...on].filter(([, times]) => times > 1).map(([n]) => ringIn(string, n)),
  };
}

/** Is one what the other becomes by one wrong digit, or by two neighbours swapped? */
export function isSlip(typed: string, meant: string): boolean {
  if (typed.length !== meant.length || typed === meant) return false;
  const wrong = [...meant].flatMap((letter, i) => (letter === typed[i] ? [] : [i]));
  if (wrong.length === 1) return true;
  const [i, j] = wrong;
  return wrong.length === 2 && j === i + 1 && typed[i] === meant[j] && typed[j] === meant[i];
}

/** What a number that was typed can be. */
export type RingCheck =
  /** The next of a string that is loaded. */
  | { kind: 'next' }
  /** Out already: its history opens. */
  | { kind: 'out' }
  /** Of a loaded string, but not its next: a slip, or rings passed over. */
  | { kind: 'not-next'; next: string; slip: boolean }
  /** In no string of the station: perhaps a slip for one of these; or put on elsewhere. */
  | { kind: 'unknown'; near: string[] };

/**
 * A number that was typed against the strings in use and the rings that are out. Of a number that
 * is to be put on, any single wrong digit and any swap of neighbours is caught: it is not the next.
 * Of one that is read from a bird, it is caught where no such ring is out; where another one is, the
 * number is to be read a second time, which is asked for whatever it is.
 */
export function checkRing(
  mark: string,
  strings: readonly Numbers[],
  out: ReadonlySet<string>,
  ringed: readonly string[],
): RingCheck {
  if (out.has(mark)) return { kind: 'out' };
  const nexts = strings.flatMap((string) => stringStanding(string, ringed).next ?? []);
  if (nexts.includes(mark)) return { kind: 'next' };
  const own = strings.find((string) => numberIn(string, mark) !== undefined);
  const near = [...nexts, ...out].filter((one) => isSlip(mark, one));
  const next = own && stringStanding(own, ringed).next;
  if (next) return { kind: 'not-next', next, slip: isSlip(mark, next) };
  return { kind: 'unknown', near: near.slice(0, 5) };
}
