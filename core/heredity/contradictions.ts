import { nearOf, partOf, stepsFrom } from './around';
import { hittingSets } from './hittingSets';
import { networkOf, solve } from './network';
import type { ReadyQuestion } from './posterior';
import { ERROR_BEFOREHAND, recordsOf, withoutRecords } from './records';
import type { HeredityRecord } from './schema';

/** Records of which one at the least must be wrong, taken together the rest can be true. */
export interface Correction {
  records: HeredityRecord[];
  /** How likely it is that just these are wrong, beside the other corrections of the matter. */
  p: number;
}

/** Corrections told of one matter at most. */
const MOST = 24;

const keyOf = (record: HeredityRecord): string => JSON.stringify(record);
const keysOf = (records: readonly HeredityRecord[]): string => records.map(keyOf).sort().join();

/**
 * The smallest sets of records that must be wrong, where not all can be true: minimal hitting sets of the minimal
 * conflicts (Reiter 1987), each conflict found by halving (QuickXplain, Junker 2004) among those that a network in which
 * nothing is possible was emptied by. Conflicts that share no record are matters of their own: each is told apart, and
 * its corrections are tried with the likeliest of the others.
 *
 * @returns nothing where all can be true, and where nothing could be even if none of it were written; else of each matter
 *   the corrections with fewest records, the likeliest first by how often records of their kinds are wrong. Without the
 *   first of each matter, what is left can be true.
 * @throws {TooTangled} where the pedigree cannot be worked out exactly.
 */
export function contradictionsOf(question: ReadyQuestion): Correction[][] {
  const conflicts: HeredityRecord[][] = [];
  const verified = new Set<string>();
  if (emptiedBy({ ...question, kin: withoutRecords(question, recordsOf(question)) })) return [];
  for (;;) {
    const matters = mattersOf(conflicts).map((own) =>
      hittingSets(own.map((records) => records.map((record) => ({ key: keyOf(record), weight: weightOf(record), record }))))
        .map((items) => items.map(({ record }) => record))
        .slice(0, MOST),
    );
    const unfit = unfitOf(matters);
    if (!unfit) return matters.map(weighed);
    conflicts.push(unfit);
  }

  /** Records that cannot all be true though a correction says so, of the first of which that holds. */
  function unfitOf(matters: readonly HeredityRecord[][][]): HeredityRecord[] | undefined {
    const firsts = matters.map(([first]) => first);
    const tried = [firsts, ...matters.flatMap((sets, at) => sets.slice(1).map((own) => firsts.with(at, own)))];
    for (const sets of tried) {
      const dropped = sets.flat();
      const key = keysOf(dropped);
      if (verified.has(key)) continue;
      const conflict = conflictWithout(question, dropped);
      if (conflict) return conflict;
      verified.add(key);
    }
    return undefined;
  }
}

const weightOf = ({ what }: HeredityRecord): number => ERROR_BEFOREHAND[what];

function weighed(sets: readonly HeredityRecord[][]): Correction[] {
  const weights = sets.map((records) => records.reduce((p, record) => p * weightOf(record), 1));
  const sum = weights.reduce((total, one) => total + one, 0);
  return sets
    .map((records, i) => ({ records, p: weights[i] / sum }))
    .sort((a, b) => b.p - a.p || (keysOf(a.records) < keysOf(b.records) ? -1 : 1));
}

/** Conflicts that hang together by records they share. */
function mattersOf(conflicts: readonly HeredityRecord[][]): HeredityRecord[][][] {
  const matters: { keys: Set<string>; conflicts: HeredityRecord[][] }[] = [];
  for (const conflict of conflicts) {
    const own = { keys: new Set(conflict.map(keyOf)), conflicts: [conflict] };
    for (const other of matters.filter(({ keys }) => [...keys].some((key) => own.keys.has(key)))) {
      matters.splice(matters.indexOf(other), 1);
      own.conflicts.unshift(...other.conflicts);
      for (const key of other.keys) own.keys.add(key);
    }
    matters.push(own);
  }
  return matters.map((one) => one.conflicts);
}

/** Records that cannot all be true, though any fewer of them can, some having been dropped; nothing where all can be. */
function conflictWithout(question: ReadyQuestion, dropped: readonly HeredityRecord[]): HeredityRecord[] | undefined {
  const left: ReadyQuestion = { ...question, kin: withoutRecords(question, dropped) };
  const places = emptiedBy(left);
  if (!places) return undefined;
  const near = nearOf(left.kin);
  // What one is called by its young is not told by its own variables: where it matters they are a step away.
  for (let steps = 0, before = 0; ; steps++) {
    const around = stepsFrom(near, places, steps);
    if (around.size === before) return smallestConflict(left);
    const part = partOf(left, around.keys());
    if (emptiedBy(part)) return smallestConflict(part);
    before = around.size;
  }
}

/** Of a pedigree that cannot be as it is written, some for whom that is so; nothing where it can be. */
function emptiedBy({ model, kin }: ReadyQuestion): Set<number> | undefined {
  const network = networkOf(model, kin);
  const { conflict } = solve(network, false);
  return conflict && new Set([...conflict].map((v) => network.owners[v]));
}

/** Of records that cannot all be true, a set of which that holds, and of no fewer. */
function smallestConflict(question: ReadyQuestion): HeredityRecord[] {
  const all = recordsOf(question);
  /** Can these be true together, all others left out? */
  const holds = (kept: readonly HeredityRecord[]) => {
    const own = new Set(kept);
    const dropped = all.filter((one) => !own.has(one));
    return !emptiedBy({ ...question, kin: withoutRecords(question, dropped) });
  };
  const explain = (
    background: readonly HeredityRecord[],
    added: boolean,
    candidates: readonly HeredityRecord[],
  ): HeredityRecord[] => {
    if (added && !holds(background)) return [];
    if (candidates.length === 1) return [...candidates];
    const half = candidates.length >> 1;
    const [first, second] = [candidates.slice(0, half), candidates.slice(half)];
    const two = explain([...background, ...first], first.length > 0, second);
    const one = explain([...background, ...two], two.length > 0, first);
    return [...one, ...two];
  };
  return all.length ? explain([], false, all) : [];
}
