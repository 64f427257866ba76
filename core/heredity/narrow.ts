import type { Factor } from './factor';

/** What is left of a network when the values are taken away that cannot be. */
export interface Narrowed {
  /** Of each variable, the values it may still take; never none. */
  left: number[][];
  /** Variables that make these lose the values they lost, with these. */
  why(vars: Iterable<number>): Set<number>;
}

/** A network in which nothing is possible: variables that cannot all have a value. */
export interface Emptied {
  conflict: Set<number>;
}

/**
 * Takes away every value for which some factor has nothing but zeros, until no more goes: generalised arc consistency
 * (Mackworth 1977), which on a pedigree is the elimination of genotypes (Lange & Goradia 1987). No sum is changed by it.
 * Of each value it is kept which factor took it away, and when, so that it can be told why.
 */
export function narrow(cards: readonly number[], factors: readonly Factor[]): Narrowed | Emptied {
  const alive = cards.map((card) => new Uint8Array(card).fill(1));
  const count = Int32Array.from(cards);
  const removedBy = cards.map((card) => new Int32Array(card).fill(-1));
  const removedAt = cards.map((card) => new Int32Array(card));
  const touching = cards.map((): number[] => []);
  factors.forEach(({ vars }, f) => vars.forEach((v) => touching[v].push(f)));
  const queue = [...factors.keys()];
  const waiting = new Uint8Array(factors.length).fill(1);
  let time = 0;

  const why = (vars: Iterable<number>, before = Infinity): Set<number> => {
    const found = new Set(vars);
    const open = [...found].map((v) => [v, before] as const);
    const looked = new Map<number, number>();
    for (let at = open.pop(); at; at = open.pop()) {
      const [v, until] = at;
      if ((looked.get(v) ?? -1) >= until) continue;
      looked.set(v, until);
      removedBy[v].forEach((f, value) => {
        const when = removedAt[v][value];
        if (f < 0 || when >= until) return;
        for (const other of factors[f].vars) {
          found.add(other);
          open.push([other, when]);
        }
      });
    }
    return found;
  };

  for (let next = 0; next < queue.length; next++) {
    const f = queue[next];
    waiting[f] = 0;
    const { vars } = factors[f];
    if (!vars.length) {
      if (factors[f].table[0] === 0) return { conflict: new Set(cards.keys()) };
      continue;
    }
    const supported = supportsOf(factors[f], cards, alive);
    for (let i = 0; i < vars.length; i++) {
      const v = vars[i];
      let lost = false;
      for (let value = 0; value < cards[v]; value++) {
        if (!alive[v][value] || supported[i][value]) continue;
        alive[v][value] = 0;
        removedBy[v][value] = f;
        removedAt[v][value] = time++;
        count[v]--;
        lost = true;
      }
      if (count[v] === 0) return { conflict: why([v]) };
      if (!lost) continue;
      for (const other of touching[v])
        if (other !== f && !waiting[other]) {
          waiting[other] = 1;
          queue.push(other);
        }
    }
  }
  return { left: alive.map((own) => [...own.keys()].filter((value) => own[value])), why: (vars) => why(vars) };
}

/** Of each variable of a factor, the values with which it is not zero, whatever others that are left stand beside. */
function supportsOf({ vars, table }: Factor, cards: readonly number[], alive: readonly Uint8Array[]): Uint8Array[] {
  const supported = vars.map((v) => new Uint8Array(cards[v]));
  const at = new Int32Array(vars.length);
  for (let cell = 0; cell < table.length; cell++) {
    if (table[cell] !== 0 && vars.every((v, i) => alive[v][at[i]])) vars.forEach((_, i) => (supported[i][at[i]] = 1));
    for (let i = vars.length - 1; i >= 0; i--) {
      if (++at[i] < cards[vars[i]]) break;
      at[i] = 0;
    }
  }
  return supported;
}

/** A factor over what is left: variables of one value only do not stand in it any more. */
export function restricted({ vars, table }: Factor, cards: readonly number[], left: readonly (readonly number[])[]): Factor {
  const strides = new Int32Array(vars.length);
  for (let i = vars.length - 1, stride = 1; i >= 0; stride *= cards[vars[i]], i--) strides[i] = stride;
  const open = [...vars.keys()].filter((i) => left[vars[i]].length > 1);
  let first = 0;
  vars.forEach((v, i) => (first += left[v][0] * strides[i]));
  const size = open.reduce((all, i) => all * left[vars[i]].length, 1);
  const own = new Float64Array(size);
  const at = new Int32Array(open.length);
  for (let cell = 0; cell < size; cell++) {
    let place = first;
    open.forEach((i, k) => (place += (left[vars[i]][at[k]] - left[vars[i]][0]) * strides[i]));
    own[cell] = table[place];
    for (let k = open.length - 1; k >= 0; k--) {
      if (++at[k] < left[vars[open[k]]].length) break;
      at[k] = 0;
    }
  }
  return { vars: open.map((i) => vars[i]), table: own };
}
