import { ageIn, catchIn, conditionIn, dayIn, instantIn, methodIn, numberIn, ringIn, sexIn, timeIn } from './cells';
import { plainName } from './guideNames';
import type { Line, LineProblem, RowWays } from './lines';
import { plainCell } from './table';
import type { Target, Translated } from './vocabulary';

/** Where no time of day is said: noon of the clock that the table goes by. */
const NOON = '12:00:00';

const SAYS: Partial<Record<Translated, string>> = {
  ring: 'a ring is up to three letters and up to ten digits, such as H 04517.',
  what: 'it is not known what became of it: newly ringed, met again, not ringed, another kind, or lost.',
  sex: 'a sex is male, female or unknown.',
  condition: 'a condition is good, tired, wet, injured or dead.',
  method: 'this way of catching is not known here.',
};

/** One row, and what cannot be understood of it. */
export class Row {
  readonly problems: LineProblem[] = [];
  private readonly line: number;
  private readonly cells: readonly string[];
  private readonly ways: RowWays;

  constructor({ line, cells }: { line: number; cells: readonly string[] }, ways: RowWays) {
    this.line = line;
    this.cells = cells;
    this.ways = ways;
  }

  read(): Line | undefined {
    const { cells, ways } = this;
    if (cells.slice(ways.columns).some((cell) => cell.trim()))
      this.wrong(
        undefined,
        'too-many-cells',
        `it has ${cells.length} cells, the table ${ways.columns} columns. Put quotes about a cell that holds the mark between cells.`,
      );
    const when = this.when();
    const line = {
      line: this.line,
      ...when,
      site: this.word('site', (cell) => cell.slice(0, 120)),
      position: this.position(),
      ring: this.word('ring', ringIn),
      what: this.word('what', catchIn),
      ...this.kind(),
      age: this.word('age', (cell) => ageIn(cell, ways.family)),
      sex: this.word('sex', sexIn),
      condition: this.word('condition', conditionIn),
      mass: this.number('mass', Number.MIN_VALUE, 1_000_000, 'a weight is a number of grams above 0.'),
      readings: this.readings(),
      people: this.cell('people').slice(0, 240) || undefined,
      method: this.word('method', methodIn),
      note: this.cell('note').slice(0, 2000) || undefined,
    };
    return when && !this.problems.length ? { ...line, ...when } : undefined;
  }

  private cell(to: Target): string {
    return plainCell(this.cells[this.ways.places.get(to)?.i ?? -1]);
  }

  private wrong(to: string | undefined, code: string, message: string, more: Partial<LineProblem> = {}): undefined {
    const place = to === undefined ? undefined : this.ways.places.get(to);
    this.problems.push({
      line: this.line,
      code,
      message: `Line ${this.line}: ${message}`,
      field: place ? `columns.${to}` : 'file',
      ...(place ? { column: place.column, cell: plainCell(this.cells[place.i]) } : {}),
      ...more,
    });
    return undefined;
  }

  /** A cell by the words of its kind, or by what it was said to mean. */
  private word<T>(to: Translated & Target, read: (cell: string) => T | undefined): T | undefined {
    const cell = this.cell(to);
    const meant = this.ways.words.get(`${to} ${cell}`) ?? cell;
    if (!meant) return undefined;
    const says =
      to === 'age'
        ? `“${cell}” is no code of ${this.ways.family ? `the ${this.ways.family.label}` : 'a family of age codes'}.`
        : SAYS[to];
    return read(meant) ?? this.wrong(to, `unknown-${to}`, says ?? '', { of: to });
  }

  private number(to: Target, least: number, most: number, says: string): number | undefined {
    const cell = this.cell(to);
    if (!cell) return undefined;
    const value = numberIn(cell);
    return value !== undefined && value >= least && value <= most ? value : this.wrong(to, 'bad-number', says);
  }

  private position(): Line['position'] {
    const latitude = this.number('latitude', -90, 90, 'latitude is a number of degrees from −90 to 90.');
    const longitude = this.number('longitude', -180, 180, 'longitude is a number of degrees from −180 to 180.');
    const accuracy = this.number('accuracy', 0, 100_000, 'how far off it is is a number of metres.');
    if (Boolean(this.cell('latitude')) !== Boolean(this.cell('longitude')))
      return this.wrong('latitude', 'half-a-place', 'a place has both coordinates or neither.');
    if (latitude === undefined || longitude === undefined) return undefined;
    return { latitude, longitude, ...(accuracy === undefined ? {} : { accuracy }) };
  }

  private when(): Pick<Line, 'day' | 'at' | 'timed'> | undefined {
    const { days, offset, today, words } = this.ways;
    const cell = words.get(`day ${this.cell('day')}`) ?? this.cell('day');
    if (!cell) return this.wrong('day', 'no-day', 'it has no day.');
    const whole = instantIn(cell, offset, today);
    const day = whole?.day ?? dayIn(cell, days, today);
    if (!day)
      return this.wrong('day', 'bad-day', `“${cell}” is no day of the calendar in the order ${days.replaceAll('-', ', ')}.`, {
        of: 'day',
      });
    if (day > today) return this.wrong('day', 'day-to-come', `${day} is still to come.`, { of: 'day' });
    if (whole) return { ...whole, timed: true };
    const typed = this.cell('time');
    const time = typed ? timeIn(typed) : NOON;
    if (!time) return this.wrong('time', 'bad-time', `“${typed}” is no time of day.`);
    return { day, at: `${day}T${time}${offset}`, timed: Boolean(typed) };
  }

  private kind(): Pick<Line, 'taxon' | 'name'> {
    const { words, names, suggest } = this.ways;
    const cell = this.cell('kind');
    if (!cell) return {};
    const said = words.get(`kind ${cell}`);
    const taxon = names?.get(plainName(said ?? cell));
    if (taxon) return { taxon };
    // There is no guide, or it was said that the name stands as it is.
    if (!names || said !== undefined) return { name: (said ?? cell).slice(0, 120) };
    this.wrong('kind', 'unknown-kind', `the guide has no kind called “${cell}”.`, { of: 'kind', suggest: suggest(cell) });
    return {};
  }

  private readings(): Line['readings'] {
    return this.ways.readings.flatMap(({ to, i }) => {
      const cell = plainCell(this.cells[i]);
      const value = cell ? numberIn(cell) : undefined;
      if (cell && value === undefined) this.wrong(to, 'bad-number', `“${cell}” is no number.`);
      return value === undefined ? [] : [{ character: to.slice('reading:'.length), value }];
    });
  }
}
