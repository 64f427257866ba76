import type { Fit } from './schema';
import { type RandomSource, normal, pick, seeded } from '../probability';
import { type CompiledGuide, type StatesTable, type ValuesTable, likelihoodAt } from '../guide/working';
import { lowerIndex } from '../linear';
import { type BlockValue, jointBitsOf } from './block';
import { patternOf } from './blockPattern';
import { evidenceOf, onScale } from './readingEvidence';
import { tailedLogDensity } from './density';
import type { WeighedPosterior, Weighed } from './posterior';
import { tailedBits } from './tailedBits';
import { evenWeights } from './weights';

const INDIVIDUALS = 600;

/** Individuals odder than this share of their own kind are unusual, which is not the same as a poor fit. */
const UNUSUAL = 0.1;

/** One reading's log2 likelihood under the form: as observed, and of a new individual of that form. */
interface Trial {
  observed: number;
  draw: (random: RandomSource) => number;
}

/**
 * Monte-Carlo tail probability of readings as odd as these under one form:
 * individuals are drawn from its scores, read as the specimen was, and their
 * total log-likelihood compared with the observed one (Box 1980). The same
 * readings give the same answer: they seed the draws.
 */
export function fitOf(compiled: CompiledGuide, full: WeighedPosterior, form: number): Fit {
  const { forms, guide } = compiled;
  const trials = [...singleTrials(compiled, full.weighed, form), ...blockTrials(compiled, full.weighed, form)];
  if (trials.length === 0) return { form: forms[form].id, tail: 1, poor: false, unusual: false };
  const observed = trials.reduce((sum, trial) => sum + trial.observed, 0);
  const random = seeded(
    JSON.stringify([forms[form].id, full.weighed.map(({ reading }) => ({ ...reading, id: undefined, at: undefined }))]),
  );
  let odder = 0;
  for (let i = 0; i < INDIVIDUALS; i++) {
    let sum = 0;
    for (const trial of trials) sum += trial.draw(random);
    // Half of the ties: counts and states often give the very same total.
    if (sum < observed - 1e-9) odder++;
    else if (sum < observed + 1e-9) odder += 0.5;
  }
  const tail = (odder + 0.5) / (INDIVIDUALS + 1);
  const poor = tail < guide.settings.fit;
  return { form: forms[form].id, tail, poor, unusual: !poor && tail < UNUSUAL };
}

function singleTrials(compiled: CompiledGuide, weighed: readonly Weighed[], form: number): Trial[] {
  const weights = evenWeights(
    compiled.guide,
    weighed.map(({ reading }) => reading),
  );
  return weighed
    .map((one, i) => ({ one, weight: weights[i] }))
    .filter(({ one }) => !one.measured)
    .map(({ one, weight }) => {
      const table = compiled.tables.get(one.reading.character)!;
      const plain = (one.reading.status ?? 'seen') === 'seen' && !one.reading.comparison;
      const trial = !plain
        ? eitherWay(compiled, one, form)
        : table.type === 'values'
          ? valueTrial(compiled, table, one, form)
          : statesTrial(table, one, form);
      return { observed: weight * trial.observed, draw: (random: RandomSource) => weight * trial.draw(random) };
    });
}

/** A reading that either is so or not: does not apply, larger than the neighbour. */
function eitherWay(compiled: CompiledGuide, { reading }: Weighed, form: number): Trial {
  const sure = evidenceOf(compiled, { ...reading, certainty: 'sure' })!;
  const p = Math.min(1 - 1e-9, 2 ** sure.bits[form]);
  return { observed: Math.log2(p), draw: (random) => (random() < p ? Math.log2(p) : Math.log2(1 - p)) };
}

function statesTrial(table: StatesTable, { reading }: Weighed, form: number): Trial {
  const read = new Set(reading.states ?? [String(reading.value)]);
  const p = table.states.map((_, s) => likelihoodAt(table, s, form));
  const set = table.states.reduce((sum, state, s) => sum + (read.has(state) ? p[s] : 0), 0);
  const bits = p.map((share, s) => Math.log2(read.has(table.states[s]) ? set : share));
  return { observed: Math.log2(set), draw: (random) => bits[pick(p, random)] };
}

function valueTrial({ guide }: CompiledGuide, table: ValuesTable, { value: given }: Weighed, form: number): Trial {
  const { tail } = guide.settings;
  const { x, e } = onScale(table, given!.value, given!.error);
  const sd = Math.hypot(table.sd[form], e);
  const z = (x - table.mean[form]) / sd;
  const own = tailedBits(tail);
  return {
    observed: tailedLogDensity(z * z, tail) * Math.LOG2E,
    draw: (random) => own[Math.floor(random() * own.length)],
  };
}

/** The values of a block are drawn together. */
function blockTrials(compiled: CompiledGuide, weighed: readonly Weighed[], form: number): Trial[] {
  return compiled.blocks.flatMap((measured) => {
    const row = measured.rowOf[form];
    const taken = weighed.flatMap((one) => (one.measured?.block === measured ? [one.measured.taken] : []));
    if (taken.length === 0 || row < 0) return [];
    const { mean } = measured.rows[row];
    const { lower: factor } = patternOf(compiled, measured, taken).rows[row];
    const bits = jointBitsOf(compiled, measured, taken, row);
    const { degrees } = measured.block;
    return [
      {
        observed: bits(taken),
        draw(random: RandomSource) {
          const z = taken.map(() => normal(random));
          const stretch = degrees === undefined ? 1 : Math.sqrt((degrees - 2) / chiSquare(degrees, random));
          return bits(
            taken.map((one, i): BlockValue => {
              let x = mean[one.at];
              for (let j = 0; j <= i; j++) x += stretch * factor[lowerIndex(i, j)] * z[j];
              return { ...one, x };
            }),
          );
        },
      },
    ];
  });
}

/** A chi-square deviate (Wilson & Hilferty 1931). */
function chiSquare(degrees: number, random: RandomSource): number {
  const c = 2 / (9 * degrees);
  return degrees * Math.max(1e-6, 1 - c + normal(random) * Math.sqrt(c)) ** 3;
}
