import { saysHowOften } from '../cells';
import type { DraftCharacter } from '../draftSchema';
import { readCell } from './cellText';
import { characterFor, fullLabel, INAPPLICABLE, type Matrix, remembered, UNKNOWN } from './matrix';

/** Symbols of states, as many as a character may have. */
export const SYMBOLS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';

/** A word of NEXUS, in quotes where it must be. */
const token = (text: string): string => (/^[A-Za-z][A-Za-z0-9.]*$/.test(text) ? text : `'${text.replace(/'/g, "''")}'`);

/**
 * A matrix as NEXUS (Maddison, Swofford & Maddison 1997): taxa, states as a standard CHARACTERS block with the names of
 * characters and states, numbers as a continuous one. What the format cannot hold is told: how often a state is met,
 * ranges and deviations, units.
 */
export function writeNexus(matrix: Matrix): { text: string; lost: string[] } {
  const { taxa, characters } = matrix;
  const stated = characters.flatMap(({ states }, c) => (states?.length ? [c] : []));
  const numeric = characters.flatMap(({ states }, c) => (states ? [] : [c]));
  const lost = new Set<string>();
  const blocks = [
    '#NEXUS',
    ['BEGIN TAXA;', `  DIMENSIONS NTAX=${taxa.length};`, `  TAXLABELS ${taxa.map(token).join(' ')};`, 'END;'].join('\n'),
    ...(stated.length ? [standard(matrix, stated, lost)] : []),
    ...(numeric.length ? [continuous(matrix, numeric, lost)] : []),
  ];
  const left = characters.length - stated.length - numeric.length;
  if (left)
    lost.add(
      `${left} ${left === 1 ? 'character has' : 'characters have'} no states yet and ${left === 1 ? 'is' : 'are'} left out.`,
    );
  return { text: `${blocks.join('\n\n')}\n`, lost: [...lost] };
}

function standard({ taxa, characters, cells }: Matrix, stated: readonly number[], lost: Set<string>): string {
  const most = Math.max(2, ...stated.map((c) => characters[c].states!.length));
  const labels = stated.map(
    (c, i) => `    ${i + 1} ${token(characters[c].label)} / ${characters[c].states!.map(token).join(' ')}`,
  );
  // Made once: a cell is read by its character, and there are as many cells as taxa.
  const symbols = stated.map((c) => {
    const own = characterFor(characters[c], `c${c}`, undefined);
    return remembered((cell: string) => symbolOf(cell, own, lost));
  });
  const rows = taxa.map((taxon, t) => `    ${token(taxon)} ${stated.map((c, i) => symbols[i](cells[t][c])).join('')}`);
  return [
    'BEGIN CHARACTERS;',
    '  TITLE States;',
    `  DIMENSIONS NCHAR=${stated.length};`,
    `  FORMAT DATATYPE=STANDARD MISSING=? GAP=- SYMBOLS="${[...SYMBOLS.slice(0, most)].join(' ')}";`,
    `  CHARSTATELABELS\n${labels.join(',\n')};`,
    `  MATRIX\n${rows.join('\n')};`,
    'END;',
  ].join('\n');
}

/** Several that are met in one taxon are a polymorphism, in parentheses; several of which it is not known which, in braces. */
function symbolOf(cell: string, character: DraftCharacter, lost: Set<string>): string {
  if (cell === UNKNOWN || cell === INAPPLICABLE) return cell;
  const read = readCell(character, cell);
  if (!read.ok || read.value?.kind !== 'states') return UNKNOWN;
  const { states, uncertain } = read.value;
  const symbols = character.states!.flatMap(({ id }, s) => (states[id] === undefined ? [] : [SYMBOLS[s]])).join('');
  if (saysHowOften(states)) lost.add('How often a state is met is left out: NEXUS says only that it is.');
  return symbols.length === 1 ? symbols : uncertain ? `{${symbols}}` : `(${symbols})`;
}

function continuous({ taxa, characters, cells }: Matrix, numeric: readonly number[], lost: Set<string>): string {
  const rows = taxa.map((taxon, t) => `    ${token(taxon)} ${numeric.map((c) => middleOf(cells[t][c], lost)).join(' ')}`);
  if (numeric.some((c) => characters[c].unit))
    lost.add('Units are left out of NEXUS; they stand in the names of the characters.');
  const labels = numeric.map((c, i) => `    ${i + 1} ${token(fullLabel(characters[c]))}`);
  return [
    'BEGIN CHARACTERS;',
    '  TITLE Numbers;',
    `  DIMENSIONS NCHAR=${numeric.length};`,
    '  FORMAT DATATYPE=CONTINUOUS MISSING=?;',
    `  CHARSTATELABELS\n${labels.join(',\n')};`,
    `  MATRIX\n${rows.join('\n')};`,
    'END;',
  ].join('\n');
}

function middleOf(cell: string, lost: Set<string>): string {
  if (cell === UNKNOWN || cell === INAPPLICABLE) return UNKNOWN;
  const numbers = (cell.match(/\d+(?:\.\d+)?/g) ?? []).map(Number);
  if (numbers.length === 0) return UNKNOWN;
  if (numbers.length === 1) return String(numbers[0]);
  lost.add('Of ranges, deviations and several counts only the middle is written.');
  if (/±/.test(cell)) return String(numbers[0]);
  const usual = /[(]/.test(cell) ? (cell.replace(/\([^)]*\)/g, '').match(/\d+(?:\.\d+)?/g) ?? []).map(Number) : numbers;
  return String(Number(((Math.min(...usual) + Math.max(...usual)) / 2).toPrecision(6)));
}
