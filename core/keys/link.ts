import { type Character, type Guide, isStates } from '../guide/working';
import { type Quantity, quantitiesIn, unitFactor } from './quantities';
import type { Key, Statement, StatementLink } from './shape';

const plain = (text: string) =>
  ` ${text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}%°./]+/gu, ' ')
    .trim()} `;

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
    const states = character.states!.filter(({ label }) => rest.includes(plain(label)));
    return states.length ? { character: character.id, states: states.map(({ id }) => id) } : undefined;
  }
  const quantity = quantitiesIn(written).find(({ kind, unit }) => kind !== 'measure' || unitFactor(unit, character.unit));
  return quantity && linkToQuantity(character, quantity);
}

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
