import { symmetric } from '../linear';
import { type Form, formId, hasFacets } from './forms';
import type { Block } from './learnedSchema';
import type { Guide } from './schema';
import type { Resolved } from './tables';

/** What a block holds of one form: its mean, the specimens behind it, and a covariance of its own where it has one. */
export type BlockRow = Pick<Block['forms'][number], 'n' | 'mean' | 'covariance'>;

/** A measured block laid over the forms of a guide. */
export interface CompiledBlock {
  block: Block;
  /** Place of each character in the block. */
  at: Map<string, number>;
  /** The block's forms, then one for each cross of two of them. */
  rows: readonly BlockRow[];
  /** Row of each form of the guide; -1 where it was not measured. */
  rowOf: Int32Array;
}

export function compileBlocks(guide: Guide, forms: readonly Form[]): CompiledBlock[] {
  return (guide.blocks ?? []).map((block) => {
    const exact = new Map<string, number>();
    const byTaxon = new Map<string, number[]>();
    block.forms.forEach(({ taxon, facets }, row) => {
      const id = formId(taxon, facets);
      if (!exact.has(id)) exact.set(id, row);
      byTaxon.set(taxon, [...(byTaxon.get(taxon) ?? []), row]);
    });
    const rowFor = (form: Form): number =>
      exact.get(form.id) ??
      byTaxon.get(form.taxon)?.find((row) => {
        const wanted = Object.entries(block.forms[row].facets).map(([facet, value]) => [facet, [value]]);
        return hasFacets(form, Object.fromEntries(wanted));
      }) ??
      -1;
    const rows: BlockRow[] = [...block.forms];
    const at = new Map(forms.map((form, f) => [form.id, f]));
    const rowOf = Int32Array.from(forms, (form) => (form.cross ? -1 : rowFor(form)));
    forms.forEach(({ cross }, f) => {
      if (!cross) return;
      const [a, b] = cross.parents.map((id) => rowOf[at.get(id)!]);
      if (a < 0 || b < 0) return;
      rowOf[f] = rows.length;
      rows.push(crossRow(block, rows[a], rows[b], cross.share));
    });
    return { block, at: new Map(block.characters.map((id, i) => [id, i])), rows, rowOf };
  });
}

/** A cross lies between its parents, in mean and in covariance, by its share of the first one's ancestry. */
function crossRow(block: Block, a: BlockRow, b: BlockRow, share: number): BlockRow {
  const between = (x: readonly number[], y: readonly number[]) => x.map((value, i) => share * value + (1 - share) * y[i]);
  const own =
    a.covariance || b.covariance ? between(a.covariance ?? block.covariance, b.covariance ?? block.covariance) : undefined;
  return { n: Math.min(a.n, b.n), mean: between(a.mean, b.mean), ...(own ? { covariance: own } : {}) };
}

/** What the block says of one of its characters alone: mean and spread of each form, on the block's scale. */
export function marginalsOf({ block, at, rows, rowOf }: CompiledBlock, character: string): Resolved[] {
  const i = at.get(character)!;
  return Array.from(rowOf, (row) => {
    if (row < 0) return undefined;
    const form = rows[row];
    return { mean: form.mean[i], sd: Math.sqrt(symmetric(form.covariance ?? block.covariance, i, i)), n: form.n };
  });
}
