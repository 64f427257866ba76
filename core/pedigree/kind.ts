import type { CompiledGuide, Guide } from '../guide';
import type { Seen } from '../guide/hereditySchema';
import type { Sex } from '../guide/heredityVocabulary';

/** The facets of the guide by which somebody is drawn: its sex, and what it shows; of several states the first. */
export function facetsShown({ facets }: Guide, phenotypes: Readonly<Record<string, Seen>>, sex: Sex): Record<string, string> {
  const shown: Record<string, string> = { sex };
  for (const [id, seen] of Object.entries(phenotypes))
    if (id in facets) shown[id] = typeof seen === 'string' ? seen : seen.states[0];
  return shown;
}

/** The place of the first form with these facets, of the kind that the guide's heredity is about; -1 where there is none. */
export function kindForm({ heredity, taxa }: Guide, { forms }: CompiledGuide, wanted: Readonly<Record<string, string>>): number {
  const taxon = heredity?.taxon;
  const within = new Set([taxon, ...taxa.filter(({ parent }) => parent === taxon).map(({ id }) => id)]);
  return forms.findIndex(
    (one) =>
      (taxon === undefined || within.has(one.taxon)) &&
      Object.entries(wanted).every(([facet, value]) => (one.facets as Record<string, string>)[facet] === value),
  );
}
