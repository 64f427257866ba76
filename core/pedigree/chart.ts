import { columnsOf } from './chartColumns';

/** One of a pedigree to be drawn: of its parents those that are drawn too; several where it may be any of them. */
export interface ChartKin {
  id: string;
  fathers: readonly string[];
  mothers: readonly string[];
}

/** Young of the same parents. */
export interface Family {
  fathers: readonly string[];
  mothers: readonly string[];
  young: readonly string[];
}

/** A line of the drawing, through points; dashed where the parent it leads from is in doubt. */
export interface ChartLine {
  points: readonly (readonly [number, number])[];
  doubtful: boolean;
  /** Between mates that have an ancestor in common, or of whom one is the other's: drawn twice. */
  kin: boolean;
}

/** A pedigree laid out. Units are those of the screen at its usual size; the origin is the upper left. */
export interface Chart {
  width: number;
  height: number;
  /** Centres of the symbols, by generation from above and from left to right. */
  symbols: readonly { id: string; x: number; y: number; generation: number }[];
  lines: readonly ChartLine[];
}

/** From one place of a row to the next, half a symbol, and what stands about the drawing. */
export const CELL = 108;
export const HALF = 37;
const EDGE = 28;
/** Beneath a row: its labels; and from one line across to the next. */
const LABEL = 26;
const TRACK = 13;

/**
 * Where everybody of a pedigree is drawn: generations in rows, mates in one row where they can be, young beneath their
 * parents. The order within rows is that of the barycentre method (Sugiyama, Tagawa & Toda 1981). Lines that would run
 * over one another have tracks of their own.
 *
 * @param kin nobody is its own ancestor.
 */
export function chartOf(kin: readonly ChartKin[]): Chart {
  const families = familiesOf(kin);
  const generations = generationsOf(kin, families);
  const column = columnsOf(kin, families, generations);
  const depth = Math.max(0, ...generations.values()) + 1;
  const x = (id: string) => EDGE + HALF + column.get(id)! * CELL;

  const rows = Array.from({ length: depth }, (_, row) =>
    kin
      .filter(({ id }) => generations.get(id) === row)
      .map(({ id }) => id)
      .sort((a, b) => column.get(a)! - column.get(b)!),
  );
  const related = relatedBy(kin);
  const planned = besideOneAnother(families.map((family) => planOf(family, rows, generations, x, related)));
  const gaps = rows.map((_, row) => tracksOf(planned.filter((plan) => plan.row === row)));
  const tops: number[] = [];
  let y = EDGE + HALF;
  for (const { tracks } of gaps) {
    tops.push(y);
    y += 2 * HALF + LABEL + (tracks + 1) * TRACK;
  }
  const height = tops[depth - 1] + HALF + LABEL + EDGE;
  const place = (id: string): [number, number] => [x(id), tops[generations.get(id)!]];
  const lines = planned.flatMap((plan) => linesOf(plan, gaps[plan.row], tops[plan.row] + HALF + LABEL, place));
  const right = kin.reduce((far, { id }) => Math.max(far, x(id) + HALF), 0);
  return {
    width: lines.reduce((far, { points }) => points.reduce((own, [at]) => Math.max(own, at), far), right) + EDGE,
    height,
    symbols: rows.flatMap((ids, generation) => ids.map((id) => ({ id, x: x(id), y: tops[generation], generation }))),
    lines,
  };
}

function familiesOf(kin: readonly ChartKin[]): Family[] {
  const families = new Map<string, Family & { young: string[] }>();
  for (const { id, fathers, mothers } of kin) {
    if (!fathers.length && !mothers.length) continue;
    const key = JSON.stringify([[...fathers].sort(), [...mothers].sort()]);
    const family = families.get(key) ?? { fathers, mothers, young: [] };
    family.young.push(id);
    families.set(key, family);
  }
  return [...families.values()];
}

/** Young one row beneath the lower of their parents; somebody without parents just above its eldest young. */
function generationsOf(kin: readonly ChartKin[], families: readonly Family[]): Map<string, number> {
  const byId = new Map(kin.map((one) => [one.id, one]));
  const found = new Map<string, number>();
  for (const root of kin) {
    const stack = [root];
    while (stack.length) {
      const one = stack[stack.length - 1];
      const parents = [...one.fathers, ...one.mothers];
      const open = parents.filter((id) => !found.has(id));
      if (open.length) stack.push(...open.map((id) => byId.get(id)!));
      else {
        stack.pop();
        found.set(
          one.id,
          parents.reduce((low, id) => Math.max(low, found.get(id)! + 1), 0),
        );
      }
    }
  }
  const eldest = new Map<string, number>();
  for (const { fathers, mothers, young } of families)
    for (const parent of [...fathers, ...mothers])
      for (const id of young) eldest.set(parent, Math.min(eldest.get(parent) ?? Infinity, found.get(id)!));
  for (const { id, fathers, mothers } of kin)
    if (!fathers.length && !mothers.length && eldest.has(id)) found.set(id, eldest.get(id)! - 1);
  return found;
}

/** Have two an ancestor in common, or is one the other's? */
function relatedBy(kin: readonly ChartKin[]): (a: string, b: string) => boolean {
  const byId = new Map(kin.map((one) => [one.id, one]));
  const known = new Map<string, ReadonlySet<string>>();
  const line = (id: string): ReadonlySet<string> => {
    const before = known.get(id);
    if (before) return before;
    const all = new Set([id]);
    const open = [id];
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      const { fathers, mothers } = byId.get(at)!;
      for (const parent of [...fathers, ...mothers])
        if (!all.has(parent)) {
          all.add(parent);
          open.push(parent);
        }
    }
    known.set(id, all);
    return all;
  };
  return (a, b) => [...line(a)].some((one) => line(b).has(one));
}

