import type { Trap } from './schema';
import type { Character, CompiledGuide } from '../guide/working';
import { OVERLAP, overlapBetween, type WeightedForms } from './overlap';

/** From this fame or salience on a character is one that people go by. */
const TRUSTED = 0.6;

/** Is it a character that people go by? */
export const isTrusted = ({ fame, salience }: Character): boolean => Math.max(fame ?? 0, salience ?? 0) >= TRUSTED;

/** Famous or striking characters that overlap by more than .60 between two sides, the most famous first. */
export function trapsBetween(compiled: CompiledGuide, a: WeightedForms, b: WeightedForms): Trap[] {
  const trusted = compiled.guide.characters.filter(isTrusted);
  return trusted
    .map((character) => ({
      character,
      overlap: overlapBetween(compiled.tables.get(character.id)!, a, b, compiled.guide.settings.tail),
    }))
    .filter(({ overlap }) => overlap > OVERLAP.doesNot)
    .sort((x, y) => (y.character.fame ?? 0) - (x.character.fame ?? 0) || y.overlap - x.overlap)
    .map(({ character, overlap }) => ({
      character: character.id,
      overlap,
      text: `${character.label}: ${(character.fame ?? 0) >= TRUSTED ? 'famous' : 'striking'}, but ${Math.round(overlap * 100)} in 100 alike here.`,
    }));
}
