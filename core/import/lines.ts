import type { AgeFamily, BodyCondition, Catch, Fix, Method, Sex } from '../fieldwork';
import type { Guide } from '../guide/working';
import type { Problem } from '../problem';
import { orderOf } from './cells';
import { guessColumns } from './guess';
import { namesOf, nearestName } from './guideNames';
import { Row } from './row';
import type { ColumnTarget, ImportHow } from './schema';
import { plainCell, type Table } from './table';
import type { DayOrder, Translated } from './vocabulary';

/** What is wrong with a line, where, and how it may be mended. */
export interface LineProblem extends Problem {
  line: number;
  column?: string;
  cell?: string;
  /** Of what the cell is a word, so that it can be said once what it means. */
  of?: Translated;
  /** What it may have been meant to be. */
  suggest?: string;
}

/** One row as it was understood. */
export interface Line {
  line: number;
  day: string;
  at: string;
  /** Was a time of day said? */
  timed: boolean;
  site?: string;
  position?: Fix;
  ring?: string;
  what?: Catch;
  taxon?: string;
  name?: string;
  age?: string;
  sex?: Sex;
  condition?: BodyCondition;
  mass?: number;
  readings: { character: string; value: number }[];
  people?: string;
  method?: Method;
  note?: string;
}

/** What rows are read with. */
export interface Means {
  guide?: Guide;
  family?: AgeFamily;
  /** YYYY-MM-DD. */
  today: string;
}

/** Where a column stands, and what it says. */
interface Place {
  column: string;
  to: ColumnTarget;
  i: number;
}

/** Everything that a row is read by, made ready once. */
export interface RowWays extends Means {
  columns: number;
  places: ReadonlyMap<string, Place>;
  readings: readonly Place[];
  words: ReadonlyMap<string, string>;
  names?: ReadonlyMap<string, string>;
  days: DayOrder;
  offset: string;
  suggest: (kind: string) => string | undefined;
}

/** How a table is read, by what was said and, where nothing was, by its names and cells. */
export function settle(table: Table, how: ImportHow, { guide, today }: Means) {
  const columns = how.columns ?? guessColumns(table, today, guide);
  const dayAt = table.columns.indexOf(columns.find(({ to }) => to === 'day')?.column ?? '');
  const days = how.days ?? orderOf(dayAt < 0 ? [] : table.rows.map(({ cells }) => plainCell(cells[dayAt])));
  return { columns, days, offset: how.offset ?? '+00:00' };
}
export type Settled = ReturnType<typeof settle>;

/** Columns that are said to be what the table has not. */
export function unknownColumns(table: Table, { columns }: Settled): Problem[] {
  return columns.flatMap(({ column, to }, i) =>
    table.columns.includes(column)
      ? []
      : [{ code: 'unknown-column', message: `There is no column “${column}” to be the ${to}.`, field: `columns[${i}].column` }],
  );
}

/** Read every row; what cannot be understood of one is told, and the row is not among the lines. */
export function readLines(
  table: Table,
  how: ImportHow,
  settled: Settled,
  means: Means,
  onRow: (i: number) => void = () => undefined,
): { lines: Line[]; problems: LineProblem[] } {
  const ways = waysOf(table, how, settled, means);
  const leftOut = new Set(how.leaveOut);
  const lines: Line[] = [];
  const problems: LineProblem[] = [];
  table.rows.forEach((cells, i) => {
    onRow(i);
    if (leftOut.has(cells.line)) return;
    const row = new Row(cells, ways);
    const line = row.read();
    if (line) lines.push(line);
    problems.push(...row.problems);
  });
  return { lines, problems };
}

function waysOf(table: Table, how: ImportHow, { columns, days, offset }: Settled, means: Means): RowWays {
  const places = columns.map(({ column, to }): Place => ({ column, to, i: table.columns.indexOf(column) }));
  const names = means.guide && namesOf(means.guide);
  const suggested = new Map<string, string | undefined>();
  return {
    ...means,
    columns: table.columns.length,
    places: new Map(places.map((place) => [place.to, place])),
    readings: places.filter(({ to }) => to.startsWith('reading:')),
    words: new Map((how.words ?? []).map(({ of, from, to }) => [`${of} ${from}`, to])),
    names,
    days,
    offset,
    suggest(kind) {
      if (!suggested.has(kind)) {
        const near = names && nearestName(kind, names.keys());
        suggested.set(kind, means.guide?.taxa.find(({ id }) => id === (near && names.get(near)))?.name);
      }
      return suggested.get(kind);
    },
  };
}
