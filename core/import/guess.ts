import { ringOf } from '../fieldwork';
import type { Guide } from '../guide/working';
import { dayIn, numberIn, sexIn } from './cells';
import { characterCalled, plainName } from './guideNames';
import type { ColumnTarget } from './schema';
import { plainCell, type Table } from './table';
import { type Target, TARGETS } from './vocabulary';

/** Column names by which people call a target, in plain letters; the terms of Darwin Core are among them. */
const NAMES: Record<Target, readonly string[]> = {
  day: ['day', 'date', 'datum', 'caught on', 'eventdate', 'when'],
  time: ['time', 'hour', 'clock', 'eventtime', 'time of day'],
  site: ['site', 'place', 'locality', 'location', 'where', 'station'],
  latitude: ['latitude', 'lat', 'decimallatitude', 'north'],
  longitude: ['longitude', 'lon', 'long', 'lng', 'decimallongitude', 'east'],
  accuracy: ['accuracy', 'uncertainty', 'coordinateuncertaintyinmeters', 'how far off'],
  ring: ['ring', 'ring number', 'ring no', 'mark', 'organismid', 'number'],
  what: ['what', 'new or again', 'capture', 'status', 'what became of it'],
  kind: ['kind', 'species', 'taxon', 'name', 'scientificname', 'scientific name', 'vernacularname'],
  age: ['age', 'age code', 'agecode'],
  sex: ['sex'],
  condition: ['condition', 'state', 'health'],
  mass: ['mass', 'weight', 'weight g', 'mass g', 'grams'],
  people: ['people', 'ringer', 'by', 'observer', 'recorded by', 'recordedby', 'who'],
  method: ['method', 'caught by', 'trap', 'samplingprotocol', 'how'],
  note: ['note', 'notes', 'remarks', 'comment', 'comments', 'occurrenceremarks'],
};

/** Cells looked at to guess by. */
const LOOKED = 50;
/** Share of them that must fit. */
const MOSTLY = 0.8;

/** What each column may say: by its name, else by what stands in it; each target once, the others are left out. */
export function guessColumns({ columns, rows }: Table, today: string, guide?: Guide): { column: string; to: ColumnTarget }[] {
  const taken = new Set<ColumnTarget>();
  const guessed = columns.map((): ColumnTarget | undefined => undefined);
  const take = (i: number, to: ColumnTarget | undefined) => {
    if (!to || taken.has(to) || guessed[i]) return;
    taken.add(to);
    guessed[i] = to;
  };
  const looked = rows.slice(0, LOOKED);
  const mostly = (i: number, fits: (cell: string) => unknown, share = MOSTLY) => {
    const cells = looked.map(({ cells: all }) => plainCell(all[i])).filter(Boolean);
    return cells.length > 0 && cells.filter((cell) => fits(cell) !== undefined).length >= cells.length * share;
  };
  // Not every number by which an animal goes is a ring.
  const rings = (i: number) => mostly(i, ringOf, 0.5);
  // A name that says exactly a target goes before one that merely holds its word.
  for (const close of [
    (name: string, words: readonly string[]) => words.includes(name),
    (name: string, words: readonly string[]) => words.some((word) => name.split(' ').includes(word)),
  ]) {
    columns.forEach((column, i) =>
      take(
        i,
        TARGETS.find(
          (target) => !taken.has(target) && close(plainName(column), NAMES[target]) && (target !== 'ring' || rings(i)),
        ),
      ),
    );
    columns.forEach((column, i) => take(i, characterCalled(guide, column)));
  }
  columns.forEach((_, i) => {
    if (mostly(i, (cell) => dayIn(cell, 'day-month-year', today))) take(i, 'day');
    else if (mostly(i, (cell) => (/[A-Za-z]/.test(cell) && numberIn(cell) === undefined ? ringOf(cell) : undefined)))
      take(i, 'ring');
    else if (mostly(i, sexIn)) take(i, 'sex');
  });
  return columns.flatMap((column, i) => (guessed[i] ? [{ column, to: guessed[i] }] : []));
}
