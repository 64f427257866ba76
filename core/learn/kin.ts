import { lowerIndex } from '../linear';
import type { LabelledForm } from './preparedTable';
import type { PairStatistics } from './pairStatistics';

/** What forms share: their taxon, and the facets (sex, stage, morph) that shift it. */
export interface Kin {
  taxon: Int32Array;
  facets: Int32Array;
}

export function kinOf(forms: readonly LabelledForm[]): Kin {
  const numbered = (keys: readonly string[]) => {
    const at = new Map<string, number>();
    return Int32Array.from(keys, (key) => at.get(key) ?? at.set(key, at.size).get(key)!);
  };
  return {
    taxon: numbered(forms.map(({ labels }) => labels.taxon ?? '')),
    facets: numbered(forms.map(({ labels }) => JSON.stringify([labels.sex, labels.stage, labels.morph]))),
  };
}

/** A form's mean of one column, and how far it was moved: 1 not at all, 0 wholly to what its relatives say. */
interface Shrunk {
  mean: Float64Array;
  kept: Float64Array;
}

const ROUNDS = 40;

/**
 * The means of one column, each moved towards what its relatives say as far as few
 * specimens leave it in doubt: mean = μ + taxon + facet + form, with the taxon and
 * the form random and the facet's shift shared by all taxa ("males are longer by
 * this much"); their variances by maximum likelihood (EM; best linear unbiased
 * prediction: Henderson 1975, Robinson 1991). Forms with many specimens stay
 * where they are.
 *
 * @param within variance of the column within forms.
 */
export function shrunkMeans(forms: readonly PairStatistics[], order: number, column: number, within: number, kin: Kin): Shrunk {
  const at = lowerIndex(column, column);
  const n = Float64Array.from(forms, ({ count }) => count[at]);
  const seen = Float64Array.from(forms, ({ sum }, f) => (n[f] > 0 ? sum[column * order + column] / n[f] : 0));
  const error = n.map((count) => (count > 0 ? within / count : Number.POSITIVE_INFINITY));
  const taxa = Math.max(...kin.taxon) + 1;
  const facets = Math.max(...kin.facets) + 1;
  const nested = facets > 1 && taxa < forms.length;
  const taxon = new Float64Array(taxa);
  const facet = new Float64Array(facets);
  let whole = weightedMean(seen, n);
  const spread = weightedMean(
    seen.map((x) => (x - whole) ** 2),
    n,
  );
  let ofForm = Math.max(spread / (nested ? 2 : 1), 1e-9 * within);
  let ofTaxon = nested ? ofForm : 0;
  const fitted = (f: number) => whole + taxon[kin.taxon[f]] + facet[kin.facets[f]];
  const kept = new Float64Array(forms.length);
  for (let round = 0; round < ROUNDS; round++) {
    const weight = error.map((v) => 1 / (v + ofForm));
    whole = weightedMean(
      seen.map((x, f) => x - taxon[kin.taxon[f]] - facet[kin.facets[f]]),
      weight,
    );
    if (nested) {
      for (let d = 0; d < facets; d++) {
        const own = weight.map((w, f) => (kin.facets[f] === d ? w : 0));
        facet[d] = weightedMean(
          seen.map((x, f) => x - whole - taxon[kin.taxon[f]]),
          own,
        );
      }
      const middle = facet.reduce((a, b) => a + b, 0) / facets;
      for (let d = 0; d < facets; d++) facet[d] -= middle;
      let square = 0;
      for (let t = 0; t < taxa; t++) {
        let sum = 0;
        let total = ofTaxon > 0 ? 1 / ofTaxon : Number.POSITIVE_INFINITY;
        seen.forEach((x, f) => {
          if (kin.taxon[f] !== t) return;
          sum += weight[f] * (x - whole - facet[kin.facets[f]]);
          total += weight[f];
        });
        taxon[t] = sum / total;
        square += taxon[t] ** 2 + 1 / total;
      }
      ofTaxon = Math.max(square / taxa, 1e-12 * within);
    }
    let square = 0;
    forms.forEach((_, f) => {
      kept[f] = Number.isFinite(error[f]) ? ofForm / (ofForm + error[f]) : 0;
      square += (kept[f] * (seen[f] - fitted(f))) ** 2 + ofForm * (1 - kept[f]);
    });
    ofForm = Math.max(square / forms.length, 1e-12 * within);
  }
  return { mean: seen.map((x, f) => fitted(f) + kept[f] * (x - fitted(f))), kept };
}

function weightedMean(values: Float64Array, weights: Float64Array): number {
  let [sum, total] = [0, 0];
  values.forEach((x, i) => {
    if (!(weights[i] > 0)) return;
    sum += weights[i] * x;
    total += weights[i];
  });
  return total > 0 ? sum / total : 0;
}
