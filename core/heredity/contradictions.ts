import { around, nearOf } from './around';
import { networkOf, solve } from './network';
import type { ReadyQuestion } from './posterior';
import { ERROR_BEFOREHAND, type HeredityRecord, recordsOf, withoutRecords } from './records';

/** Records of which one at the least must be wrong, taken together the rest can be true. */
export interface Correction {
  records: HeredityRecord[];
  /** How likely it is that just these are wrong, beside the other corrections told. */
  p: number;
}

/** Corrections of more records than these are not looked for. */
const LARGEST = 3;
/** Corrections told at most. */
const MOST = 24;

/** Can what is left be true without these records? */
const possible = (question: ReadyQuestion, dropped: readonly HeredityRecord[]): boolean =>
  solve(networkOf(question.model, withoutRecords(question, dropped)), false).logSum > -Infinity;

/**
 * The smallest sets of records that must be wrong, where not all can be true: minimal hitting sets of the minimal
 * conflicts (Reiter 1987), each conflict found by halving (QuickXplain, Junker 2004).
 *
 * @returns nothing where all can be true; else the corrections with fewest records, the likeliest first by how often
 *   records of their kinds are wrong.
 */
export function contradictionsOf(question: ReadyQuestion): Correction[] {
  if (possible(question, [])) return [];
  const found: HeredityRecord[][] = [];
  let open: HeredityRecord[][] = [[]];
  const tried = new Set<string>();
  for (let size = 1; size <= LARGEST && found.length === 0; size++) {
    const next: HeredityRecord[][] = [];
    for (const dropped of open)
      for (const record of conflictWithout(question, dropped)) {
        const more = [...dropped, record];
        const key = keyOf(more);
        if (tried.has(key)) continue;
        tried.add(key);
        if (possible(question, more)) found.push(more);
        else next.push(more);
      }
    open = next;
  }
  const weighed = found.map((records) => ({ records, p: records.reduce((p, { what }) => p * ERROR_BEFOREHAND[what], 1) }));
  const sum = weighed.reduce((total, { p }) => total + p, 0);
  return weighed
    .map(({ records, p }) => ({ records, p: p / sum }))
    .sort((a, b) => b.p - a.p || (keyOf(a.records) < keyOf(b.records) ? -1 : 1))
    .slice(0, MOST);
}

const keyOf = (records: readonly HeredityRecord[]): string =>
  records
    .map((one) => JSON.stringify(one))
    .sort()
    .join();

/** Steps within which a conflict is looked for first: most are within a family. */
const NEAR = [1, 2, 3];

/** Records that cannot all be true, though any fewer of them can; some having been dropped. */
function conflictWithout(question: ReadyQuestion, dropped: readonly HeredityRecord[]): HeredityRecord[] {
  const left: ReadyQuestion = { ...question, kin: withoutRecords(question, dropped) };
  const near = nearOf(left.kin);
  for (const steps of NEAR)
    for (const at of left.placeOf.values()) {
      const part = around(left, near, at, steps);
      if (!possible(part, [])) return smallestConflict(part);
    }
  return smallestConflict(left);
}

/** Of records that cannot all be true, a set of which that holds, and of no fewer. */
function smallestConflict(question: ReadyQuestion): HeredityRecord[] {
  const all = recordsOf(question);
  /** Can these be true together, all others left out? */
  const holds = (kept: readonly HeredityRecord[]) => {
    const own = new Set(kept);
    return possible(
      question,
      all.filter((one) => !own.has(one)),
    );
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
