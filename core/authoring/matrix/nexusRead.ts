import { done, failed, type Outcome } from '../../problem';
import { asName, eitherOf } from '../cells';
import { INAPPLICABLE, labelAndUnit, type Matrix, type MatrixCharacter, UNKNOWN } from './matrix';
import { blocksOf, commandOf, nameOf, settingOf, Unreadable, type Block, type Word, wordsOf } from './nexusWords';
import { tooLarge } from './size';

/**
 * Read NEXUS in (Maddison, Swofford & Maddison 1997): TAXA, and CHARACTERS or DATA blocks of standard or continuous
 * data, with names of characters and states; what is missing and what does not apply, polymorphism (in parentheses) and
 * uncertainty (in braces) told apart.
 *
 * @returns the matrix; or `no-matrix` with the line.
 */
export function readNexus(text: string): Outcome<Matrix> {
  try {
    return done(matrixIn(text));
  } catch (error) {
    if (!(error instanceof Unreadable)) throw error;
    return failed({ code: 'no-matrix', message: `Line ${error.line}: ${error.why}.`, field: `line ${error.line}` });
  }
}

function matrixIn(text: string): Matrix {
  if (!/^\s*#NEXUS\b/i.test(text)) throw new Unreadable(1, 'a NEXUS file begins with #NEXUS');
  const words = wordsOf(text.replace(/^\s*#NEXUS/i, (head) => head.replace(/[^\n]/g, ' ')));
  const blocks = blocksOf(words);
  const taxa = blocks.filter(({ name }) => name === 'TAXA').flatMap((block) => (commandOf(block, 'TAXLABELS') ?? []).map(nameOf));
  const parts = blocks.filter(({ name }) => name === 'CHARACTERS' || name === 'DATA').map((block) => partOf(block));
  if (parts.length === 0) throw new Unreadable(1, 'there is no CHARACTERS block');
  const names = taxa.length ? taxa : [...parts[0].rows.keys()];
  const large = tooLarge(
    names.length,
    parts.reduce((sum, { characters }) => sum + characters.length, 0),
  );
  if (large) throw new Unreadable(parts[0].line, large.message.replace(/\.$/, ''));
  const known = new Set(names);
  for (const { rows, line } of parts)
    for (const name of rows.keys())
      if (!known.has(name)) throw new Unreadable(line, `the matrix has “${name}”, which is not among the taxa`);
  return {
    taxa: names,
    characters: parts.flatMap(({ characters }) => characters),
    cells: names.map((name) => parts.flatMap(({ rows, characters }) => rows.get(name) ?? characters.map(() => UNKNOWN))),
  };
}

interface Part {
  characters: MatrixCharacter[];
  rows: Map<string, string[]>;
  line: number;
}

function partOf(block: Block): Part {
  const format = commandOf(block, 'FORMAT');
  const matrix = commandOf(block, 'MATRIX');
  const line = matrix?.[0]?.line ?? block.commands[0]?.[0]?.line ?? 1;
  if (!matrix) throw new Unreadable(line, 'the block has no MATRIX');
  if (format?.some(({ text }) => text.toUpperCase() === 'TRANSPOSE'))
    throw new Unreadable(line, 'a transposed matrix is not read; write taxa in rows');
  const nchar = Number(settingOf(commandOf(block, 'DIMENSIONS'), 'NCHAR'));
  if (!(nchar > 0)) throw new Unreadable(line, 'DIMENSIONS does not say NCHAR');
  const large = tooLarge(1, nchar);
  if (large) throw new Unreadable(line, large.message.replace(/\.$/, ''));
  const type = (settingOf(format, 'DATATYPE') ?? 'STANDARD').toUpperCase();
  if (type !== 'STANDARD' && type !== 'CONTINUOUS')
    throw new Unreadable(line, `data of the type ${type} are not read; STANDARD and CONTINUOUS are`);
  const signs: Signs = {
    missing: settingOf(format, 'MISSING') ?? '?',
    gap: settingOf(format, 'GAP'),
    match: settingOf(format, 'MATCHCHAR'),
    equal: equalSigns(settingOf(format, 'EQUATE') ?? ''),
  };
  const named = labelsOf(block);
  if (type === 'CONTINUOUS') {
    const rows = rowsOf(matrix, nchar, (word) => (word.text === signs.missing ? UNKNOWN : plainNumber(word.text)));
    const characters = Array.from({ length: nchar }, (_, c) => labelAndUnit(named.get(c)?.label ?? `Character ${c + 1}`));
    return { characters, rows, line };
  }
  const symbols = settingOf(format, 'SYMBOLS') ?? '01';
  return { ...standardOf(matrix, nchar, symbols, signs, named, isInterleaved(format)), line };
}

/** What signs of a matrix stand for. */
interface Signs {
  missing: string;
  gap?: string;
  /** The same as the first taxon has. */
  match?: string;
  /** Signs that stand for others. */
  equal: ReadonlyMap<string, Signed>;
}

/** What stands in a cell. */
interface Signed {
  signs: string[];
  /** Of several: which of them it is, is not known. */
  uncertain: boolean;
}

/** `x=(01) y=2`: signs that stand for one or several others. */
const equalSigns = (text: string): Signs['equal'] =>
  new Map(
    [...text.matchAll(/(\S)=(?:([({])([^)}]*)[)}]|(\S))/g)].map(
      ([, sign, opening, several, one]) => [sign, { signs: [...(several ?? one)], uncertain: opening === '{' }] as const,
    ),
  );

/** A number without a power of ten, as the grid writes it. */
const plainNumber = (text: string): string =>
  /^-?[\d.]+e[+-]?\d{1,2}$/i.test(text) && Number.isFinite(Number(text))
    ? Number(text)
        .toFixed(12)
        .replace(/\.?0+$/, '')
    : text;

function isInterleaved(format: readonly Word[] | undefined): boolean {
  const at = format?.findIndex(({ text }) => text.toUpperCase() === 'INTERLEAVE') ?? -1;
  return at >= 0 && !(format![at + 1]?.text === '=' && /^no$/i.test(format![at + 2]?.text ?? ''));
}

/** Names of characters and their states, from CHARSTATELABELS, or CHARLABELS and STATELABELS. */
function labelsOf(block: Block): Map<number, { label: string; states: string[] }> {
  const found = new Map<number, { label: string; states: string[] }>();
  const both = commandOf(block, 'CHARSTATELABELS');
  if (both) {
    for (const part of splitAt(both, ',')) {
      const [number, ...rest] = part;
      const slash = rest.findIndex(({ text, quoted }) => text === '/' && !quoted);
      const name = slash < 0 ? rest[0] : slash > 0 ? rest[0] : undefined;
      found.set(Number(number.text) - 1, {
        label: name ? nameOf(name) : `Character ${number.text}`,
        states: slash < 0 ? [] : rest.slice(slash + 1).map(nameOf),
      });
    }
    return found;
  }
  (commandOf(block, 'CHARLABELS') ?? []).forEach((word, c) => found.set(c, { label: nameOf(word), states: [] }));
  for (const [number, ...rest] of splitAt(commandOf(block, 'STATELABELS') ?? [], ',')) {
    const c = Number(number.text) - 1;
    found.set(c, { label: found.get(c)?.label ?? `Character ${c + 1}`, states: rest.map(nameOf) });
  }
  return found;
}

function splitAt(words: readonly Word[], sign: string): Word[][] {
  const parts: Word[][] = [[]];
  for (const word of words) {
    if (word.text === sign && !word.quoted) parts.push([]);
    else parts.at(-1)!.push(word);
  }
  return parts.filter((part) => part.length);
}

/** Rows whose cells are words of their own; a row may go on over lines. */
function rowsOf(matrix: readonly Word[], nchar: number, cellOf: (word: Word) => string): Map<string, string[]> {
  const rows = new Map<string, string[]>();
  for (let at = 0; at < matrix.length; at += nchar + 1) {
    const cells = matrix.slice(at + 1, at + 1 + nchar);
    if (cells.length < nchar)
      throw new Unreadable(matrix[at].line, `“${nameOf(matrix[at])}” has ${cells.length} of ${nchar} characters`);
    rows.set(nameOf(matrix[at]), cells.map(cellOf));
  }
  return rows;
}

function standardOf(
  matrix: readonly Word[],
  nchar: number,
  symbols: string,
  { missing, gap, match, equal }: Signs,
  named: ReadonlyMap<number, { label: string; states: string[] }>,
  interleaved: boolean,
): Omit<Part, 'line'> {
  const rows = new Map<string, Signed[]>();
  const used: Set<number>[] = Array.from({ length: nchar }, () => new Set());
  let row: { name: string; cells: Signed[] } | undefined;
  let several: Signed | undefined;
  let last = 0;
  const take = (cell: Signed, line: number) => {
    if (!row) throw new Unreadable(line, 'the matrix begins with a taxon');
    row.cells.push(cell);
  };
  /** What the first taxon has where this one says that it has the same, or what the sign stands for. */
  const meant = (sign: string): Signed =>
    (sign === match && [...rows.values()][0][row?.cells.length ?? 0]) || (equal.get(sign) ?? { signs: [sign], uncertain: false });
  for (const word of matrix) {
    // Interleaved, each line names its taxon; else a taxon's characters may go on over lines.
    const begins = interleaved ? word.line > last : row !== undefined && row.cells.length >= nchar;
    last = word.line;
    if (!row || (begins && !several)) {
      const name = nameOf(word);
      row = { name, cells: rows.get(name) ?? [] };
      rows.set(name, row.cells);
      continue;
    }
    if (word.text === '(' || word.text === '{') several = { signs: [], uncertain: word.text === '{' };
    else if (word.text === ')' || word.text === '}') {
      take(several ?? { signs: [], uncertain: false }, word.line);
      several = undefined;
    } else if (word.text !== ',')
      for (const sign of word.text) {
        if (several) several.signs.push(...meant(sign).signs);
        else take(meant(sign), word.line);
      }
    if (row.cells.length > nchar) throw new Unreadable(word.line, `“${row.name}” has more than ${nchar} characters`);
  }
  const placeOf = (sign: string): number => {
    const at = symbols.indexOf(sign);
    return at >= 0 ? at : symbols.toLowerCase().indexOf(sign.toLowerCase());
  };
  for (const [name, cells] of rows) {
    if (cells.length < nchar) throw new Unreadable(matrix[0].line, `“${name}” has ${cells.length} of ${nchar} characters`);
    cells.forEach((cell, c) =>
      cell.signs.forEach((sign) => {
        if (sign === missing || sign === gap) return;
        const at = placeOf(sign);
        if (at < 0)
          throw new Unreadable(
            matrix[0].line,
            `“${name}” has “${sign}” at character ${c + 1}, which is not among the symbols ${symbols}`,
          );
        used[c].add(at);
      }),
    );
  }
  const characters = used.map((own, c): MatrixCharacter => {
    const { label = `Character ${c + 1}`, states = [] } = named.get(c) ?? {};
    const most = Math.max(states.length, 2, ...[...own].map((at) => at + 1));
    return { label, states: Array.from({ length: most }, (_, s) => states[s] || `state ${symbols[s] ?? s}`) };
  });
  const textOf = ({ signs, uncertain }: Signed, c: number): string => {
    if (signs.length === 1 && signs[0] === missing) return UNKNOWN;
    if (signs.length === 1 && signs[0] === gap) return INAPPLICABLE;
    const own = signs.filter((sign) => sign !== missing && sign !== gap).map((sign) => characters[c].states![placeOf(sign)]);
    const names = [...new Set(own)].map(asName);
    return uncertain && names.length > 1 ? eitherOf(names) : names.join('; ');
  };
  return { characters, rows: new Map([...rows].map(([name, cells]) => [name, cells.map(textOf)])) };
}
