import { dependenceWeights } from '../evidence';
import type { CompiledGuide, Table } from '../guide/working';

/** A form that is easily taken for another. */
export interface Lookalike {
  form: string;
  taxon: string;
  /** Bound on the share of mistakes when both are equally likely and everything is read, 0..½. */
  error: number;
  /** Does it differ in taxon, or only in sex, stage, morph or season? */
  sameTaxon: boolean;
}

/**
 * The forms nearest to one, across taxa, sexes and ages: ½ Π BC, the
 * Bhattacharyya bound (1943; Kailath 1967) on the error of telling the two when
 * both are equally likely, with characters of one group tempered as in weighing.
 */
export function lookalikesOf(compiled: CompiledGuide, formId: string, most = 6): Lookalike[] {
  const { forms, guide } = compiled;
  const own = forms.findIndex(({ id }) => id === formId);
  const characters = guide.characters.filter(({ id }) => compiled.tables.get(id)!.scored[own]);
  const weights = dependenceWeights(
    guide,
    characters.map(({ id }) => ({ character: id })),
  );
  return forms
    .flatMap((form, f): Lookalike[] => {
      if (f === own || form.cross) return [];
      const bits = characters.reduce(
        (sum, { id }, i) => sum + weights[i] * Math.log(affinity(compiled.tables.get(id)!, own, f)),
        0,
      );
      return [{ form: form.id, taxon: form.taxon, error: Math.exp(bits) / 2, sameTaxon: form.taxon === forms[own].taxon }];
    })
    .sort((a, b) => b.error - a.error)
    .slice(0, most);
}

/** Bhattacharyya coefficient ∫ √(p q) of one character: 0 apart … 1 alike. */
function affinity(table: Table, f: number, g: number): number {
  if (!table.scored[f] || !table.scored[g]) return 1;
  if (table.type === 'states') {
    const forms = table.scored.length;
    return table.states.reduce(
      (sum, _, s) => sum + Math.sqrt(table.frequency[s * forms + f] * table.frequency[s * forms + g]),
      0,
    );
  }
  const variance = table.sd[f] ** 2 + table.sd[g] ** 2;
  const gap = table.mean[f] - table.mean[g];
  return Math.sqrt((2 * table.sd[f] * table.sd[g]) / variance) * Math.exp((-gap * gap) / (4 * variance));
}