/** How a family is joined, before it is known at what height its lines run. */
interface Plan {
  family: Family;
  /** The row beneath which its lines run. */
  row: number;
  /** Where the line to the young leaves. */
  from: number;
  /** The line between mates that are not beside one another. */
  mating?: readonly [number, number];
  /** The line over the young. */
  over: readonly [number, number];
  kin: boolean;
}

function planOf(
  family: Family,
  rows: readonly (readonly string[])[],
  generations: ReadonlyMap<string, number>,
  x: (id: string) => number,
  related: (a: string, b: string) => boolean,
): Plan {
  const { fathers, mothers, young } = family;
  const parents = [...fathers, ...mothers];
  const row = Math.min(...young.map((id) => generations.get(id)!)) - 1;
  const [father, mother] = [fathers.at(0), mothers.at(0)];
  const beside =
    parents.length === 2 &&
    father !== undefined &&
    mother !== undefined &&
    generations.get(father) === row &&
    generations.get(mother) === row &&
    Math.abs(rows[row].indexOf(father) - rows[row].indexOf(mother)) === 1;
  const places = parents.map(x);
  const from = parents.length === 1 ? places[0] : (Math.min(...places) + Math.max(...places)) / 2;
  const children = young.map(x);
  return {
    family,
    row,
    from,
    ...(beside || parents.length === 1 ? {} : { mating: [Math.min(...places), Math.max(...places)] as const }),
    over: [Math.min(from, ...children), Math.max(from, ...children)],
    kin: fathers.some((his) => mothers.some((hers) => related(his, hers))),
  };
}

/** Lines to the young that would fall on one another leave their mates a step aside. */
function besideOneAnother(plans: readonly Plan[]): Plan[] {
  const taken = new Map<number, number[]>();
  // Who stands between two has no say in it; a line across has room to the left and right.
  return [...plans]
    .sort((a, b) => Number(Boolean(a.mating)) - Number(Boolean(b.mating)))
    .map((plan) => {
      const others = taken.get(plan.row) ?? [];
      taken.set(plan.row, others);
      let { from } = plan;
      while (plan.mating && others.some((other) => Math.abs(other - from) < TRACK / 2)) from += TRACK;
      others.push(from);
      return { ...plan, from, over: [Math.min(plan.over[0], from), Math.max(plan.over[1], from)] as const };
    });
}

interface Tracks {
  tracks: number;
  of: ReadonlyMap<Plan, { mating: number; over: number }>;
}

/** A track for each line, so that no two run over one another: first those between mates, beneath them those over young. */
function tracksOf(plans: readonly Plan[]): Tracks {
  const assign = (lines: readonly { plan: Plan; span: readonly [number, number] }[], first: number) => {
    const ends: number[] = [];
    const places = new Map<Plan, number>();
    for (const { plan, span } of [...lines].sort((a, b) => a.span[0] - b.span[0])) {
      const free = ends.findIndex((end) => end < span[0] - TRACK / 2);
      const track = free < 0 ? ends.length : free;
      ends[track] = span[1];
      places.set(plan, first + track);
    }
    return { places, used: ends.length };
  };
  const matings = assign(
    plans.flatMap((plan) => (plan.mating ? [{ plan, span: plan.mating }] : [])),
    0,
  );
  const overs = assign(
    plans.map((plan) => ({ plan, span: plan.over })),
    matings.used,
  );
  return {
    tracks: matings.used + overs.used,
    of: new Map(plans.map((plan) => [plan, { mating: matings.places.get(plan) ?? 0, over: overs.places.get(plan)! }])),
  };
}

function linesOf(plan: Plan, gap: Tracks, top: number, place: (id: string) => [number, number]): ChartLine[] {
  const { fathers, mothers, young } = plan.family;
  const { mating, over } = gap.of.get(plan)!;
  const bar = top + mating * TRACK;
  const sibs = top + over * TRACK;
  const lines: ChartLine[] = [];
  const line = (points: ChartLine['points'], doubtful = false, kin = false) => lines.push({ points, doubtful, kin });
  const doubtful = (role: readonly string[]) => role.length > 1;
  let start: [number, number];
  if (plan.mating) {
    for (const role of [fathers, mothers])
      for (const id of role) {
        const [x, y] = place(id);
        // Somebody of an older generation is led past those of the rows between.
        const points: [number, number][] =
          y + HALF + LABEL < top - TRACK
            ? [
                [x, y + HALF],
                [x, y + HALF + LABEL - 4],
                [x + CELL / 2, y + HALF + LABEL - 4],
                [x + CELL / 2, bar],
              ]
            : [
                [x, y + HALF],
                [x, bar],
              ];
        line(points, doubtful(role));
      }
    line(
      [
        [plan.mating[0], bar],
        [plan.mating[1], bar],
      ],
      doubtful(fathers) || doubtful(mothers),
      plan.kin,
    );
    start = [plan.from, bar];
  } else if (fathers.length + mothers.length === 2) {
    const [his, hers] = [place(fathers[0]), place(mothers[0])].sort((a, b) => a[0] - b[0]);
    line(
      [
        [his[0] + HALF, his[1]],
        [hers[0] - HALF, hers[1]],
      ],
      false,
      plan.kin,
    );
    start = [plan.from, his[1]];
  } else {
    const [x, y] = place([...fathers, ...mothers][0]);
    start = [x, y + HALF];
  }
  line([start, [plan.from, sibs]]);
  if (plan.over[0] < plan.over[1])
    line([
      [plan.over[0], sibs],
      [plan.over[1], sibs],
    ]);
  for (const id of young) {
    const [x, y] = place(id);
    line([
      [x, sibs],
      [x, y - HALF],
    ]);
  }
  return lines;
}
