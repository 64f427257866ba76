/** One of a set that may be chosen, with how likely it is to be. */
export interface Choice {
  key: string;
  weight: number;
}

/** Sets of more than this are not looked for one by one. */
const LARGEST = 4;

/**
 * The smallest sets that have one of each of some sets: the likeliest first, by the product of the weights.
 *
 * @param sets none of them empty.
 * @returns every set of fewest members; where more than four would be needed one set that has one of each, which need not be
 *   among the smallest.
 */
export function hittingSets<T extends Choice>(sets: readonly (readonly T[])[]): T[][] {
  let open: T[][] = [[]];
  for (let size = 0; size <= LARGEST; size++) {
    const [found, next] = [new Map<string, T[]>(), new Map<string, T[]>()];
    for (const chosen of open) {
      const missed = sets.find((set) => !hits(set, chosen));
      if (!missed) found.set(keyOf(chosen), chosen);
      else for (const one of missed) next.set(keyOf([...chosen, one]), [...chosen, one]);
    }
    if (found.size) return [...found.values()].sort((a, b) => weightOf(b) - weightOf(a) || (keyOf(a) < keyOf(b) ? -1 : 1));
    open = [...next.values()];
  }
  return [greedy(sets)];
}

const hits = <T extends Choice>(set: readonly T[], chosen: readonly T[]): boolean =>
  set.some(({ key }) => chosen.some((one) => one.key === key));

const keyOf = (chosen: readonly Choice[]): string =>
  chosen
    .map(({ key }) => key)
    .sort()
    .join('\n');

const weightOf = (chosen: readonly Choice[]): number => chosen.reduce((product, { weight }) => product * weight, 1);

/** What hits most of those that are left, again and again (Chvátal 1979). */
function greedy<T extends Choice>(sets: readonly (readonly T[])[]): T[] {
  const chosen: T[] = [];
  for (let left = sets; left.length; left = left.filter((set) => !hits(set, chosen))) {
    const count = new Map<string, { one: T; n: number }>();
    for (const one of left.flat()) count.set(one.key, { one, n: (count.get(one.key)?.n ?? 0) + 1 });
    chosen.push([...count.values()].reduce((best, next) => (next.n > best.n ? next : best)).one);
  }
  return chosen;
}
