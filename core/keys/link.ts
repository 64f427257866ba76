import { type Character, type Guide, isStates } from '../guide/working';
import { onlyQuantity, type Quantity, quantitiesIn } from './quantities';
import type { Key, Statement, StatementLink } from './schema';
import { plain, statesNamed } from './statesNamed';
import { unitFactor } from './units';

/**
 * Tie statements that name a character of the guide to it: "Front edge: two lobes
 * or one arch" by its states, "Elytra length 5–7 mm" by its number. Only what
 * begins with the character's label (or a longer part of it) is tied; the rest is
 * for a person to tie.
 */
export function withLinks(key: Key, guide: Pick<Guide, 'characters'>): Key {
  const characters = guide.characters
    .map((character) => ({ character, label: plain(character.label) }))
    .sort((a, b) => b.label.length - a.label.length);
  const tie = (statement: Statement): Statement => {
    if (statement.link) return statement;
    const text = plain(statement.text);
    const found = characters.find(({ label }) => text.startsWith(label));
    const link = found && linkTo(found.character, statement.text, text.slice(found.label.length - 1));
    return link ? { ...statement, link } : statement;
  };
  return {
    ...key,
    couplets: key.couplets.map((couplet) => ({
      ...couplet,
      leads: couplet.leads.map((lead) => ({ ...lead, statements: lead.statements.map(tie) })),
    })),
  };
}

function linkTo(character: Character, written: string, rest: string): StatementLink | undefined {
  if (isStates(character)) {
    const states = statesNamed(character, rest);
    return states && { character: character.id, states };
  }
  const quantity = soleQuantity(character, written);
  return quantity && linkToQuantity(character, quantity);
}

/** The one number in a statement that can be the character's; of several, those in its own unit before bare ones. */
export function soleQuantity(character: Character, written: string): Quantity | undefined {
  const isMeasured = ({ kind, unit }: Quantity) => kind === 'measure' && unitFactor(unit, character.unit) !== undefined;
  const measured = quantitiesIn(written).some(isMeasured);
  return onlyQuantity(written, measured ? isMeasured : ({ kind }) => kind !== 'measure');
}

/** What a statement says of a character, to begin a tie with; undefined where it is not clear. */
export const linkFor = (character: Character, written: string): StatementLink | undefined =>
  linkTo(character, written, plain(written));

/** A recognised number as bounds on a character; a count that excludes its bound takes the next whole one. */
export function linkToQuantity(character: Character, quantity: Quantity): StatementLink | undefined {
  const factor = quantity.kind === 'measure' ? unitFactor(quantity.unit, character.unit) : 1;
  if (factor === undefined) return undefined;
  const whole = character.kind === 'count' ? 1 : 0;
  const low = quantity.low === undefined ? undefined : quantity.low * factor + (quantity.lowOpen ? whole : 0);
  const high = quantity.high === undefined ? undefined : quantity.high * factor - (quantity.highOpen ? whole : 0);
  if (low === high && !whole) return undefined;
  return { character: character.id, ...(low === undefined ? {} : { low }), ...(high === undefined ? {} : { high }) };
}
