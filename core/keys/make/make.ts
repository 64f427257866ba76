import { type CompiledGuide, taxonIndex, shortName } from '../../guide/working';
import { done, failed, type Outcome } from '../../problem';
import type { Couplet, Destination, Key, KeyPaths, Lead, Statement } from '../schema';
import type { KeyPurpose } from '../vocabulary';
import { bestSplit, divide, dividing, isSettled, type Node, taxaOf } from './choose';
import { optimumOf } from './optimum';
import { phrase } from './phrase';
import { EXACT, type Item, itemsOf, type Split, splitsOf } from './splits';

export interface MakeRequest {
  purpose: KeyPurpose;
  /** Forms or taxa to be keyed; all but crosses where absent. */
  forms?: readonly string[];
  /** Characters to be used before others. */
  prefer?: readonly string[];
  /** Statements beside the first that agree with it, per lead. */
  confirm?: number;
  title?: string;
}

/** A key that was made, and how near it comes to the best that can be. */
export interface MadeKey extends KeyPaths {
  key: Key;
}

/** Agreement of a confirming character with the couplet's own, on either side. */
const CONFIRMS = 0.9;
/** Nodes of few forms are solved exactly. */
const SOLVED = 10;
const MOST_COUPLETS = 5000;

/**
 * Make a dichotomous key from a compiled guide: at each couplet the split that
 * minimises the expected remaining cost (look-ahead 2; exactly, when few forms
 * are left), with confirming statements beside it. Forms that vary in a character go
 * both ways. Characters that the purpose forbids are not used.
 *
 * @param onProgress told the share of the forms' mass that has come to a name.
 */
export function makeKey(compiled: CompiledGuide, request: MakeRequest, onProgress?: (share: number) => void): Outcome<MadeKey> {
  const { guide } = compiled;
  const unknown = request.forms?.find((id) => !compiled.forms.some((form) => form.id === id) && !taxonIndex(guide).has(id));
  if (unknown)
    return failed({ code: 'unknown-form', message: `There is no form or taxon “${unknown}” in this guide.`, field: 'forms' });
  const stranger = request.prefer?.find((id) => !guide.characters.some((character) => character.id === id));
  if (stranger)
    return failed({ code: 'unknown-character', message: `There is no character “${stranger}” in this guide.`, field: 'prefer' });
  const items = itemsOf(compiled, request.forms);
  const taxa = taxaOf(items);
  if (taxa.count < 2) return failed({ code: 'too-few', message: 'A key needs forms of at least two taxa.', field: 'forms' });
  const splits = splitsOf(compiled, items, request);
  if (splits.length === 0) {
    return failed({
      code: 'no-marks',
      message: `Nothing that may be read ${sayPurpose(request.purpose)} tells these apart. Allow more handling.`,
      field: 'purpose',
    });
  }
  const total = items.reduce((sum, { weight }) => sum + weight, 0);
  const root: Node = { at: items.map((_, i) => i), mass: items.map(({ weight }) => weight / total) };
  const grown = grow({ compiled, items, taxa, splits, confirm: request.confirm ?? 2, onProgress }, root);
  const optimum = items.length <= EXACT ? optimumOf(items, root.at, splits, true)?.mean : undefined;
  const key: Key = {
    format: 'plesion-key',
    formatVersion: 1,
    title: request.title ?? `Key to ${guide.group}, ${sayPurpose(request.purpose)}`,
    guide: guide.id,
    source: `Made from the guide “${guide.title}”.`,
    caution: guide.caution,
    start: grown.couplets[0].id,
    couplets: grown.couplets,
  };
  return done({
    key,
    meanPath: grown.mean,
    worstPath: grown.worst,
    entropyBound: grown.bound,
    ...(optimum === undefined ? {} : { optimum }),
    together: grown.together,
    ...(grown.stopped ? { stopped: sayStopped(items.length) } : {}),
  });
}

export const sayPurpose = (purpose: KeyPurpose): string =>
  ({ 'hands-off': 'without touching', field: 'in the field', bench: 'at the bench' })[purpose];

const sayStopped = (forms: number) =>
  `The key was ended at ${MOST_COUPLETS} couplets: its ${forms} forms vary too much in the characters allowed to be told apart one by one, and many would stand in several places. Taxa named together from there on may still be told apart: key a genus or a group at a time, or allow more characters.`;

interface Work {
  compiled: CompiledGuide;
  items: readonly Item[];
  taxa: ReturnType<typeof taxaOf>;
  splits: readonly Split[];
  confirm: number;
  onProgress?: (share: number) => void;
}

type Exact = { optimum: NonNullable<ReturnType<typeof optimumOf>>; at: readonly number[] };

