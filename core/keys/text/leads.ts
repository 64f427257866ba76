import type { LineProblem } from '../schema';
import { DESTINATION_REACH, endOf, withoutWideGaps } from '../bounds';
import { splitDestination, type Written } from './destination';
import { isNumberAlone, isPageHead, type Marker, markerOf, type Numbering, numberingOf } from './marker';

/** A lead as it stands in a text. */
export interface WrittenLead {
  /** Line it begins on, from 1, and the one it ends on. */
  line: number;
  lastLine: number;
  indent: number;
  number: string;
  /** It is marked as not the first lead of its couplet. */
  contrast: boolean;
  back?: string[];
  words: string;
  to?: Written;
  /** A stop stood behind where it goes. */
  stopped?: boolean;
  /** The number at its end may belong to its words as well. */
  unsure?: boolean;
}

interface Open {
  line: number;
  lastLine: number;
  marker: Marker;
  number: string;
  lines: string[];
}

/**
 * Gather the physical lines of a text into leads. A line without a mark goes on
 * with the lead before it, unless it says itself where it goes on to: then it is
 * the unmarked second lead of its couplet. A line that only might have a mark is a
 * new lead when its number is the one expected. Heads and numbers of pages are
 * passed over, and said.
 */
export function gatherLeads(text: readonly string[]): { leads: WrittenLead[]; problems: LineProblem[] } {
  const lines = text.map(withoutWideGaps);
  const numbering = numberingOf(lines);
  const problems: LineProblem[] = [];
  const opened: Open[] = [];
  /** Leads with each number so far. */
  const counts = new Map<string, number>();
  const open = (lead: Open) => {
    counts.set(lead.number, (counts.get(lead.number) ?? 0) + 1);
    opened.push(lead);
    return lead;
  };
  /** The last number at each indent: what a bare dash at that indent contrasts with. */
  const atIndent = new Map<number, string>();
  let current: Open | undefined;
  let afterGap = false;
  const passOver = (line: number, raw: string, code = 'not-of-the-key') =>
    problems.push({ line, code, message: `Line ${line} belongs to no lead and was passed over: “${excerpt(raw)}”.` });
  lines.forEach((raw, i) => {
    const line = i + 1;
    if (!raw.trim()) {
      afterGap = true;
      return;
    }
    if (isPageHead(raw) || (isNumberAlone(raw) && !goesOn(current) && nextHasMark(lines, i, numbering)))
      return passOver(line, raw, 'page-head');
    const marker = markerOf(raw, numbering);
    const number = marker && (marker.number ?? atIndent.get(marker.indent) ?? current?.number);
    if (marker && number !== undefined && isLead(marker, number, current, counts)) {
      current = open({ line, lastLine: line, marker, number, lines: [marker.rest] });
      if (marker.number) atIndent.set(marker.indent, number);
    } else if (current && isUnmarkedLead(raw, current, counts)) {
      const rest = raw.trim();
      current = open({
        line,
        lastLine: line,
        marker: { indent: current.marker.indent, contrast: true, rest, weak: false },
        number: current.number,
        lines: [rest],
      });
    } else if (!current || (afterGap && isComplete(current))) {
      passOver(line, raw);
    } else {
      if (saysWhere(raw) && isComplete(current)) {
        problems.push({
          line,
          code: 'swallowed-line',
          message: `Line ${line}, “${excerpt(raw)}”, looks like a lead of its own but has no mark, and was taken as part of the one before it. Begin it with its number or a dash.`,
        });
      }
      current.lines.push(raw.trim());
      current.lastLine = line;
    }
    afterGap = false;
  });
  const leads = opened.map(({ line, lastLine, marker, number, lines: own }): WrittenLead => {
    const { words, to, stopped, unsure } = splitDestination(own.join('\n'), numbering === 'roman');
    return {
      line,
      lastLine,
      indent: marker.indent,
      number,
      contrast: marker.contrast,
      ...(marker.back ? { back: marker.back } : {}),
      words,
      ...(to ? { to } : {}),
      ...(stopped ? { stopped } : {}),
      ...(unsure ? { unsure } : {}),
    };
  });
  return { leads: withStops(leads), problems };
}

/** Does the last line of a lead ask for more: it ends in a leader, a comma or a dash? */
const goesOn = (open: Open | undefined): boolean =>
  /(?:\.\.|…|··|___|→|[,–-])$/.test((open?.lines.at(-1) ?? '').trimEnd().slice(-3));

/** Does the next line that says anything begin a lead of its own? */
function nextHasMark(lines: readonly string[], at: number, numbering: Numbering): boolean {
  const next = lines.slice(at + 1, at + 6).find((line) => line.trim());
  return next === undefined || markerOf(next, numbering) !== undefined;
}

/** A capitalised line that ends in a leader and a place to go. */
const saysWhere = (raw: string): boolean => {
  const text = raw.trim();
  return (
    /^\p{Lu}\p{Ll}/u.test(text) &&
    /(?:\.\.|…|··|___|---|––|→|\s{4})\s*\S/u.test(text.slice(-DESTINATION_REACH)) &&
    isDestined(text)
  );
};

const isDestined = (text: string) => splitDestination(text).to !== undefined;

/** The second lead of a couplet, printed without a mark: the first has ended, and this one ends by itself. */
const isUnmarkedLead = (raw: string, current: Open, counts: ReadonlyMap<string, number>): boolean =>
  counts.get(current.number) === 1 && saysWhere(raw) && isComplete(current);

/**
 * A stop behind a name is the printer's where numbers have it too, or most names
 * that end in no abbreviation; else it belongs to the authority: "Tess.".
 */
function withStops(leads: WrittenLead[]): WrittenLead[] {
  const told = leads.filter(({ to }) => to?.kind === 'number' || (to?.kind === 'taxon' && !/\p{Lu}[\p{L}'’-]*$/u.test(to.name)));
  const printers = told.filter(({ stopped }) => stopped).length * 2 > told.length;
  return leads.map(({ stopped, ...lead }) => {
    const { to } = lead;
    if (!stopped || printers || to?.kind !== 'taxon' || !/\s\(?\p{Lu}[\p{L}'’-]*$/u.test(to.name)) return lead;
    return { ...lead, to: { ...to, name: `${to.name}.` } };
  });
}

const isComplete = (open: Open) => isDestined(endOf(open.lines, DESTINATION_REACH));

function isLead(marker: Marker, number: string, current: Open | undefined, counts: ReadonlyMap<string, number>): boolean {
  if (!marker.weak || !current) return true;
  const [own, last] = [Number(number), Number(current.number)];
  const inSequence = own === last || own === last + 1;
  if (/^\p{Lu}/u.test(marker.rest)) {
    // An indented key goes one step in with each couplet, whatever its number.
    const stepsIn = marker.indent > current.marker.indent && !counts.has(number);
    return inSequence || stepsIn || isComplete(current);
  }
  return inSequence && isComplete(current);
}

/** The physical lines of a text. */
export const linesOf = (text: string): string[] =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/\u00a0/g, ' ')
    .split('\n');

export const excerpt = (text: string) => (text.trim().length > 60 ? `${text.trim().slice(0, 57)}…` : text.trim());
