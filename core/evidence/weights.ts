import type { Guide } from '../guide';
import type { Reading } from './reading';

/**
 * How much each reading counts. Readings of one character share γ = the guide's
 * `secondLook`; characters of one dependence group share that group's γ. k
 * readings with mutual correlation γ are each tempered by 1 / (1 + (k − 1) γ)
 * (design effect: Kish 1965).
 */
export function dependenceWeights(guide: Guide, readings: readonly Reading[]): number[] {
  const gammas = new Map(guide.dependence.map((group) => [group.id, group.gamma]));
  const groupOf = new Map(guide.characters.map((c) => [c.id, c.dependence]));
  const shared = (a: Reading, b: Reading): number => {
    if (a.character === b.character) return guide.settings.secondLook;
    const group = groupOf.get(a.character);
    return group !== undefined && group === groupOf.get(b.character) ? (gammas.get(group) ?? 0) : 0;
  };
  return readings.map(
    (reading, i) => 1 / (1 + readings.reduce((sum, other, j) => sum + (i === j ? 0 : shared(reading, other)), 0)),
  );
}

/** The dependence group a character counts under: its group's id, or itself alone. */
export function independenceKey(guide: Guide, character: string): string {
  return guide.characters.find((c) => c.id === character)?.dependence ?? `character:${character}`;
}
