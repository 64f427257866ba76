import type { CompiledGuide, StatesTable, Table, ValuesTable } from '../guide';
import { tailedLogDensity } from './column';
import type { Grouping } from './levels';
import type { Standing } from './standing';

/** Forms left out of the sums hold no more than this between them. */
const DROPPED = 1e-4;
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
}

/** Keep the fewest forms that hold all but {@link DROPPED} of the probability. */
export function liveForms(full: Standing, grouping: Grouping): Live {
  const floor = DROPPED / full.p.length;
  const forms: number[] = [];
  full.p.forEach((p, f) => p > floor && forms.push(f));
  const groups = grouping.groups.length + 2;
  const masses = new Float64Array(groups);
  const group = Int32Array.from(forms, (f) => (grouping.of[f] < 0 ? groups - 2 : grouping.of[f]));
  const p = Float64Array.from(forms, (f) => full.p[f]);
  p.forEach((mass, i) => (masses[group[i]] += mass));
  masses[groups - 1] = full.outside;
  return { forms: Int32Array.from(forms), p, group, groups, outside: full.outside, entropy: entropyOf(masses) };
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
      joint[group * POINTS + k] += (weight * step * Math.exp(tailedLogDensity(z * z, tail))) / sd;
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

/** How far apart two groups are in one character: ∫ min of their predictive densities, 0 apart … 1 alike. */
export function overlapOf(compiled: CompiledGuide, table: Table, live: Live, a: number, b: number): number {
  const weights = [a, b].map((group) => {
    const w = live.p.map((p, i) => (live.group[i] === group ? p : 0));
    const total = w.reduce((sum, x) => sum + x, 0);
    return w.map((x) => x / (total || 1));
  });
  if (table.type === 'states') {
    const forms = table.scored.length;
    return table.states.reduce((sum, _, s) => {
      const [pa, pb] = weights.map((w) =>
        w.reduce((total, x, i) => total + x * table.frequency[s * forms + live.forms[i]], 0));
      return sum + Math.min(pa, pb);
    }, 0);
  }
  const low = live.forms.reduce((min, f) => Math.min(min, table.mean[f] - 5 * table.sd[f]), Number.POSITIVE_INFINITY);
  const high = live.forms.reduce((max, f) => Math.max(max, table.mean[f] + 5 * table.sd[f]), Number.NEGATIVE_INFINITY);
  const steps = 200;
  const step = (high - low) / steps;
  let sum = 0;
  for (let k = 0; k < steps; k++) {
    const x = low + (k + 0.5) * step;
    const [da, db] = weights.map((w) =>
      w.reduce((total, weight, i) => {
        if (weight === 0) return total;
        const f = live.forms[i];
        const z = (x - table.mean[f]) / table.sd[f];
        return total + (weight * Math.exp(tailedLogDensity(z * z, compiled.guide.settings.tail))) / table.sd[f];
      }, 0));
    sum += Math.min(da, db) * step;
  }
  return Math.min(1, sum);
}
