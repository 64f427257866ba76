import type { PixelPoint, PointSet } from '@plesion/core/measure';
import { isWhole, onlyScale, pointsOf, type Step } from './steps';
import type { TableKey } from './tableKeys';

/** A point that can be moved: of which landmark, and which of its points. */
export interface Held {
  id: string;
  n: number;
}

/** What lies on the table: the points at hand, those of earlier repeats, and how it came to be so. */
export interface Table {
  points: PointSet;
  /** Earlier sets, hidden while it is measured again. */
  earlier: readonly PointSet[];
  /** The landmark at hand. */
  active: string;
  /** The point that the arrow keys move. */
  held?: Held;
  past: readonly PointSet[];
  future: readonly PointSet[];
}

export const emptyTable = (steps: readonly Step[]): Table => ({
  points: {},
  earlier: [],
  active: steps[0].id,
  past: [],
  future: [],
});

/** The landmark to go on with: the first that is not whole yet, else the one at hand. */
export function onward(steps: readonly Step[], points: PointSet, active: string): string {
  const at = steps.findIndex(({ id }) => id === active);
  if (at >= 0 && !isWhole(points, steps[at])) return active;
  return steps.find((step) => !isWhole(points, step))?.id ?? active;
}

function changed(table: Table, points: PointSet): Table {
  return { ...table, points, past: [...table.past, table.points], future: [] };
}

/** Set a point of the landmark at hand: a landmark of one point has it there, others get one more. */
export function place(table: Table, steps: readonly Step[], at: PixelPoint): Table {
  const step = steps.find(({ id }) => id === table.active);
  if (!step) return table;
  const single = step.kind === 'point';
  const so = pointsOf(table.points, step.id);
  const next = changed(table, { ...table.points, [step.id]: single ? at : [...so, at] });
  return {
    ...next,
    held: { id: step.id, n: single ? 0 : so.length },
    active: single ? onward(steps, next.points, step.id) : step.id,
  };
}

/** Points at once along a curve, for the landmark at hand. */
export function placeAll(table: Table, id: string, points: readonly PixelPoint[]): Table {
  return changed(table, { ...table.points, [id]: [...points] });
}

/** Move a point that was set. With `goesOn` the move belongs to the one before: one step back undoes both. */
export function move(table: Table, { id, n }: Held, at: PixelPoint, goesOn = false): Table {
  const so = table.points[id];
  if (!so) return table;
  const points = {
    ...table.points,
    [id]: typeof so[0] === 'number' ? at : (so as PixelPoint[]).map((point, i) => (i === n ? at : point)),
  };
  return { ...(goesOn ? { ...table, points } : changed(table, points)), held: { id, n } };
}

/** A point is taken hold of, for the keys to move. */
export const hold = (table: Table, held: Held): Table => ({ ...table, held, active: held.id });

/** Take a point away. */
export function take(table: Table, { id, n }: Held): Table {
  const left = pointsOf(table.points, id).filter((_, i) => i !== n);
  const { [id]: so, ...rest } = table.points;
  if (!so) return table;
  const several = typeof so[0] !== 'number' && left.length > 0;
  return { ...changed(table, several ? { ...rest, [id]: left } : rest), held: undefined, active: id };
}

export function undo(table: Table, steps: readonly Step[]): Table {
  const points = table.past.at(-1);
  if (!points) return table;
  return {
    ...table,
    points,
    past: table.past.slice(0, -1),
    future: [...table.future, table.points],
    held: undefined,
    active: onward(steps, points, table.active),
  };
}

export function redo(table: Table, steps: readonly Step[]): Table {
  const points = table.future.at(-1);
  if (!points) return table;
  return {
    ...table,
    points,
    past: [...table.past, table.points],
    future: table.future.slice(0, -1),
    held: undefined,
    active: onward(steps, points, table.active),
  };
}

export const choose = (table: Table, active: string): Table => ({
  ...table,
  active,
  held: pointsOf(table.points, active).length ? { id: active, n: pointsOf(table.points, active).length - 1 } : undefined,
});

/** Measure again, blind: what was set is put away out of sight; the scale stays. */
export function again(table: Table, steps: readonly Step[]): Table {
  const first = steps.find(({ scale }) => !scale) ?? steps[0];
  return { points: onlyScale(table.points), earlier: [...table.earlier, table.points], active: first.id, past: [], future: [] };
}

/** The point next to a place, no further than so many pixels of the photo. */
export function nearest(points: PointSet, steps: readonly Step[], [x, y]: PixelPoint, reach: number): Held | undefined {
  let best: Held | undefined;
  let least = reach;
  for (const { id } of steps)
    pointsOf(points, id).forEach(([px, py], n) => {
      const far = Math.hypot(px - x, py - y);
      if (far <= least) [best, least] = [{ id, n }, far];
    });
  return best;
}

/** All points that were set, in the order of the steps: what Tab goes through. */
export const heldInOrder = (points: PointSet, steps: readonly Step[]): Held[] =>
  steps.flatMap(({ id }) => pointsOf(points, id).map((_, n) => ({ id, n })));

/** Where the point lies that is held; undefined where none is. */
export const heldPoint = ({ held, points }: Table): PixelPoint | undefined => held && pointsOf(points, held.id)[held.n];

/** What a key of the table does to what lies on it. */
export function keyed(table: Table, steps: readonly Step[], key: TableKey): Table {
  switch (key.kind) {
    case 'move': {
      const at = heldPoint(table);
      if (!table.held || !at) return table;
      const [x, y] = at;
      return move(table, table.held, [x + key.by[0], y + key.by[1]]);
    }
    case 'next':
    case 'previous': {
      const all = heldInOrder(table.points, steps);
      if (all.length === 0) return table;
      const so = all.findIndex(({ id, n }) => id === table.held?.id && n === table.held.n);
      const to = key.kind === 'next' ? (so + 1) % all.length : (so <= 0 ? all.length : so) - 1;
      return hold(table, all[to]);
    }
    case 'free':
      return { ...table, held: undefined };
    case 'take':
      return table.held ? take(table, table.held) : table;
    case 'undo':
      return undo(table, steps);
    case 'redo':
      return redo(table, steps);
    default:
      return table;
  }
}

/** What the machine found, beside what is made of it: both are kept. */
export const foundBy = (table: Table, id: string, points: readonly PixelPoint[]): Table => {
  const next = placeAll(table, id, points);
  return { ...next, points: { ...next.points, [`${id} found`]: [...points] } };
};
