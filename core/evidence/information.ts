import type { StatesTable, Table, ValuesTable } from '../guide/working';
import { tailedDensity } from './density';
import type { Grouping } from './levels';
import type { Standing } from './standing';

/** Forms left out of the sums hold no more than this between them. */
const DROPPED = 1e-4;
/** More live forms than this are stood for by a systematic sample of as many. */
const MOST_LIVE = 256;
/** Points of the quadrature over a value. */
const POINTS = 41;

/** The forms that matter, with their probabilities and groups; the last group is "outside". */
export interface Live {
  forms: Int32Array;
  p: Float64Array;
  group: Int32Array;
  groups: number;
  outside: number;
  /** Entropy over the groups, in bits. */
  entropy: number;
  /** A group's number among the live ones by its number in the grouping; -1 when none of it lives. */
  groupOf: (original: number) => number;
}

/**
 * The forms that hold all but {@link DROPPED} of the probability, in groups that
 * are numbered anew, "outside" last. When they are very many, a systematic sample
 * by probability (Madow 1949) stands for them: no form's expected weight changes.
 */
export function liveForms(full: Standing, grouping: Grouping): Live {
  const floor = DROPPED / full.p.length;
  const all: number[] = [];
  for (let f = 0; f < full.p.length; f++) if (full.p[f] > floor) all.push(f);
  const { forms, p } = all.length > MOST_LIVE ? sampled(all, full.p) : { forms: all, p: all.map((f) => full.p[f]) };
  const numbers = new Map<number, number>();
  const group = Int32Array.from(forms, (f) => {
    const known = numbers.get(grouping.of[f]);
    if (known !== undefined) return known;
    numbers.set(grouping.of[f], numbers.size);
    return numbers.size - 1;
  });
  const groups = numbers.size + 1;
  const masses = new Float64Array(groups);
  for (let i = 0; i < forms.length; i++) masses[group[i]] += p[i];
  masses[groups - 1] = full.outside;
  return {
    forms: Int32Array.from(forms),
    p: Float64Array.from(p),
    group,
    groups,
    outside: full.outside,
    entropy: entropyOf(masses),
    groupOf: (original) => numbers.get(original) ?? -1,
  };
}

function sampled(forms: readonly number[], weights: Float64Array): { forms: number[]; p: number[] } {
  const total = forms.reduce((sum, f) => sum + weights[f], 0);
  const step = total / MOST_LIVE;
  const kept: number[] = [];
  const p: number[] = [];
  let next = step / 2;
  let gone = 0;
  for (const f of forms) {
    gone += weights[f];
    let mass = 0;
    for (; next < gone; next += step) mass += step;
    if (mass === 0) continue;
    kept.push(f);
    p.push(mass);
  }
  return { forms: kept, p };
}

/** −Σ m log2 m; masses need not sum to 1. */
export function entropyOf(masses: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < masses.length; i++) if (masses[i] > 0) sum -= masses[i] * Math.log2(masses[i]);
  return sum;
}

/**
 * Expected drop in uncertainty, in bits, over the groups when the character is
 * read: I(G; R) = H(G) + H(R) − H(G, R) (Shannon 1948), with misreading in it.
 * Values are taken by quadrature over the predictive mixture.
 */
export function expectedInformation(table: Table, live: Live, tail: number): number {
  const bits = table.type === 'states' ? statesInformation(table, live) : valueInformation(table, live, tail);
  return Math.max(0, bits) * chanceItApplies(table, live);
}

function chanceItApplies(table: Table, live: Live): number {
  if (!table.applies) return 1;
  let chance = live.outside;
  for (let i = 0; i < live.forms.length; i++) chance += live.p[i] * table.applies[live.forms[i]];
  return Math.min(1, chance);
}

function statesInformation(table: StatesTable, live: Live): number {
  const S = table.states.length;
  const forms = table.scored.length;
  const joint = new Float64Array(live.groups * S);
  for (let s = 0; s < S; s++) {
    const from = s * forms;
    for (let i = 0; i < live.forms.length; i++) {
      joint[live.group[i] * S + s] += live.p[i] * Math.exp(table.bits[from + live.forms[i]] * Math.LN2);
    }
    joint[(live.groups - 1) * S + s] += live.outside * table.outside[s];
  }
  return live.entropy + entropyOf(marginal(joint, live.groups, S)) - entropyOf(joint);
}

function marginal(joint: Float64Array, groups: number, outcomes: number): Float64Array {
  const sums = new Float64Array(outcomes);
  for (let g = 0; g < groups; g++) for (let s = 0; s < outcomes; s++) sums[s] += joint[g * outcomes + s];
  return sums;
}

function valueInformation(table: ValuesTable, live: Live, tail: number): number {
  const usual = table.character.error ?? 0;
  const e = table.log ? usual / Math.exp(table.centre) : usual;
  let low = table.centre - 3 * table.spread;
  let high = table.centre + 3 * table.spread;
  for (let i = 0; i < live.forms.length; i++) {
    const f = live.forms[i];
    const s = Math.hypot(table.sd[f], e);
    low = Math.min(low, table.mean[f] - 4 * s);
    high = Math.max(high, table.mean[f] + 4 * s);
  }
  const step = (high - low) / POINTS;
  const joint = new Float64Array(live.groups * POINTS);
  const add = (group: number, weight: number, mean: number, sd: number) => {
    for (let k = 0; k < POINTS; k++) {
      const z = (low + (k + 0.5) * step - mean) / sd;
      joint[group * POINTS + k] += (weight * step * tailedDensity(z * z, tail)) / sd;
    }
  };
  for (let i = 0; i < live.forms.length; i++) {
    const f = live.forms[i];
    add(live.group[i], live.p[i], table.mean[f], Math.hypot(table.sd[f], e));
  }
  add(live.groups - 1, live.outside, table.centre, Math.hypot(table.spread * 1.5, e));
  let total = 0;
  for (let i = 0; i < joint.length; i++) total += joint[i];
  for (let i = 0; i < joint.length; i++) joint[i] /= total;
  const groupMass = new Float64Array(live.groups);
  for (let g = 0; g < live.groups; g++) for (let k = 0; k < POINTS; k++) groupMass[g] += joint[g * POINTS + k];
  return entropyOf(groupMass) + entropyOf(marginal(joint, live.groups, POINTS)) - entropyOf(joint);
}
