import type { Character, Guide } from '../guide/working';
import type { Problem } from '../problem';
import type { Traits } from './traits';

/** The numbers a trait can be drawn with, in the unit of its character; what lies beyond is drawn at the limit. */
export interface Drawable {
  from: number;
  to: number;
}

/** What a body plan is drawn from: each trait with the words it knows, or with its numbers. */
export type Vocabulary = Readonly<Record<string, readonly string[] | Drawable>>;

const isNumber = (known: readonly string[] | Drawable): known is Drawable => !Array.isArray(known);

/** What a guide says of how its characters are drawn. */
export type Drawn = Pick<Guide, 'plateTraits'>;

/** The character that drives a trait, and the word a state of it stands for. */
function driverOf({ plateTraits }: Drawn, trait: string): { character: string; words?: Record<string, string> } {
  return plateTraits?.[trait] ?? { character: trait };
}

/** The trait a character drives; undefined for one that shows on no plate. */
export function traitOf(guide: Drawn, vocabulary: Vocabulary, character: string): string | undefined {
  return Object.keys(vocabulary).find((trait) => driverOf(guide, trait).character === character);
}

/** What a state or value says in a plan's own words; undefined where it has none for it. */
export function wordFor(
  guide: Drawn,
  vocabulary: Vocabulary,
  trait: string,
  said: string | number | undefined,
): string | number | undefined {
  const known = vocabulary[trait];
  if (said === undefined || known === undefined) return undefined;
  if (isNumber(known)) {
    return typeof said === 'number' && Number.isFinite(said) ? Math.min(known.to, Math.max(known.from, said)) : undefined;
  }
  const word = driverOf(guide, trait).words?.[said] ?? said;
  return known.includes(word as string) ? word : undefined;
}

/**
 * A specimen's states and values by character, as the plan's traits. What the plan
 * has no word for is left out, so that the usual is drawn: somebody else's guide
 * must not break a plate.
 */
export function plateTraits(guide: Drawn, vocabulary: Vocabulary, byCharacter: Traits): Traits {
  const traits: Traits = {};
  for (const trait of Object.keys(vocabulary)) {
    const word = wordFor(guide, vocabulary, trait, byCharacter[driverOf(guide, trait).character]);
    if (word !== undefined) traits[trait] = word;
  }
  return traits;
}

/**
 * What of a guide its plates cannot show: words the plan does not know, traits it has
 * not, and characters that the guide lets drive a trait but does not hold. The guide
 * is good all the same; its author is told.
 */
export function foreignWords(
  guide: Drawn & { characters: readonly Pick<Character, 'id' | 'label' | 'kind' | 'states'>[] },
  vocabulary: Vocabulary,
): Problem[] {
  const characters = new Map(guide.characters.map((character) => [character.id, character]));
  const problems: Problem[] = [];
  const report = (code: string, message: string, field: string) => problems.push({ code, message, field });
  for (const [trait, { character }] of Object.entries(guide.plateTraits ?? {})) {
    const field = `plateTraits.${trait}`;
    if (!(trait in vocabulary)) report('unknown-trait', `The plates of this plan have no “${trait}”.`, field);
    else if (!characters.has(character)) {
      report('unknown-character', `There is no character “${character}” in this guide.`, `${field}.character`);
    }
  }
  for (const [trait, known] of Object.entries(vocabulary)) {
    const character = characters.get(driverOf(guide, trait).character);
    if (!character) continue;
    const field = `characters.${character.id}`;
    if (isNumber(known)) {
      if (character.states)
        report('not-a-number', `“${character.label}” has states, but its plate is drawn from a number.`, field);
      continue;
    }
    const foreign = character.states?.filter(({ id }) => wordFor(guide, vocabulary, trait, id) === undefined) ?? [];
    if (!character.states) report('not-a-state', `“${character.label}” is a number, but its plate is drawn from states.`, field);
    else if (foreign.length > 0) {
      const ids = foreign.map(({ id }) => `“${id}”`).join(', ');
      const message = `The plates know no ${ids} of “${character.label}” and show the usual instead; they know ${known.join(', ')}.`;
      report('foreign-word', message, field);
    }
  }
  return problems;
}

/** Does a plate of the guide show a character? */
export const isDrawn = (guide: Drawn, { vocabulary }: { vocabulary: Vocabulary }, character: string): boolean =>
  traitOf(guide, vocabulary, character) !== undefined;
