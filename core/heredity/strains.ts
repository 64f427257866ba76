import type { NeverMix } from '../guide/hereditySchema';

/** Somebody with its strain as it was written, and whoever may be its parents. */
export interface StrainKin {
  id: string;
  strain?: string;
  fathers: readonly string[];
  mothers: readonly string[];
}

/** By strain, its share in an individual; what is left of 1 is of no known strain. */
export type StrainShares = Readonly<Record<string, number>>;

/**
 * The share of each strain in each individual: half of what its father has and half of what its mother has, on average
 * over those that may be either; of whom nothing is known, of the strain that is written of it.
 *
 * @param kin parents that are not among them are not known; nor is one that would be its own ancestor.
 */
export function sharesOf(kin: readonly StrainKin[]): Map<string, StrainShares> {
  const byId = new Map(kin.map((one) => [one.id, one]));
  const found = new Map<string, StrainShares>();
  const open = new Set<string>();
  for (const root of kin) {
    const stack = [root];
    while (stack.length) {
      const one = stack[stack.length - 1];
      if (found.has(one.id)) {
        stack.pop();
        continue;
      }
      const parents = [one.fathers, one.mothers].map((ids) => ids.filter((id) => byId.has(id)));
      const left = parents.flat().filter((id) => !found.has(id) && !open.has(id));
      if (left.length && !open.has(one.id)) {
        open.add(one.id);
        stack.push(...left.map((id) => byId.get(id)!));
        continue;
      }
      stack.pop();
      const shares: Record<string, number> = {};
      for (const ids of parents) {
        const told = ids.map((id) => found.get(id)).filter((one) => one !== undefined);
        const own = told.length ? told : [one.strain ? { [one.strain]: 1 } : {}];
        for (const part of own)
          for (const [strain, share] of Object.entries(part)) shares[strain] = (shares[strain] ?? 0) + share / (2 * own.length);
      }
      found.set(one.id, shares);
    }
  }
  return found;
}

/** What young of two would have of each strain. */
export function sharesOfYoung(father: StrainShares, mother: StrainShares): StrainShares {
  const shares: Record<string, number> = {};
  for (const part of [father, mother])
    for (const [strain, share] of Object.entries(part)) shares[strain] = (shares[strain] ?? 0) + share / 2;
  return shares;
}

/** Rules that a pairing would break: its young would be of two strains that are kept apart, and not both parents are already. */
export function mixedBy(rules: readonly NeverMix[], father: StrainShares, mother: StrainShares): NeverMix[] {
  const has = (shares: StrainShares, strain: string) => (shares[strain] ?? 0) > 0;
  return rules.filter(({ strains }) => {
    const both = (shares: StrainShares) => strains.every((strain) => has(shares, strain));
    return both(sharesOfYoung(father, mother)) && !(both(father) && both(mother));
  });
}
