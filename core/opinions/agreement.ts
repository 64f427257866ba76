/** Half the width of what is likely, in standard errors: the central 95 in 100. */
const Z = 1.959964;

/** How far people agree beyond chance. */
export interface Kappa {
  /** 1: always; 0: no more than by chance. */
  kappa: number;
  /** Standard error; absent where too little is known to say. */
  se?: number;
  /** The central 95 in 100, κ ± 1.96 SE within −1..1. */
  low?: number;
  high?: number;
  /** How often they agreed, and how often they would have by chance, 0..1. */
  agreed: number;
  chance: number;
  /** What was judged by two at the least. */
  n: number;
}

const withInterval = (found: Omit<Kappa, 'low' | 'high'>): Kappa =>
  found.se === undefined || !Number.isFinite(found.se)
    ? { ...found, se: undefined }
    : { ...found, low: Math.max(-1, found.kappa - Z * found.se), high: Math.min(1, found.kappa + Z * found.se) };

/**
 * Cohen's κ of two people who each said what everything is (Cohen 1960), with the standard error of Fleiss, Cohen &
 * Everitt (1969).
 *
 * @param table How often the first said `i` and the second `j`: `table[i][j]`, square.
 * @returns undefined where nothing was judged, or both always said one and the same thing, so that chance explains all.
 * @example cohenKappa([[75, 1, 4], [5, 4, 1], [0, 0, 10]]) // κ .676, SE .088
 */
export function cohenKappa(table: readonly (readonly number[])[]): Kappa | undefined {
  const n = table.reduce((sum, row) => sum + row.reduce((all, count) => all + count, 0), 0);
  if (n === 0) return undefined;
  const k = table.length;
  const rows = table.map((row) => row.reduce((sum, count) => sum + count, 0) / n);
  const columns = table.map((_, j) => table.reduce((sum, row) => sum + row[j], 0) / n);
  const agreed = table.reduce((sum, row, i) => sum + row[i], 0) / n;
  const chance = rows.reduce((sum, p, i) => sum + p * columns[i], 0);
  if (1 - chance < 1e-12) return undefined;
  const kappa = (agreed - chance) / (1 - chance);
  let [same, apart] = [0, 0];
  for (let i = 0; i < k; i++)
    for (let j = 0; j < k; j++) {
      const p = table[i][j] / n;
      if (i === j) same += p * (1 - (rows[i] + columns[i]) * (1 - kappa)) ** 2;
      else apart += p * (columns[i] + rows[j]) ** 2;
    }
  const variance = (same + (1 - kappa) ** 2 * apart - (kappa - chance * (1 - kappa)) ** 2) / (n * (1 - chance) ** 2);
  return withInterval({ kappa, se: Math.sqrt(Math.max(0, variance)), agreed, chance, n });
}

/**
 * Fleiss' κ of any number of people, not everywhere the same ones (Fleiss 1971); where the numbers of them differ, each
 * thing that was judged counts alike. The standard error is the jackknife's over the things judged (Efron & Tibshirani 1993).
 *
 * @param counts How many said what of each thing: one row a thing, one column a name. Rows of fewer than two are left out.
 * @returns undefined where nothing was judged by two, or all always said one and the same thing.
 */
export function fleissKappa(counts: readonly (readonly number[])[]): Kappa | undefined {
  const rows = counts.filter((row) => sumOf(row) >= 2);
  const whole = pointOf(rows);
  if (!whole) return undefined;
  const without = rows.map((_, left) => pointOf(rows.filter((__, i) => i !== left))?.kappa);
  const known = without.filter((kappa) => kappa !== undefined);
  const n = rows.length;
  if (n < 2 || known.length < n) return { ...whole, n };
  const mean = sumOf(known) / n;
  const se = Math.sqrt(((n - 1) / n) * known.reduce((sum, kappa) => sum + (kappa - mean) ** 2, 0));
  return withInterval({ ...whole, se, n });
}

const sumOf = (row: readonly number[]): number => row.reduce((sum, count) => sum + count, 0);

function pointOf(rows: readonly (readonly number[])[]): Pick<Kappa, 'kappa' | 'agreed' | 'chance'> | undefined {
  if (rows.length === 0) return undefined;
  const all = sumOf(rows.map(sumOf));
  const agreed =
    sumOf(
      rows.map((row) => {
        const m = sumOf(row);
        return sumOf(row.map((count) => count * (count - 1))) / (m * (m - 1));
      }),
    ) / rows.length;
  const chance = sumOf(rows[0].map((_, j) => (sumOf(rows.map((row) => row[j])) / all) ** 2));
  return 1 - chance < 1e-12 ? undefined : { kappa: (agreed - chance) / (1 - chance), agreed, chance };
}
