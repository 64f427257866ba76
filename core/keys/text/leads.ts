import type { LineProblem } from '../problems';
import { splitDestination, type Written } from './destination';
import { type Marker, markerOf } from './marker';

/** A lead as it stands in a text. */
export interface WrittenLead {
  /** Line it begins on, from 1, and the one it ends on. */
  line: number;
  lastLine: number;
  indent: number;
  number: string;
  /** It is marked as not the first lead of its couplet. */
  contrast: boolean;
  back?: string;
  words: string;
  to?: Written;
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
 * with the lead before it; a line that only might have one is a new lead when its
 * number is the one expected.
 */
export function gatherLeads(lines: readonly string[]): { leads: WrittenLead[]; problems: LineProblem[] } {
  const letters = !lines.some((line) => markerOf(line, false)?.number);
  const problems: LineProblem[] = [];
  const opened: Open[] = [];
  /** The last number at each indent: what a bare dash at that indent contrasts with. */
  const atIndent = new Map<number, string>();
  let current: Open | undefined;
  let afterGap = false;
  lines.forEach((raw, i) => {
    const line = i + 1;
    if (!raw.trim()) {
      afterGap = true;
      return;
    }
    const marker = markerOf(raw, letters);
    const number = marker && (marker.number ?? atIndent.get(marker.indent) ?? current?.number);
    if (marker && number !== undefined && isLead(marker, number, current)) {
      current = { line, lastLine: line, marker, number, lines: [marker.rest] };
      opened.push(current);
      if (marker.number) atIndent.set(marker.indent, number);
    } else if (!current || (afterGap && isComplete(current))) {
      problems.push({
        line,
        code: 'not-of-the-key',
        message: `Line ${line} belongs to no lead and was passed over: “${excerpt(raw)}”.`,
      });
    } else {
      current.lines.push(raw.trim());
      current.lastLine = line;
    }
    afterGap = false;
  });
  const leads = opened.map(({ line, lastLine, marker, number, lines: own }): WrittenLead => {
    const { words, to } = splitDestination(own.join('\n'));
    return {
      line,
      lastLine,
      indent: marker.indent,
      number,
      contrast: marker.contrast,
      ...(marker.back ? { back: marker.back } : {}),
      words,
      ...(to ? { to } : {}),
    };
  });
  return { leads, problems };
}

const isComplete = (open: Open) => splitDestination(open.lines.join('\n')).to !== undefined;

function isLead(marker: Marker, number: string, current: Open | undefined): boolean {
  if (!marker.weak || !current) return true;
  const [own, last] = [Number(number), Number(current.number)];
  const inSequence = own === last || own === last + 1;
  if (/^\p{Lu}/u.test(marker.rest)) return inSequence || isComplete(current);
  return inSequence && isComplete(current);
}

/** The physical lines of a text. */
export const linesOf = (text: string): string[] =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/\u00a0/g, ' ')
    .split('\n');

export const excerpt = (text: string) => (text.trim().length > 60 ? `${text.trim().slice(0, 57)}…` : text.trim());
