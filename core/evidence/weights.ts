import type { Guide } from '../guide/working';
import type { Reading } from './reading';

/**
 * How much each reading counts. Readings of one character share γ = the guide's
 * `secondLook`; characters of one dependence group share that group's γ. k
 * readings with mutual correlation γ are each tempered by 1 / (1 + (k − 1) γ)
 * (design effect: Kish 1965). Readings of one
 * measured block are not tempered: their covariance is in the block already.
 */
export function dependenceWeights(guide: Guide, readings: readonly Reading[]): number[] {
  const { gammas, groupOf, blockOf } = dependenceOf(guide);
  const blocks = readings.map((reading) => (reading.comparison ? undefined : blockOf.get(reading.character)));
  const groups = readings.map((reading) => groupOf.get(reading.character));
  const shared = (i: number, j: number): number => {
    if (blocks[i] !== undefined && blocks[i] === blocks[j]) return 0;
    if (readings[i].character === readings[j].character) return guide.settings.secondLook;
    return groups[i] !== undefined && groups[i] === groups[j] ? (gammas.get(groups[i]) ?? 0) : 0;
  };
  return readings.map((_, i) => 1 / (1 + readings.reduce((sum, _other, j) => sum + (i === j ? 0 : shared(i, j)), 0)));
}

interface Dependence {
  gammas: Map<string, number>;
  groupOf: Map<string, string | undefined>;
  blockOf: Map<string, string>;
}

const known = new WeakMap<Guide['characters'], Dependence>();

/** Looked up once a guide, since every change of a reading asks again. */
function dependenceOf(guide: Guide): Dependence {
  let dependence = known.get(guide.characters);
  if (!dependence) {
    dependence = {
      gammas: new Map(guide.dependence.map((group) => [group.id, group.gamma])),
      groupOf: new Map(guide.characters.map((c) => [c.id, c.dependence])),
      blockOf: new Map((guide.blocks ?? []).flatMap((block) => block.characters.map((id) => [id, block.id]))),
    };
    known.set(guide.characters, dependence);
  }
  return dependence;
}

/** What a character counts under as a mark: its measured block, its dependence group, or itself alone. */
export function independenceKey(guide: Guide, character: string): string {
  const { groupOf, blockOf } = dependenceOf(guide);
  return blockOf.get(character) ?? groupOf.get(character) ?? `character:${character}`;
}
