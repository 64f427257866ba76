import { readKey } from '../json';
import type { LineProblem, Couplet, Destination, Key, Lead } from '../schema';
import { unclearIn } from '../quantities';
import { splitStatements } from '../statements';
import { spaceOr, trimmedEnd } from '../bounds';
import { excerpt, gatherLeads, linesOf, type WrittenLead } from './leads';

/** A text longer than this is not taken for a key. */
export const LONGEST_TEXT = 4_000_000;

/** A key read from text, or why it could not be; `key` is absent when it would be ambiguous what the key says. */
export interface KeyRead {
  key?: Key;
  style?: 'bracketed' | 'indented';
  problems: LineProblem[];
  /** Line each couplet begins on, by its id. */
  lines: Record<string, number>;
  /** What stands above the key in its first line: what it is called, likely. That line is among the problems. */
  heading?: { line: number; text: string };
}

/**
 * Read a plain-text key in one of the typographic styles of the literature:
 * bracketed pairs (1a/1b, 1/–, 1/1', 1./*, with or without back-references) or
 * indented. Nothing is guessed silently: every line that was passed over, every
 * lead that leads nowhere, and every number given twice is a problem by line.
 */
export function readKeyText(text: string, title: string): KeyRead {
  if (text.length > LONGEST_TEXT) {
    return refused({
      line: 1,
      code: 'too-long',
      message: `That is ${(text.length / 1e6).toFixed(1)} million characters; a key of up to ${LONGEST_TEXT / 1e6} million can be read. Paste the key alone, or read it in by parts.`,
    });
  }
  const raw = linesOf(text);
  const gathered = gatherLeads(raw);
  const { problems } = gathered;
  const leads = inFigures(gathered.leads);
  if (leads.length === 0) {
    return refused(
      {
        line: 1,
        code: 'no-couplets',
        message: 'No couplet was found. Begin each lead with its number: “1a …”, “1. …”, then “1b …” or “– …” for its contrast.',
      },
      ...problems,
    );
  }
  const indented = isIndented(leads);
  const grouped = indented ? mergeRepeats(leads, raw) : runsOf(leads, raw);
  problems.push(...grouped.problems);
  if (grouped.problems.some(({ code }) => code === 'number-twice')) return { problems: sorted(problems), lines: {} };
  const numbers = new Set(grouped.groups.map(([first]) => first.number));
  const places = new Map(leads.map((lead, i) => [lead, i]));
  const reached = new Set(leads.flatMap(({ to }) => (to?.kind === 'number' ? [to.number] : [])));
  const unreached = new Set([...numbers].filter((number, i) => i > 0 && !reached.has(number)));
  const [firstUnreached] = unreached;
  const couplets = grouped.groups.map((group, g): Couplet => {
    const nextNumber = grouped.groups[g + 1]?.[0].number;
    let n = 0;
    return {
      id: idOf(group[0].number),
      number: group[0].number,
      leads: group.map((written, i): Lead => {
        const statements = splitStatements(written.words).map((part) => ({ n: ++n, ...part }));
        if (statements.length === 0) problems.push(problemOf(written, 'empty-lead', `${nameOf(written, i)} says nothing.`));
        const to = destinationOf(written, leads[places.get(written)! + 1], indented);
        if (to.kind === 'open')
          problems.push(noDestination(written, i, raw, unreached.has(nextNumber) ? nextNumber : firstUnreached));
        if (to.kind === 'couplet' && written.to?.kind === 'number' && !numbers.has(written.to.number)) {
          problems.push(dangling(written, i, raw, firstUnreached));
        }
        return { id: letter(i), statements, to };
      }),
    };
  });
  problems.push(...backReferences(grouped.groups, leads, indented), ...loneLeads(grouped.groups), ...unclearNumbers(leads));
  const key: Key = { format: 'plesion-key', formatVersion: 1, title, start: couplets[0].id, couplets };
  const lines = Object.fromEntries(grouped.groups.map(([first]) => [idOf(first.number), first.line]));
  const shape = shapeProblems(key, grouped.groups);
  if (shape.length) return { problems: sorted([...problems, ...shape]), lines };
  const heading = headingOf(raw, leads[0].line);
  return { key, style: indented ? 'indented' : 'bracketed', problems: sorted(problems), lines, ...(heading ? { heading } : {}) };
}

/** A title is no longer. */
const LONGEST_TITLE = 200;