function grow(work: Work, root: Node) {
  const couplets: Couplet[] = [];
  const together: string[][] = [];
  let stopped = false;
  let mean = 0;
  let worst = 0;
  let settled = 0;
  const endings = new Map<string, number>();
  const end = (node: Node, depth: number): Destination => {
    const mass = node.mass.reduce((sum, m) => sum + m, 0);
    mean += mass * depth;
    worst = Math.max(worst, depth);
    settled += mass;
    work.onProgress?.(Math.min(1, settled));
    const to = destination(work, node, together);
    const name = 'name' in to ? to.name : '';
    endings.set(name, (endings.get(name) ?? 0) + mass);
    return to;
  };
  const visit = (node: Node, depth: number, exact: Exact | undefined, usable: readonly Split[]): Destination => {
    if (isSettled(work.taxa, node)) return end(node, depth);
    if (couplets.length >= MOST_COUPLETS) {
      stopped = true;
      return end(node, depth);
    }
    const solved = exact ?? solve(work, node);
    const alive = solved ? usable : dividing(usable, node);
    const split = solved?.optimum.splitOf(setOf(solved.at, node)) ?? bestSplit(alive, node, work.taxa);
    if (!split) return end(node, depth);
    const number = String(couplets.length + 1);
    const couplet: Couplet = { id: `c${number}`, number, leads: [] };
    couplets.push(couplet);
    const sides = divide(split, node);
    const statements = statementsOf(work, alive, split, node);
    let n = 0;
    sides.forEach((side, s) => {
      const own = statements[s].map((statement): Statement => ({ n: ++n, ...statement }));
      const lead: Lead = { id: s === 0 ? 'a' : 'b', statements: own, to: visit(side, depth + 1, solved, alive) };
      couplet.leads.push(lead);
    });
    return { kind: 'couplet', couplet: couplet.id };
  };
  visit(root, 0, undefined, work.splits);
  const bound = [...endings.values()].reduce((sum, m) => sum - m * Math.log2(m), 0);
  return { couplets, mean, worst, together, bound, stopped };
}

function solve({ items, splits }: Work, node: Node): Exact | undefined {
  if (node.at.length > (node.at.length === items.length ? EXACT : SOLVED)) return undefined;
  const weighted = items.slice();
  node.at.forEach((item, k) => (weighted[item] = { ...items[item], weight: node.mass[k] }));
  const optimum = optimumOf(weighted, node.at, splits);
  return optimum && { optimum, at: node.at };
}

const setOf = (at: readonly number[], node: Node) => node.at.reduce((set, item) => set | (1 << at.indexOf(item)), 0);

/** The couplet's own statement, then those that agree with it, on either side. */
function statementsOf(
  { confirm }: Work,
  splits: readonly Split[],
  split: Split,
  node: Node,
): [Omit<Statement, 'n'>[], Omit<Statement, 'n'>[]] {
  const used = new Set([split.character.id]);
  const chosen = [{ split, turned: false }];
  if (confirm > 0) {
    const agreeing: { split: Split; share: number; turned: boolean }[] = [];
    for (const other of splits) {
      if (other.character === split.character) continue;
      const found = agreement(split, other, node);
      if (found.share >= CONFIRMS) agreeing.push({ split: other, ...found });
    }
    agreeing.sort((a, b) => b.share / b.split.cost - a.share / a.split.cost);
    for (const one of agreeing) {
      if (chosen.length > confirm) break;
      if (used.has(one.split.character.id)) continue;
      used.add(one.split.character.id);
      chosen.push(one);
    }
  }
  const side = (s: 0 | 1) =>
    chosen.map((one) => phrase(one.split.character, one.split.links[one.turned ? 1 - s : s], one.split.usual));
  return [side(0), side(1)];
}

/** How often another character says the same as the couplet's own, at worst of its two sides; and whether it is turned round. */
function agreement({ sides }: Split, { first }: Split, { at, mass }: Node): { share: number; turned: boolean } {
  let [sameA, sameB, massA, massB] = [0, 0, 0, 0];
  for (let k = 0; k < at.length; k++) {
    const item = at[k];
    const side = sides[item];
    if (side === 1) {
      sameA += mass[k] * first[item];
      massA += mass[k];
    } else if (side === 2) {
      sameB += mass[k] * (1 - first[item]);
      massB += mass[k];
    }
  }
  const [a, b] = [massA > 0 ? sameA / massA : 0.5, massB > 0 ? sameB / massB : 0.5];
  const straight = Math.min(a, b);
  const turned = Math.min(1 - a, 1 - b);
  return turned > straight ? { share: turned, turned: true } : { share: straight, turned: false };
}

/** A name; several names where nothing tells them apart. */
function destination({ compiled, items }: Work, node: Node, together: string[][]): Destination {
  const index = taxonIndex(compiled.guide);
  const ids = [...new Set(node.at.map((i) => items[i].taxon))];
  const names = ids.map((id) => index.get(id)!.name);
  if (ids.length > 1) {
    together.push(names);
    return {
      kind: 'taxon',
      name: names
        .map((name, i) => (i === 0 ? name : shortName(name)))
        .join(' or ')
        .slice(0, 200),
    };
  }
  return { kind: 'taxon', name: names[0], taxon: ids[0] };
}
