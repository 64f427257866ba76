import type { Kept } from './schema';

/** One of a book as a file has it: parents by their names. */
export interface BookRow {
  label: string;
  note?: string;
  kept: Omit<Kept, 'father' | 'mother' | 'fathers' | 'mothers'> & { fathers: string[]; mothers: string[] };
}

/** What is wrong in a file: in which line, counted from 1, and in which column. */
export interface FileProblem {
  line: number;
  column: string;
  message: string;
}

/** What somebody may show, by character. */
export interface BookCharacter {
  id: string;
  states: readonly string[];
}

export interface BookRead {
  rows: BookRow[];
  problems: FileProblem[];
}

/**
 * What cannot be of the rows of a file together: names that stand twice, parents that are nowhere, and own ancestors.
 *
 * @param known names that are in the book already.
 * @param lineOf the line of each row.
 */
export function rowProblems(
  rows: readonly BookRow[],
  known: ReadonlySet<string>,
  lineOf: (row: number) => number,
): FileProblem[] {
  const problems: FileProblem[] = [];
  const byName = new Map<string, BookRow>();
  rows.forEach((row, i) => {
    if (byName.has(row.label))
      problems.push({ line: lineOf(i), column: 'individual', message: `“${row.label}” stands twice; give each its own mark.` });
    byName.set(row.label, row);
  });
  rows.forEach(({ kept }, i) => {
    for (const [column, names] of [
      ['father', kept.fathers],
      ['mother', kept.mothers],
    ] as const)
      for (const name of names)
        if (!byName.has(name) && !known.has(name))
          problems.push({ line: lineOf(i), column, message: `“${name}” is neither in the file nor in the book.` });
  });
  const own = ownAncestor(rows, byName);
  if (own)
    problems.push({
      ...{ line: lineOf(rows.indexOf(own)), column: 'father' },
      message: `“${own.label}” would be its own ancestor; one of its parents, or of theirs, is wrong.`,
    });
  return problems;
}

function ownAncestor(rows: readonly BookRow[], byName: ReadonlyMap<string, BookRow>): BookRow | undefined {
  const state = new Map<BookRow, 'open' | 'done'>();
  for (const root of rows) {
    const stack = [root];
    while (stack.length) {
      const one = stack[stack.length - 1];
      if (!state.has(one)) {
        state.set(one, 'open');
        for (const name of [...one.kept.fathers, ...one.kept.mothers]) {
          const parent = byName.get(name);
          if (parent && state.get(parent) === 'open') return parent;
          if (parent && !state.has(parent)) stack.push(parent);
        }
      } else {
        state.set(one, 'done');
        stack.pop();
      }
    }
  }
  return undefined;
}
