import type { ReadyKin } from './pedigree';

/** Kinships of individuals. */
export interface Kinships {
  /** Coefficient of kinship: the chance that an allele drawn from each is the same one by descent. */
  of(a: number, b: number): number;
  /** Coefficient of inbreeding: the kinship of the parents. */
  inbreeding(at: number): number;
}

/**
 * Kinship and inbreeding by the tabular method (Emik & Terrill 1949); where a parent may be one of several, its kinship
 * is the mean over them (Henderson 1988). Founders are not related and not inbred. At autosomal loci.
 *
 * @param kin parents before their young.
 */
export function kinshipsOf(kin: readonly ReadyKin[]): Kinships {
  const n = kin.length;
  const order = inOrder(kin);
  const place = new Int32Array(n);
  order.forEach((at, i) => (place[at] = i));
  const table = new Float64Array((n * (n + 1)) / 2);
  const cell = (i: number, k: number) => (i >= k ? (i * (i + 1)) / 2 + k : (k * (k + 1)) / 2 + i);
  const between = (a: number, b: number) => table[cell(place[a], place[b])];
  const mean = (parents: ReadyKin['father'], of: (at: number) => number) =>
    (parents ?? []).reduce((sum, { at, weight }) => sum + weight * of(at), 0);
  const inbred = new Float64Array(n);
  order.forEach((at, i) => {
    const { father, mother } = kin[at];
    for (let k = 0; k < i; k++) {
      const other = order[k];
      table[cell(i, k)] = (mean(father, (one) => between(one, other)) + mean(mother, (one) => between(one, other))) / 2;
    }
    inbred[at] = mean(father, (his) => mean(mother, (hers) => between(his, hers)));
    table[cell(i, i)] = (1 + inbred[at]) / 2;
  });
  return { of: between, inbreeding: (at) => inbred[at] };
}

/** Places with parents before their young: who stands for an unknown parent may stand after them. */
function inOrder(kin: readonly ReadyKin[]): number[] {
  const order: number[] = [];
  const seen = new Uint8Array(kin.length);
  for (let root = 0; root < kin.length; root++) {
    const stack = [root];
    while (stack.length) {
      const at = stack[stack.length - 1];
      const before = [...(kin[at].father ?? []), ...(kin[at].mother ?? [])].filter((parent) => !seen[parent.at]);
      if (before.length) stack.push(...before.map((parent) => parent.at));
      else {
        stack.pop();
        if (!seen[at]) {
          seen[at] = 1;
          order.push(at);
        }
      }
    }
  }
  return order;
}
