import { factorOf, groupOfCharacter, unitOf, temperScratch } from '../evidence';
import { type CompiledBlock, type CompiledGuide, type Table, frequencyAt } from '../guide/working';
import { logDeterminant, lowerIndex, lowerSize, solveLower } from '../linear';

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
 * both are equally likely. Characters measured together count as one, with their
 * covariance; characters of one dependence group are tempered as in weighing.
 */
export function lookalikesOf(compiled: CompiledGuide, formId: string, most = 6): Lookalike[] {
  const { forms } = compiled;
  const own = forms.findIndex(({ id }) => id === formId);
  const alike = lnAffinities(compiled, own);
  return forms
    .flatMap((form, f): Lookalike[] => {
      if (f === own || form.cross) return [];
      return [{ form: form.id, taxon: form.taxon, error: Math.exp(alike[f]) / 2, sameTaxon: form.taxon === forms[own].taxon }];
    })
    .sort((a, b) => b.error - a.error)
    .slice(0, most);
}

/** ln of the Bhattacharyya coefficients of every form with one, all characters together. */
function lnAffinities(compiled: CompiledGuide, own: number): Float64Array {
  const { guide, forms, blocks, tables } = compiled;
  const total = new Float64Array(forms.length);
  const groups = new Map<string, { gamma: number; power?: number; columns: Float64Array[] }>();
  const take = (character: string, column: Float64Array) => {
    const group = groupOfCharacter(guide, character);
    if (!group) return add(total, column);
    const known = groups.get(group.id);
    if (known) known.columns.push(column);
    else groups.set(group.id, { gamma: group.gamma, power: group.power, columns: [column] });
  };
  for (const measured of blocks) take(measured.block.characters[0], blockColumn(measured, own));
  for (const { id } of guide.characters) {
    if (unitOf(guide, id).startsWith('character:')) take(id, tableColumn(tables.get(id)!, own));
  }
  for (const { gamma, power, columns } of groups.values()) {
    const { bits, weigh } = temperScratch(columns.length, gamma);
    for (let f = 0; f < total.length; f++) {
      columns.forEach((column, i) => (bits[i] = column[f]));
      const weights = power === undefined ? weigh() : undefined;
      for (let i = 0; i < columns.length; i++) total[f] += (weights?.[i] ?? power!) * bits[i];
    }
  }
  return total;
}

function add(into: Float64Array, column: Float64Array): void {
  for (let f = 0; f < into.length; f++) into[f] += column[f];
}

/** ln BC of one character with every form: 0 alike, below it apart. Where one of the two is not scored, nothing is known. */
function tableColumn(table: Table, own: number): Float64Array {
  const forms = table.scored.length;
  const out = new Float64Array(forms);
  if (!table.scored[own]) return out;
  if (table.type === 'states') {
    for (let s = 0; s < table.states.length; s++) {
      const root = Math.sqrt(frequencyAt(table, s, own));
      if (root > 0) for (let f = 0; f < forms; f++) out[f] += root * Math.sqrt(frequencyAt(table, s, f));
    }
    for (let f = 0; f < forms; f++) out[f] = table.scored[f] ? Math.log(Math.max(out[f], 1e-12)) : 0;
    return out;
  }
  const [mean, sd] = [table.mean[own], table.sd[own]];
  for (let f = 0; f < forms; f++) {
    if (!table.scored[f]) continue;
    const variance = sd * sd + table.sd[f] * table.sd[f];
    const gap = mean - table.mean[f];
    out[f] = Math.log((2 * sd * table.sd[f]) / variance) / 2 - (gap * gap) / (4 * variance);
  }
  return out;
}

/**
 * ln BC of a measured block with every form, all its characters read:
 * −⅛ Δᵀ Σ⁻¹ Δ − ½ ln(|Σ| / √(|Σa| |Σb|)) with Σ the mean of the two covariances;
 * the last term is 0 where they share one. Tempered as the block is.
 */
function blockColumn({ block, rows, rowOf }: CompiledBlock, own: number): Float64Array {
  const order = block.characters.length;
  const out = new Float64Array(rowOf.length);
  const mine = rowOf[own] < 0 ? undefined : rows[rowOf[own]];
  if (!mine) return out;
  const pooled = Float64Array.from(block.covariance);
  const covarianceOf = (row: (typeof rows)[number]) => (row.covariance ? Float64Array.from(row.covariance) : pooled);
  const pooledFactor = factorOf(pooled, order);
  const factorFor = (row: (typeof rows)[number]) => (row.covariance ? factorOf(covarianceOf(row), order) : pooledFactor);
  const ownDeterminant = logDeterminant(factorFor(mine), order);
  const byRow = rows.map((row) => {
    const shared = !row.covariance && !mine.covariance;
    const between = shared ? pooledFactor : factorOf(meanOf(covarianceOf(mine), covarianceOf(row), order), order);
    const z = solveLower(
      between,
      row.mean.map((x, i) => x - mine.mean[i]),
      new Float64Array(order),
    );
    const distance = z.reduce((sum, x) => sum + x * x, 0);
    const spread = shared ? 0 : logDeterminant(between, order) - (ownDeterminant + logDeterminant(factorFor(row), order)) / 2;
    return block.temper * (-distance / 8 - spread / 2);
  });
  rowOf.forEach((row, f) => row >= 0 && (out[f] = byRow[row]));
  return out;
}

function meanOf(a: Float64Array, b: Float64Array, order: number): Float64Array {
  const out = new Float64Array(lowerSize(order));
  for (let i = 0; i < order; i++)
    for (let j = 0; j <= i; j++) out[lowerIndex(i, j)] = (a[lowerIndex(i, j)] + b[lowerIndex(i, j)]) / 2;
  return out;
}
