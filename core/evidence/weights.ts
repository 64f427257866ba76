import type { Guide } from '../guide/working';
import type { Reading } from '../observation';
/**
 * k equal readings with mutual correlation γ count together as k / (1 + (k − 1) γ)
 * (design effect: Kish 1965): the whole weight of the first k readings of a group.
 */
export const kishTotal = (k: number, gamma: number): number => (k === 0 ? 0 : k / (1 + (k - 1) * gamma));

/** What the j-th reading of a group adds to that, counted from 1: 1 for the first, ever less after it. */
export const shareOfNext = (j: number, gamma: number): number => kishTotal(j, gamma) - kishTotal(j - 1, gamma);

/**
 * Evidence between two forms from readings that depend on each other, tempered.
 * Those that speak for the first are counted from the strongest down, each by what
 * it adds to Kish's total; those that speak against it likewise. So equal readings
 * count as Kish has it, one that says nothing changes nothing, one more that agrees
 * never weakens the others, and their order does not matter.
 *
 * @param bits evidence of each reading, for above 0.
 * @param power every reading counts this much instead, however many there are.
 * @returns the weight of each, 0..1; their sum is Σ weight · bits.
 * @example temperedWeights([3, 1], 0.5) // [1, 1/3]; two equal ones count 2/3 each, 1/(1 + γ)
 */
export function temperedWeights(bits: readonly number[], gamma: number, power?: number): number[] {
  if (power !== undefined) return bits.map(() => power);
  const scratch = temperScratch(bits.length, gamma);
  scratch.bits.set(bits);
  return Array.from(scratch.weigh());
}

/** {@link temperedWeights} over and over for one group, without making anything anew: set `bits`, then ask for the weights. */
export function temperScratch(n: number, gamma: number): { bits: Float64Array; weigh: () => Float64Array } {
  const bits = new Float64Array(n);
  const weights = new Float64Array(n).fill(1);
  const order = new Uint16Array(n);
  const shares = Float64Array.from({ length: n }, (_, j) => shareOfNext(j + 1, gamma));
  const weigh = () => {
    if (n < 2) return weights;
    for (let i = 0; i < n; i++) {
      const size = Math.abs(bits[i]);
      let at = i;
      for (; at > 0 && Math.abs(bits[order[at - 1]]) < size; at--) order[at] = order[at - 1];
      order[at] = i;
    }
    let pro = 0;
    let contra = 0;
    for (let k = 0; k < n; k++) weights[order[k]] = shares[bits[order[k]] >= 0 ? pro++ : contra++];
    // Equal readings share what they have together, so that none of them is the lesser.
    for (let k = 0; k < n;) {
      let end = k + 1;
      let sum = weights[order[k]];
      while (end < n && bits[order[end]] === bits[order[k]]) sum += weights[order[end++]];
      for (let i = k; i < end; i++) weights[order[i]] = sum / (end - k);
      k = end;
    }
    return weights;
  };
  return { bits, weigh };
}

/** Σ of evidence tempered by {@link temperedWeights}. */
export const temperedSum = (bits: readonly number[], gamma: number, power?: number): number =>
  temperedWeights(bits, gamma, power).reduce((sum, weight, i) => sum + weight * bits[i], 0);

/** A dependence group as it tempers. */
export interface Tempering {
  id: string;
  gamma: number;
  power?: number;
}

interface Dependence {
  groups: Map<string, Tempering>;
  groupOf: Map<string, string | undefined>;
  blockOf: Map<string, string>;
}

const known = new WeakMap<Guide, Dependence>();

/** Looked up once a guide, since every change of a reading asks again. */
function dependenceOf(guide: Guide): Dependence {
  let dependence = known.get(guide);
  if (!dependence) {
    const own = new Map(guide.characters.map((c) => [c.id, c.dependence]));
    const groupOf = new Map(own);
    const blockOf = new Map<string, string>();
    for (const block of guide.blocks ?? []) {
      const group = commonest(block.characters.map((id) => own.get(id)));
      for (const id of block.characters) {
        blockOf.set(id, block.id);
        groupOf.set(id, group);
      }
    }
    dependence = { groups: new Map(guide.dependence.map((group) => [group.id, group])), groupOf, blockOf };
    known.set(guide, dependence);
  }
  return dependence;
}

/** The group that most of a block's characters share; the block stands in it as one character. */
function commonest(groups: readonly (string | undefined)[]): string | undefined {
  const counts = new Map<string, number>();
  for (const group of groups) if (group) counts.set(group, (counts.get(group) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]?.[0];
}

/** The dependence group of a character; of its measured block, where it stands in one. */
export function groupOfCharacter(guide: Guide, character: string): Tempering | undefined {
  const { groups, groupOf } = dependenceOf(guide);
  const id = groupOf.get(character);
  return id === undefined ? undefined : (groups.get(id) ?? { id, gamma: 0 });
}

/** What a character is one character with: its measured block, or itself alone. */
export const unitOf = (guide: Guide, character: string): string =>
  dependenceOf(guide).blockOf.get(character) ?? `character:${character}`;

/** What a character counts under as independent evidence: its dependence group, else its block, else itself alone. */
export const independenceKey = (guide: Guide, character: string): string =>
  dependenceOf(guide).groupOf.get(character) ?? unitOf(guide, character);

/**
 * How much one more reading of a character would count, if it were as strong as
 * those read of its group already: each character of the group once, a measured block
 * as one. Made once for a set of readings, and asked for as many characters as there are.
 */
export function weightsOfNext(
  guide: Guide,
  readings: readonly Pick<Reading, 'character' | 'status'>[],
): (character: string) => number {
  const read = new Map<string, Set<string>>();
  for (const { character, status } of readings) {
    const group = (status ?? 'seen') === 'seen' ? groupOfCharacter(guide, character) : undefined;
    if (group) read.set(group.id, (read.get(group.id) ?? new Set()).add(unitOf(guide, character)));
  }
  return (character) => {
    const group = groupOfCharacter(guide, character);
    if (!group) return 1;
    if (group.power !== undefined) return group.power;
    const characters = read.get(group.id);
    const mates = (characters?.size ?? 0) - Number(characters?.has(unitOf(guide, character)) ?? false);
    return kishTotal(mates + 1, group.gamma) / (mates + 1);
  };
}

/** Weights that are alike for all readings of a group, with Kish's total: for questions that are not between two forms. */
export function evenWeights(guide: Guide, readings: readonly Pick<Reading, 'character'>[]): number[] {
  const looks = new Map<string, number>();
  const units = new Map<string, Set<string>>();
  const keys = readings.map(({ character }) => {
    const unit = unitOf(guide, character);
    const group = groupOfCharacter(guide, character);
    looks.set(unit, (looks.get(unit) ?? 0) + 1);
    if (group) units.set(group.id, (units.get(group.id) ?? new Set()).add(unit));
    return { unit, group, measured: !unit.startsWith('character:') };
  });
  return keys.map(({ unit, group, measured }) => {
    const count = looks.get(unit)!;
    const own = measured ? 1 : kishTotal(count, guide.settings.secondLook) / count;
    const mates = group ? units.get(group.id)!.size : 1;
    return own * (group?.power ?? kishTotal(mates, group?.gamma ?? 0) / mates);
  });
}
