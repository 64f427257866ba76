import type { Edit } from '@plesion/core/authoring';
import type { Taxon } from '@plesion/core/guide';
import { omit } from '../../lib/omit';

export interface TreeRow {
  taxon: Taxon;
  depth: number;
}

/** Taxa as they stand under each other, those of one parent in the order they were written. */
export function treeRows(taxa: readonly Taxon[]): TreeRow[] {
  const under = new Map<string | undefined, Taxon[]>();
  const known = new Set(taxa.map(({ id }) => id));
  for (const taxon of taxa) {
    const parent = taxon.parent !== undefined && known.has(taxon.parent) ? taxon.parent : undefined;
    const beside = under.get(parent);
    if (beside) beside.push(taxon);
    else under.set(parent, [taxon]);
  }
  const rows: TreeRow[] = [];
  const open = (under.get(undefined) ?? []).map((taxon) => ({ taxon, depth: 0 })).reverse();
  while (open.length) {
    const row = open.pop()!;
    rows.push(row);
    for (const taxon of [...(under.get(row.taxon.id) ?? [])].reverse()) open.push({ taxon, depth: row.depth + 1 });
  }
  return rows;
}

export type Move = 'up' | 'down' | 'in' | 'out';

/** The other one of its parent that stands before a taxon, or behind it. */
function beside(taxa: readonly Taxon[], { id, parent }: Taxon, by: 1 | -1): Taxon | undefined {
  const all = taxa.filter((one) => one.parent === parent);
  return all[all.findIndex((one) => one.id === id) + by];
}

/** The change that moves a taxon a step: among those of its parent, under the one above it, or out of its parent; none where it cannot go. */
export function moveEdit(taxa: readonly Taxon[], taxon: Taxon, move: Move): Edit | undefined {
  const above = beside(taxa, taxon, -1);
  const below = beside(taxa, taxon, 1);
  const parent = taxa.find(({ id }) => id === taxon.parent);
  if (move === 'up') return above && { do: 'taxon', taxon: above, after: taxon.id };
  if (move === 'down') return below && { do: 'taxon', taxon, after: below.id };
  if (move === 'out') return parent && { do: 'taxon', taxon: under(taxon, parent.parent), after: parent.id };
  if (!above) return undefined;
  const last = taxa.findLast((one) => one.parent === above.id) ?? above;
  return { do: 'taxon', taxon: under(taxon, above.id), after: last.id };
}

/** The change that puts a taxon behind another one, or under it. */
export const dropEdit = (taxon: Taxon, onto: Taxon, asChild: boolean): Edit => ({
  do: 'taxon',
  taxon: under(taxon, asChild ? onto.id : onto.parent),
  after: onto.id,
});

const under = (taxon: Taxon, parent: string | undefined): Taxon =>
  parent === undefined ? (omit(taxon, 'parent') as Taxon) : { ...taxon, parent };
