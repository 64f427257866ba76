import { symmetric } from '../linear';
import { type Form, hasFacets } from './forms';
import type { Block } from './learnedSchema';
import type { Guide } from './schema';
import type { Resolved } from './tables';

/** A measured block laid over the forms of a guide. */
export interface CompiledBlock {
  block: Block;
  /** Place of each character in the block. */
  at: Map<string, number>;
  /** Row of `block.forms` for each form of the guide; -1 where it was not measured. */
  rowOf: Int32Array;
}

export function compileBlocks(guide: Guide, forms: readonly Form[]): CompiledBlock[] {
  return (guide.blocks ?? []).map((block) => ({
    block,
    at: new Map(block.characters.map((id, i) => [id, i])),
    rowOf: Int32Array.from(forms, (form) =>
      block.forms.findIndex(
        ({ taxon, facets }) =>
          taxon === form.taxon &&
          hasFacets(form, Object.fromEntries(Object.entries(facets).map(([facet, value]) => [facet, [value!]]))),
      ),
    ),
  }));
}

/** What the block says of one of its characters alone: mean and spread of each form, on the block's scale. */
export function marginalsOf({ block, at, rowOf }: CompiledBlock, character: string): Resolved[] {
  const i = at.get(character)!;
  return Array.from(rowOf, (row) => {
    if (row < 0) return undefined;
    const form = block.forms[row];
    return { mean: form.mean[i], sd: Math.sqrt(symmetric(form.covariance ?? block.covariance, i, i)), n: form.n };
  });
}
