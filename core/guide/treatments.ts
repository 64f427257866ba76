import { type Form, lineage } from './forms';
import type { Treatment } from './judgementSchema';
import type { Guide, Taxon } from './schema';

/** The names in force: the guide's taxa under one treatment, and the taxon each form is called by. */
export interface Naming {
  taxa: Taxon[];
  /** Taxon of each form, once what the treatment sinks has gone into its parent. */
  of: string[];
}

export const treatmentOf = (guide: Pick<Guide, 'treatments'>, id: string | undefined): Treatment | undefined =>
  guide.treatments?.find((treatment) => treatment.id === id);

/**
 * The names of a guide under a treatment. Forms, readings and scores stay as they
 * are: only names and the roll-up follow.
 */
export function namingOf(guide: Guide, forms: readonly Form[], treatmentId?: string): Naming {
  const treatment = treatmentOf(guide, treatmentId);
  if (!treatment) return { taxa: guide.taxa, of: forms.map((form) => form.taxon) };
  const sunk = new Set(treatment.sinks);
  const kept = (id: string | undefined) => id && lineage(guide, id).find((taxon) => !sunk.has(taxon.id))?.id;
  const taxa = guide.taxa
    .filter((taxon) => !sunk.has(taxon.id))
    .map((taxon) => ({ ...taxon, name: treatment.renames?.[taxon.id] ?? taxon.name, parent: kept(taxon.parent) }));
  return { taxa, of: forms.map((form) => kept(form.taxon) ?? form.taxon) };
}
