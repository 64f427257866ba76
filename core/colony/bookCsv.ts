import type { BookCharacter, BookRead, BookRow, FileProblem } from './bookRow';
import { SEPARATED } from '../heredity/separated';
import { BETWEEN, readTable, severalIn, writeTable } from './csvTable';
import { KeptAlone } from './schema';

const PLAIN = ['hatched', 'hatchedTo', 'clutch', 'origin', 'strain', 'pen', 'status', 'condition'] as const;

/** The columns of a book: those of every individual, then two for each character. */
const columnsOf = (characters: readonly BookCharacter[]): string[] => [
  ...['individual', 'sex', 'sex sure', 'father', 'mother', ...PLAIN, 'moves', 'weights', 'kept alone', 'note'],
  ...characters.flatMap(({ id }) => [id, `${id} sure`]),
];

/** A book as CSV (RFC 4180): a line for each, parents by name. Certainties are from 0 to 1; nothing stands for certain. */
export function writeBookCsv(rows: readonly BookRow[], characters: readonly BookCharacter[]): string {
  const data = rows.map(({ label, note = '', kept }) => [
    ...[label, kept.sex?.called ?? '', kept.sex && kept.sex.certainty < 1 ? String(kept.sex.certainty) : ''],
    ...[kept.fathers.join(BETWEEN), kept.mothers.join(BETWEEN), ...PLAIN.map((name) => kept[name] ?? '')],
    (kept.moves ?? []).map(({ on, pen }) => `${on} ${pen}`).join(BETWEEN),
    (kept.weights ?? []).map(({ on, grams }) => `${on} ${grams}`).join(BETWEEN),
    (kept.separations ?? []).map(({ on, found, from }) => `${on} ${found} ${from}`).join(BETWEEN),
    note,
    ...characters.flatMap(({ id }) => {
      const seen = kept.phenotypes[id];
      if (seen === undefined) return ['', ''];
      return typeof seen === 'string'
        ? [seen, '']
        : [seen.states.join(BETWEEN), seen.certainty < 1 ? String(seen.certainty) : ''];
    }),
  ]);
  return writeTable(columnsOf(characters), data);
}

/** The same read again. Columns may stand in any order, and those that are not known are named. */
export function readBookCsv(text: string, characters: readonly BookCharacter[]): BookRead & { lines: number[] } {
  const { lines, problems } = readTable(text, columnsOf(characters), { column: 'individual', what: 'the mark of each' });
  const rows = lines.map(({ line, cell }) => {
    const { row, wrong } = rowOf(cell, characters);
    problems.push(...wrong.map((one) => ({ line, ...one })));
    return row;
  });
  return { rows, lines: lines.map(({ line }) => line), problems };
}

/** What follows the day in a cell of several. */
const SUCH_AS = { 'a pen': 'pen 4', grams: '1.2', 'what came of it in which pen': 'none pen 4' };

type Wrong = Omit<FileProblem, 'line'>;

function rowOf(cell: (name: string) => string, characters: readonly BookCharacter[]): { row: BookRow; wrong: Wrong[] } {
  const wrong: Wrong[] = [];
  const several = (name: string) => severalIn(cell(name));
  const sure = (column: string): number => {
    const written = cell(column).replace(',', '.');
    if (!written) return 1;
    const value = Number(written);
    if (value > 0 && value <= 1) return value;
    wrong.push({ column, message: `“${written}” is no certainty; write a number above 0 and up to 1.` });
    return 1;
  };
  const dated = (column: string, what: keyof typeof SUCH_AS) =>
    several(column).map((one) => {
      const [on, ...rest] = one.split(' ');
      if (!rest.length)
        wrong.push({
          column,
          message: `Write “${one}” as a day and ${what}, such as 2026-05-12 ${SUCH_AS[what]}.`,
        });
      return { on, rest: rest.join(' ') };
    });
  const label = cell('individual');
  if (!label || label.length > 120)
    wrong.push({ column: 'individual', message: 'Give it a mark or a name of up to 120 letters.' });
  const [called, sexSure] = [cell('sex'), sure('sex sure')];
  if (called && called !== 'female' && called !== 'male')
    wrong.push({ column: 'sex', message: `“${called}” is no sex; write female or male.` });
  const moves = dated('moves', 'a pen').map(({ on, rest }) => ({ on, pen: rest }));
  const weights = dated('weights', 'grams').map(({ on, rest }) => ({ on, grams: Number(rest.replace(',', '.')) }));
  const separations = dated('kept alone', 'what came of it in which pen').map(({ on, rest }) => {
    const [found, ...from] = rest.split(' ');
    return { on, found, from: from.join(' ') };
  });
  const strangeFound = separations.find(({ found }) => !SEPARATED.some((one) => one === found));
  if (strangeFound)
    wrong.push({
      column: 'kept alone',
      message: `“${strangeFound.found}” is nothing that comes of it; write ${SEPARATED.join(', ')}.`,
    });
  const phenotypes: Record<string, unknown> = {};
  for (const { id, states } of characters) {
    const [seen, certainty] = [several(id), sure(`${id} sure`)];
    const strange = seen.find((state) => !states.includes(state));
    if (strange !== undefined)
      wrong.push({ column: id, message: `“${id}” has no state “${strange}”; it has ${states.join(', ')}.` });
    else if (seen.length) phenotypes[id] = seen.length === 1 && certainty === 1 ? seen[0] : { states: seen, certainty };
  }
  const plain = Object.fromEntries(PLAIN.flatMap((name) => (cell(name) ? [[name, cell(name)]] : [])));
  const kept = KeptAlone.safeParse({
    ...plain,
    ...(called === 'female' || called === 'male' ? { sex: { called, certainty: sexSure } } : {}),
    ...(moves.length ? { moves } : {}),
    ...(weights.length ? { weights } : {}),
    ...(separations.length ? { separations } : {}),
    phenotypes,
  });
  if (!kept.success && !wrong.length)
    wrong.push(
      ...kept.error.issues.map(({ path, message }) => ({ column: String(path[0]), message: `${path.join('.')}: ${message}.` })),
    );
  const note = cell('note');
  const own = kept.success ? kept.data : { status: 'here' as const, phenotypes: {} };
  return {
    row: { label, ...(note ? { note } : {}), kept: { ...own, fathers: several('father'), mothers: several('mother') } },
    wrong,
  };
}
