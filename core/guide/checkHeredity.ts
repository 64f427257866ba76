import type { Guide } from './schema';
import { readyModel } from './heredityModel';

/** A section on heredity: a model that holds, seen by facets and characters that the guide has. */
export function checkHeredity(guide: Guide, report: (field: string, code: string, message: string) => void): void {
  const section = guide.heredity;
  if (!section) return;
  if (section.taxon && !guide.taxa.some(({ id }) => id === section.taxon))
    report('heredity.taxon', 'unknown-taxon', `There is no taxon “${section.taxon}” in this guide.`);
  const ready = readyModel(section);
  if (!ready.ok) {
    for (const { field, code, message } of ready.problems) report(`heredity.${field}`, code, message);
    return;
  }
  for (const { id, states } of ready.value.characters) {
    const known = seenBy(guide, id);
    const own = section.characters.findIndex((one) => one.id === id);
    const field =
      own < 0 ? `heredity.loci[${section.loci.findIndex((locus) => locus.id === id)}].dominance` : `heredity.characters[${own}]`;
    const strange = states.find((state) => !known?.includes(state));
    if (!known)
      report(field, 'unknown-character', `The guide has neither a facet nor a character “${id}” by which this could be seen.`);
    else if (strange !== undefined)
      report(field, 'unknown-state', `“${id}” has no state “${strange}” in this guide; it has ${known.join(', ')}.`);
  }
}

/** States of what is seen: values of a facet, or states of a character. */
const seenBy = (guide: Guide, id: string): string[] | undefined =>
  (guide.facets[id as keyof Guide['facets']] ?? guide.characters.find((one) => one.id === id)?.states)?.map((one) => one.id);
