import type { Guide } from '@plesion/core/guide';
import {
  type Key,
  linkToQuantity,
  quantitiesIn,
  readKeyText,
  type Statement,
  type StatementLink,
  withTaxa,
} from '@plesion/core/keys';

/** A tie in brackets behind a statement: `[claws=split]`, or `[body-length]` for its number. */
const TIE = /\s*\[([\w-]+)(?:=([\w,-]+))?\]/;

/**
 * A key as its author would print it, with ties to the guide's characters in
 * brackets, and remarks by couplet number. Throws when anything in it is wrong:
 * the demo must be sound.
 */
export function authoredKey(
  guide: Guide,
  head: Pick<Key, 'title' | 'source' | 'summary' | 'scope'>,
  text: string,
  remarks: { prepare?: Record<string, string>; note?: Record<string, string> } = {},
): Key {
  const { key, problems } = readKeyText(text.trim(), head.title);
  if (!key || problems.length) throw new Error(problems.map(({ message }) => message).join(' '));
  const tied = withTaxa(key, guide);
  return {
    ...tied,
    ...head,
    caution: guide.caution,
    couplets: tied.couplets.map((couplet) => ({
      ...couplet,
      ...(remarks.note?.[couplet.number] ? { note: remarks.note[couplet.number] } : {}),
      ...(remarks.prepare?.[couplet.number] ? { prepare: remarks.prepare[couplet.number] } : {}),
      leads: couplet.leads.map((lead) => ({ ...lead, statements: lead.statements.map((statement) => tie(guide, statement)) })),
    })),
  };
}

function tie(guide: Guide, statement: Statement): Statement {
  const match = TIE.exec(statement.text);
  if (!match) return statement;
  const text = statement.text.replace(TIE, '');
  return { ...statement, text, link: linkOf(guide, match[1], match[2]?.split(','), text) };
}

function linkOf(guide: Guide, id: string, states: string[] | undefined, text: string): StatementLink {
  const character = guide.characters.find((one) => one.id === id);
  if (!character) throw new Error(`There is no character “${id}”.`);
  if (states) return { character: id, states };
  const [quantity] = quantitiesIn(text);
  const link = quantity && linkToQuantity(character, quantity);
  if (!link) throw new Error(`“${text}” has no number for “${id}”.`);
  return link;
}
