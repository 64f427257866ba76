/** One part in which two states of a record differ: the way to it, and what it held in each; absent where it was not there. */
export interface Difference {
  path: readonly string[];
  then?: string;
  now?: string;
}

/** What the server keeps beside what was written, and what is worked out of it. */
const BESIDE = new Set(['id', 'version', 'createdAt', 'updatedAt', 'recordedBy', 'summary', 'guideVersion', 'hash', 'cautions']);

/** By what the parts of a list are told apart, so that one that moved is not taken for another. */
const NAMES = ['id', 'character', 'couplet', 'name', 'field', 'what'] as const;

/**
 * In what two states of a record differ, leaf by leaf, in the order in which they stand; nothing where they are alike.
 * Parts of a list are paired by what names them (an id, a character), lists of plain values are one leaf.
 *
 * @example differencesOf({ label: 'a' }, { label: 'b' }) // [{ path: ['label'], then: 'a', now: 'b' }]
 */
export function differencesOf(then: Readonly<Record<string, unknown>>, now: Readonly<Record<string, unknown>>): Difference[] {
  const without = (state: Readonly<Record<string, unknown>>) =>
    Object.fromEntries(Object.entries(state).filter(([name]) => !BESIDE.has(name)));
  const [before, after] = [leavesOf(without(then)), leavesOf(without(now))];
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((key) => {
    const [one, other] = [before.get(key), after.get(key)];
    if (one?.value === other?.value) return [];
    return [{ path: (one ?? other)!.path, ...(one ? { then: one.value } : {}), ...(other ? { now: other.value } : {}) }];
  });
}

interface Leaf {
  path: readonly string[];
  value: string;
}

/** A part in which two states differ: what changed of it, or, where it is on one side only, all that it holds there. */
export interface DifferentPart extends Difference {
  /** Of a whole that is on one side only: each of its leaves, by its way within the whole. */
  holds?: readonly Leaf[];
}

/**
 * As `differencesOf`, but what came or went as a whole (one of a list, a group of fields) is one part and not its leaves.
 *
 * @param least how far a way leads at the least: nothing above that counts as a whole.
 */
export function differentParts(
  then: Readonly<Record<string, unknown>>,
  now: Readonly<Record<string, unknown>>,
  least = 1,
): DifferentPart[] {
  const [before, after] = [then, now].map(waysIn);
  const wholes = new Map<string, { path: readonly string[]; isThen: boolean; holds: Leaf[] }>();
  return differencesOf(then, now).flatMap((difference): DifferentPart[] => {
    const { path, then: was, now: is } = difference;
    if (was !== undefined && is !== undefined) return [difference];
    const other = was === undefined ? before : after;
    const whole = path.findIndex(
      (_, i) => i + 1 >= least && i + 1 < path.length && !other.has(JSON.stringify(path.slice(0, i + 1))),
    );
    if (whole < 0) return [difference];
    const key = JSON.stringify(path.slice(0, whole + 1));
    const leaf = { path: path.slice(whole + 1), value: (was ?? is)! };
    const known = wholes.get(key);
    if (known) known.holds.push(leaf);
    else wholes.set(key, { path: path.slice(0, whole + 1), isThen: was !== undefined, holds: [leaf] });
    const { path: own, isThen, holds } = wholes.get(key)!;
    return known ? [] : [{ path: own, holds, ...(isThen ? { then: '' } : { now: '' }) }];
  });
}

/** Each way that leads to something, and each way on it. */
const waysIn = (state: Readonly<Record<string, unknown>>): ReadonlySet<string> =>
  new Set([...leavesOf(state).values()].flatMap(({ path }) => path.map((_, i) => JSON.stringify(path.slice(0, i + 1)))));

function leavesOf(value: unknown, path: readonly string[] = [], into = new Map<string, Leaf>()): Map<string, Leaf> {
  if (Array.isArray(value) && value.some(isObject)) {
    const names = namesOf(value);
    value.forEach((part, i) => leavesOf(part, [...path, names[i]], into));
  } else if (isObject(value)) {
    for (const [name, part] of Object.entries(value)) leavesOf(part, [...path, name], into);
  } else if (value !== undefined && value !== null) {
    // An empty list or object says what its absence says.
    const words = Array.isArray(value) ? value.map(String).join(', ') : String(value);
    if (words || !Array.isArray(value)) into.set(JSON.stringify(path), { path, value: words });
  }
  return into;
}

/** What each part of a list is called: by what names it where that is its own, else by its place from 1. */
function namesOf(parts: readonly unknown[]): string[] {
  for (const by of NAMES) {
    const names = parts.map((part) => (isObject(part) && typeof part[by] === 'string' ? part[by] : undefined));
    if (names.every((name) => name !== undefined) && new Set(names).size === names.length) return names;
  }
  return parts.map((_, i) => String(i + 1));
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
