import { type RandomSource, normal, pick, seeded } from '@plesion/core/probability';
import { addOuter, cholesky, logDeterminant, lowerIndex, lowerSize, solveLower } from '@plesion/core/linear';

export interface Specimen {
  form: number;
  /** Values by column; told columns hold the number of their entry. */
  x: number[];
}

/** A population whose law is known, so that the best possible calling of it can be worked out. */
export interface Population {
  name: string;
  columns: { name: string; told?: number }[];
  forms: string[];
  draw: (n: number, seed: string) => Specimen[];
  /** The true posterior over the forms: nothing can call better than by this. */
  posterior: (x: readonly number[]) => number[];
}

interface Normal {
  mean: number[];
  factor: Float64Array;
}

const COLUMNS = 6;

/** Lengths that follow one size, with noise of their own: the covariance within a form, in logarithms. */
function sizeCovariance(random: RandomSource, size: number, noise: number): Float64Array {
  const covariance = new Float64Array(lowerSize(COLUMNS));
  addOuter(
    covariance,
    Float64Array.from({ length: COLUMNS }, () => size * (1 + 0.15 * normal(random))),
    1,
  );
  for (let i = 0; i < COLUMNS; i++) covariance[lowerIndex(i, i)] += noise ** 2;
  return cholesky(covariance, COLUMNS)!;
}

const drawNormal = ({ mean, factor }: Normal, random: RandomSource): number[] => {
  const z = mean.map(() => normal(random));
  return mean.map((m, i) => z.slice(0, i + 1).reduce((sum, deviate, j) => sum + factor[lowerIndex(i, j)] * deviate, m));
};

function lnDensity({ mean, factor }: Normal, x: readonly number[]): number {
  const z = solveLower(
    factor,
    x.map((value, i) => value - mean[i]),
    new Float64Array(mean.length),
  );
  return -(logDeterminant(factor, mean.length) + z.reduce((sum, v) => sum + v * v, 0)) / 2;
}

function posteriorOf(logs: readonly number[]): number[] {
  const most = Math.max(...logs);
  const raw = logs.map((l) => Math.exp(l - most));
  const total = raw.reduce((a, b) => a + b, 0);
  return raw.map((p) => p / total);
}

/** Strong overall size; forms differ in proportion only, by one covariance or by covariances of their own. */
function proportions(name: string, forms: number, apart: number, own: boolean): Population {
  const random = seeded(name);
  const usual = Array.from({ length: COLUMNS }, () => 2.5 + 0.4 * normal(random));
  const shared = sizeCovariance(random, 0.22, 0.035);
  const laws = Array.from({ length: forms }, (): Normal => {
    const mean = usual.map((m) => m + apart * normal(random));
    return { mean, factor: own ? sizeCovariance(random, 0.12 + 0.2 * random(), 0.02 + 0.04 * random()) : shared };
  });
  return {
    name,
    columns: Array.from({ length: COLUMNS }, (_, c) => ({ name: `length ${c + 1}` })),
    forms: laws.map((_, f) => `form ${f + 1}`),
    draw(n, seed) {
      const own = seeded(`${name} ${seed}`);
      return Array.from({ length: n }, () => {
        const form = Math.floor(own() * forms);
        return { form, x: drawNormal(laws[form], own).map(Math.exp) };
      });
    },
    posterior: (x) => {
      const logs = x.map(Math.log);
      return posteriorOf(laws.map((law) => lnDensity(law, logs)));
    },
  };
}

/** Characters of two to four states, independent within a form. */
function characters(name: string, forms: number, columns: number): Population {
  const random = seeded(name);
  const states = Array.from({ length: columns }, (_, c) => 2 + (c % 3));
  const laws = Array.from({ length: forms }, () =>
    states.map((n) => {
      const raw = Array.from({ length: n }, () => 0.08 + random() ** 2);
      const total = raw.reduce((a, b) => a + b, 0);
      return raw.map((p) => p / total);
    }),
  );
  return {
    name,
    columns: states.map((told, c) => ({ name: `character ${c + 1}`, told })),
    forms: laws.map((_, f) => `form ${f + 1}`),
    draw(n, seed) {
      const own = seeded(`${name} ${seed}`);
      return Array.from({ length: n }, () => {
        const form = Math.floor(own() * forms);
        return { form, x: laws[form].map((p) => pick(p, own)) };
      });
    },
    posterior: (x) => posteriorOf(laws.map((law) => x.reduce((sum, s, c) => sum + Math.log(law[c][s]), 0))),
  };
}

/** The three populations of the benchmark. */
export const populations = (): Population[] => [
  proportions('proportions, one covariance', 4, 0.03, false),
  proportions('proportions, own covariances', 4, 0.03, true),
  characters('characters of states', 5, 10),
];

/** As a table to learn from: told entries are written as words. */
export const asCsv = ({ columns, forms }: Population, specimens: readonly Specimen[]): string =>
  [
    ['kind', ...columns.map(({ name }) => name)].join(','),
    ...specimens.map(({ form, x }) =>
      [forms[form], ...x.map((v, c) => (columns[c].told ? `state ${v + 1}` : v.toFixed(4)))].join(','),
    ),
  ].join('\n');