function headingOf(raw: readonly string[], firstLead: number): KeyRead['heading'] {
  const at = raw.findIndex((line) => /\p{L}/u.test(line));
  if (at + 1 >= firstLead) return undefined;
  const text = raw[at]
    .replace(/[*_#]/g, '')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/[.:]+$/, '');
  return text && text.length <= LONGEST_TITLE ? { line: at + 1, text } : undefined;
}

/** What was gathered is no key: too many couplets or leads, or words that run on for pages. */
function shapeProblems(key: Key, groups: readonly WrittenLead[][]): LineProblem[] {
  const checked = readKey(key);
  if (checked.ok) return [];
  return checked.problems.slice(0, 20).map(({ message, field = '' }) => {
    const [, couplet, lead] = /couplets\[(\d+)\](?:\.leads\[(\d+)\])?/.exec(field) ?? [];
    const written = groups[Number(couplet ?? 0)]?.[Number(lead ?? 0)] ?? groups[0][0];
    const where = couplet === undefined ? 'The text' : `Couplet ${written.number}`;
    return problemOf(written, 'not-a-key', `${where} cannot be imported: ${message.replace(/^[^:]*: /, '')}`);
  });
}

const refused = (...problems: LineProblem[]): KeyRead => ({ problems, lines: {} });
const sorted = (problems: LineProblem[]) => problems.sort((a, b) => a.line - b.line);
const letter = (i: number) => String.fromCharCode(97 + (i % 26));
const idOf = (number: string) => `c${number}`;
const nameOf = (lead: WrittenLead, i: number) => `Lead ${lead.number}${letter(i)}`;
const problemOf = (lead: WrittenLead, code: string, message: string, mend?: LineProblem['mend']): LineProblem => ({
  line: lead.line,
  code,
  message: `${message} (line ${lead.line})`,
  ...(mend ? { mend } : {}),
});

/** Indented: a lead that ends nowhere is gone on with by what stands below it, and its contrast comes later. */
function isIndented(leads: readonly WrittenLead[]): boolean {
  const lastAt = new Map(leads.map(({ number }, i) => [number, i]));
  return leads.some(
    (lead, i) =>
      !lead.to &&
      i + 1 < leads.length &&
      leads[i + 1].number !== lead.number &&
      (lastAt.get(lead.number)! > i + 1 || leads[i + 1].indent > lead.indent),
  );
}

/** Couplets called by letters are numbered in their order; a letter that is no couplet was a name. */
function inFigures(leads: readonly WrittenLead[]): WrittenLead[] {
  const figures = new Map<string, string>();
  for (const { number } of leads)
    if (!figures.has(number)) figures.set(number, /\d/.test(number) ? number : String(figures.size + 1));
  return leads.map((lead): WrittenLead => {
    const { to } = lead;
    const asked = to?.kind === 'number' ? to.number : '';
    const own = figures.get(asked) ?? (/\d/.test(asked) ? asked : undefined);
    const onward =
      to?.kind === 'number' ? (own ? { kind: 'number' as const, number: own } : { kind: 'taxon' as const, name: asked }) : to;
    return { ...lead, number: figures.get(lead.number)!, ...(onward ? { to: onward } : {}) };
  });
}

/** Of numbers that stand twice, so many are told: each is looked for in the whole text. */
const MOST_MENDED = 20;

type Groups = { groups: WrittenLead[][]; problems: LineProblem[] };

/** Bracketed: the leads of a couplet stand together. */
function runsOf(leads: readonly WrittenLead[], raw: readonly string[]): Groups {
  const groups: WrittenLead[][] = [];
  const problems: LineProblem[] = [];
  const first = new Map<string, number>();
  for (const lead of leads) {
    const last = groups.at(-1);
    // A first lead after a contrast begins another couplet, whatever its number.
    if (last?.[0].number === lead.number && (lead.contrast || !last.at(-1)!.contrast)) {
      last.push(lead);
      continue;
    }
    const before = first.get(lead.number);
    if (before !== undefined && problems.length < MOST_MENDED) problems.push(numberTwice(lead, before, leads, raw));
    if (before === undefined) first.set(lead.number, lead.line);
    groups.push([lead]);
  }
  return { groups, problems };
}

/** Indented: a couplet's leads stand apart; a part that is printed again is the same part. */
function mergeRepeats(leads: readonly WrittenLead[], raw: readonly string[]): Groups {
  const byNumber = new Map<string, Map<string, WrittenLead>>();
  const problems: LineProblem[] = [];
  for (const lead of leads) {
    const known = byNumber.get(lead.number) ?? new Map<string, WrittenLead>();
    byNumber.set(lead.number, known);
    if (!known.has(lead.words)) known.set(lead.words, lead);
  }
  const groups = [...byNumber.values()].map((group) => [...group.values()]);
  for (const group of groups) {
    // More leads than letters is a number used for several couplets.
    if (group.length > 6 && problems.length < MOST_MENDED) problems.push(numberTwice(group[2], group[0].line, leads, raw));
  }
  return { groups, problems };
}

function numberTwice(lead: WrittenLead, before: number, leads: readonly WrittenLead[], raw: readonly string[]): LineProblem {
  const numbers = new Set(leads.map(({ number }) => number));
  const wanted = leads.flatMap(({ to }) => (to?.kind === 'number' && !numbers.has(to.number) ? [to.number] : []))[0];
  const free = wanted ?? String(Math.max(0, ...[...numbers].map(Number).filter(Number.isFinite)) + 1);
  const again = leads.filter(({ number, line }) => number === lead.number && line >= lead.line);
  const edits = again.map(({ line }) => ({
    line,
    text: raw[line - 1].replace(new RegExp(`^(\\s*\\(?)${lead.number}`), `$1${free}`),
  }));
  return problemOf(
    lead,
    'number-twice',
    `Couplet ${lead.number} stands twice, first in line ${before}: leads that go to ${lead.number} could mean either. Give this one a number of its own.`,
    { say: `Number this couplet ${free}`, edits },
  );
}

function destinationOf(written: WrittenLead, next: WrittenLead | undefined, indented: boolean): Destination {
  const { to } = written;
  if (to) return to.kind === 'number' ? { kind: 'couplet', couplet: idOf(to.number) } : to;
  return indented && next && next.number !== written.number ? { kind: 'couplet', couplet: idOf(next.number) } : { kind: 'open' };
}

function noDestination(written: WrittenLead, i: number, raw: readonly string[], guess: string | undefined): LineProblem {
  const { lastLine } = written;
  return problemOf(
    written,
    'no-destination',
    `${nameOf(written, i)}, “${excerpt(written.words)}”, leads nowhere: end it with the number of a couplet or with a name.`,
    guess === undefined
      ? undefined
      : {
          say: `Lead on to couplet ${guess}`,
          edits: [{ line: lastLine, text: `${trimmedEnd(raw[lastLine - 1], spaceOr('.…'))} … ${guess}` }],
        },
  );
}

function dangling(written: WrittenLead, i: number, raw: readonly string[], guess: string | undefined): LineProblem {
  const { number } = written.to as { number: string };
  const { lastLine } = written;
  return problemOf(
    written,
    'dangling',
    `${nameOf(written, i)} goes to couplet ${number}, which is not in the text.`,
    guess === undefined
      ? undefined
      : {
          say: `Lead on to couplet ${guess}`,
          edits: [{ line: lastLine, text: replacedLast(raw[lastLine - 1], number, guess) }],
        },
  );
}

/** The line with another number where its last one stood. */
function replacedLast(line: string, number: string, by: string): string {
  const at = line.lastIndexOf(number);
  return at === -1 ? line : line.slice(0, at) + by + line.slice(at + number.length);
}

/** A couplet of one lead contrasts with nothing: its other lead was printed in a way that was not understood. */
function loneLeads(groups: readonly WrittenLead[][]): LineProblem[] {
  return groups
    .filter((group) => group.length === 1)
    .map(([lead]) =>
      problemOf(
        lead,
        'one-lead',
        `Couplet ${lead.number} has one lead only: the other is missing, or its mark was not understood.`,
      ),
    );
}

/** Numbers that may be meant in more than one way, in words or at the end of a lead; nothing is made of them. */
function unclearNumbers(leads: readonly WrittenLead[]): LineProblem[] {
  return leads.flatMap((lead) => [
    ...(lead.unsure
      ? [
          problemOf(
            lead,
            'unclear-destination',
            `${excerpt(lead.words)}: the number at the end may be a couplet or belong to the words; put dots before it if it is a couplet.`,
          ),
        ]
      : []),
    ...unclearIn(lead.words).map(({ text, why }) =>
      problemOf(lead, 'unclear-number', `“${text}” ${why}; it is tied to no measurement.`),
    ),
  ]);
}

function backReferences(groups: readonly WrittenLead[][], leads: readonly WrittenLead[], indented: boolean): LineProblem[] {
  if (indented) return [];
  const from = new Map<string, Set<string>>();
  for (const { number, to } of leads) {
    if (to?.kind !== 'number') continue;
    from.set(to.number, (from.get(to.number) ?? new Set()).add(number));
  }
  return groups.flatMap(([first]) => {
    const origins = from.get(first.number);
    if (!first.back || !origins || first.back.some((back) => origins.has(back))) return [];
    return [
      problemOf(
        first,
        'back-reference',
        `Couplet ${first.number} says it is reached from ${first.back.join(', ')}, but the text reaches it from ${[...origins].join(', ')}.`,
      ),
    ];
  });
}

/** The text with one problem mended. */
export function mendText(text: string, mend: NonNullable<LineProblem['mend']>): string {
  const lines = linesOf(text);
  for (const { line, text: so } of mend.edits) lines[line - 1] = so;
  return lines.join('\n');
}
