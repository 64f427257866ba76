import { normalBelow } from '../probability';
import type { StatesTable, Table, ValuesTable } from '../guide/working';
import { OUTSIDE_WIDTH } from './model';
import { TAIL_WIDTH, tailedDensity } from './density';
import type { Grouping } from './levels';
import type { WeighedPosterior } from './posterior';

/** Forms left out of the sums hold no more than this between them. */
const DROPPED = 1e-4;
/** More live forms than this are stood for by a systematic sample of as many: a prime, so that it keeps step with no order of the guide's. */
const MOST_LIVE = 101;
/** Bins over a value are this wide in the narrowest spread, and this many at least and at most. */
const BIN = 0.6;
const LEAST_BINS = 24;
const MOST_BINS = 4096;
/** Bins times groups, at most: with very many groups still alive, coarser bins will do. */
const MOST_CELLS = 160_000;
/** How far a form's values reach, in its spreads, without and with a tail. */
const REACH = 5;
const TAIL_REACH = 6;

/** The forms that matter, with their probabilities and groups; the last group is "outside". */
export interface PossibleForms {
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
export function possibleForms(full: WeighedPosterior, grouping: Grouping): PossibleForms {
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
export function expectedInformation(table: Table, live: PossibleForms, tail: number): number {
  const bits = table.type === 'states' ? statesInformation(table, live) : valueInformation(table, live, tail);
  return Math.max(0, bits) * chanceItApplies(table, live);
}

function chanceItApplies(table: Table, live: PossibleForms): number {
  if (!table.applies) return 1;
  let chance = live.outside;
  for (let i = 0; i < live.forms.length; i++) chance += live.p[i] * table.applies[live.forms[i]];
  return Math.min(1, chance);
}

function statesInformation(table: StatesTable, live: PossibleForms): number {
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

/**
 * I(G; X) of a value, over bins that are fine enough for the narrowest form: a form
 * whose spread is small against the guide's is not passed over between two points.
 * A form's mass in a bin is exact where the bins are wide for it, else density times
 * width. Bins can only lose information, so nothing is promised that is not there.
 */
function valueInformation(table: ValuesTable, live: PossibleForms, tail: number): number {
  const usual = table.character.error ?? 0;
  const e = table.log ? usual / Math.exp(table.centre) : usual;
  const n = live.forms.length;
  const spreads = Float64Array.from(live.forms, (f) => Math.hypot(table.sd[f], e));
  const wide = Math.hypot(table.spread * OUTSIDE_WIDTH, e);
  let low = table.centre - 2 * wide;
  let high = table.centre + 2 * wide;
  let narrowest = wide;
  for (let i = 0; i < n; i++) {
    const mean = table.mean[live.forms[i]];
    low = Math.min(low, mean - 4 * spreads[i]);
    high = Math.max(high, mean + 4 * spreads[i]);
    narrowest = Math.min(narrowest, spreads[i]);
  }
  const most = Math.min(MOST_BINS, Math.ceil(MOST_CELLS / live.groups));
  const bins = Math.min(most, Math.max(LEAST_BINS, Math.ceil((high - low) / (BIN * narrowest))));
  const step = (high - low) / bins;
  // What falls beyond both ends is held in the outermost bins; each group keeps the bins it touches.
  const joint = new Float64Array(live.groups * bins);
  const from = new Int32Array(live.groups).fill(bins);
  const to = new Int32Array(live.groups).fill(-1);
  const add = (group: number, weight: number, mean: number, sd: number) => {
    const reach = (tail > 0 ? TAIL_REACH : REACH) * sd;
    const first = Math.max(0, Math.floor((mean - reach - low) / step));
    const last = Math.min(bins - 1, Math.floor((mean + reach - low) / step));
    from[group] = Math.min(from[group], first);
    to[group] = Math.max(to[group], last);
    const at = group * bins;
    if (step > sd * 0.61) {
      let below = tailedBelow((low + first * step - mean) / sd, tail);
      for (let k = first; k <= last; k++) {
        const next = tailedBelow((low + (k + 1) * step - mean) / sd, tail);
        joint[at + k] += weight * (next - below);
        below = next;
      }
      return;
    }
    const scale = (weight * step) / sd;
    for (let k = first; k <= last; k++) {
      const z = (low + (k + 0.5) * step - mean) / sd;
      joint[at + k] += scale * tailedDensity(z * z, tail);
    }
  };
  for (let i = 0; i < n; i++) add(live.group[i], live.p[i], table.mean[live.forms[i]], spreads[i]);
  add(live.groups - 1, live.outside, table.centre, wide);
  return informationIn(joint, bins, from, to);
}

/** I(G; X) of joint masses, brought to a sum of 1; each group has masses only from … to. */
function informationIn(joint: Float64Array, bins: number, from: Int32Array, to: Int32Array): number {
  let total = 0;
  const perBin = new Float64Array(bins);
  const perGroup = new Float64Array(from.length);
  for (let g = 0; g < from.length; g++) {
    for (let k = from[g]; k <= to[g]; k++) {
      const mass = joint[g * bins + k];
      perBin[k] += mass;
      perGroup[g] += mass;
      total += mass;
    }
  }
  if (!(total > 0)) return 0;
  // Σ m log m of masses that sum to t: entropy of m / t is log t − Σ m log m / t.
  let own = 0;
  for (let g = 0; g < from.length; g++) {
    for (let k = from[g]; k <= to[g]; k++) {
      const mass = joint[g * bins + k];
      if (mass > 0) own += mass * Math.log2(mass);
    }
  }
  return Math.log2(total) + (entropyOf(perGroup) + entropyOf(perBin) + own) / total;
}

/** P(Z ≤ z) of a standard value with a share `tail` in a component four times wider. */
const tailedBelow = (z: number, tail: number): number =>
  (1 - tail) * normalBelow(z, 0, 1) + (tail > 0 ? tail * normalBelow(z / TAIL_WIDTH, 0, 1) : 0);
