import { spaceOr, trimmedEnd, trimmedStart, withoutWideGaps } from './bounds';
import { bracketed } from './brackets';
import type { Lead, Statement } from './schema';

/** Stops that end no sentence. */
const ABBREVIATED =
  /(?:\b(?:figs?|ca|cf|aff|approx|sp|spp|ssp|subsp|var|vs|no|nos|pl|pls|incl|excl|usu|max|min|diam|al|resp|i\.e|e\.g|st|c)|\b\p{Lu})\.$/iu;

/** Letters of the longest of them, with what stands before it. */
const LONGEST_ABBREVIATION = 12;

type Part = Pick<Statement, 'text' | 'join'>;

/**
 * The statements of a lead: parted by semicolons and full stops; what begins with
 * "or", "and", "except" or "unless" is joined to the one before it accordingly.
 */
export function splitStatements(text: string): Part[] {
  return sentences(withoutWideGaps(text)).flatMap((sentence) =>
    partedAt(sentence, /;|,\s+(?=(?:or|except|unless|but not(?!\s+both\b)|and)\s)/gi)
      .map((part) => trimmedEnd(trimmedStart(part, spaceOr(',;')), spaceOr(',;:')))
      .filter(Boolean)
      .map(joined),
  );
}

/** A text parted at signs; those within brackets that are closed part nothing. */
function partedAt(text: string, signs: RegExp): string[] {
  const isWithin = bracketed(text);
  const parts: string[] = [];
  let from = 0;
  for (const match of text.matchAll(signs)) {
    if (isWithin(match.index)) continue;
    parts.push(text.slice(from, match.index));
    from = match.index + match[0].length;
  }
  return [...parts, text.slice(from)];
}

function sentences(text: string): string[] {
  const isWithin = bracketed(text);
  const parts: string[] = [];
  let from = 0;
  for (const match of text.matchAll(/[.!]\s+(?=[\p{Lu}(])/gu)) {
    if (isWithin(match.index)) continue;
    if (ABBREVIATED.test(text.slice(Math.max(from, match.index - LONGEST_ABBREVIATION), match.index + 1))) continue;
    parts.push(text.slice(from, match.index));
    from = match.index + match[0].length;
  }
  const last = text.slice(from).trim();
  parts.push(ABBREVIATED.test(last.slice(-LONGEST_ABBREVIATION)) ? last : trimmedEnd(last, spaceOr('.')));
  return parts;
}

function joined(part: string): Part {
  const match = /^(or|and|except|unless|but not)\s+(.+)$/is.exec(part);
  if (!match) return { text: part };
  const word = match[1].toLowerCase();
  if (word === 'and') return { text: match[2] };
  return { text: match[2], join: word === 'or' ? 'or' : 'except' };
}

/** The statements of a lead as one printed sentence, as {@link splitStatements} reads it. */
export const printStatements = (statements: readonly Part[]): string =>
  statements
    .map(({ text, join }, i) => (i === 0 ? text : join === 'or' || join === 'except' ? `, ${join} ${text}` : `; ${text}`))
    .join('');

/** A statement with what is joined to it: any of them will do, unless an exception holds. */
export interface StatementGroup {
  any: Statement[];
  except: Statement[];
}

/** The statements of a lead as they belong together. */
export function groupsOf(lead: Pick<Lead, 'statements'>): StatementGroup[] {
  const groups: StatementGroup[] = [];
  for (const statement of lead.statements) {
    const last = groups.at(-1);
    if (last && statement.join === 'or') last.any.push(statement);
    else if (last && statement.join === 'except') last.except.push(statement);
    else groups.push({ any: [statement], except: [] });
  }
  return groups;
}
