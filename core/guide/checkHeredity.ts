import type { Guide } from './schema';
import { frequencyProblems, readyModel } from './heredityModel';
import type { HereditySection } from './hereditySchema';

/** What of a guide, or of the draft of one, heredity is held against. */
export type WithHeredity = Pick<Guide, 'facets' | 'heredity'> & {
  taxa: readonly { id: string }[];
  characters: readonly { id: string; states?: readonly { id: string }[] }[];
};

/** A section on heredity: a model that holds, seen by facets and characters that the guide has. */
export function checkHeredity(guide: WithHeredity, report: (field: string, code: string, message: string) => void): void {
  const section = guide.heredity;
  if (!section) return;
  if (section.taxon && !guide.taxa.some(({ id }) => id === section.taxon))
    report('heredity.taxon', 'unknown-taxon', `There is no taxon “${section.taxon}” in this guide.`);
  const ready = readyModel(section);
  if (!ready.ok) {
    for (const { field, code, message } of ready.problems) report(`heredity.${field}`, code, message);
    return;
  }
  checkStrains(section, report);
  const told = ['sex', ...ready.value.characters.map(({ id }) => id)];
  for (const id of Object.keys(section.toldFrom ?? {}))
    if (!told.includes(id))
      report(`heredity.toldFrom.${id}`, 'unknown-character', `Nothing is inherited by “${id}”; name one of ${told.join(', ')}.`);
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

function checkStrains(
  { strains = [], neverMix = [], loci }: HereditySection,
  report: (field: string, code: string, message: string) => void,
): void {
  strains.forEach(({ id, founders = {} }, i) => {
    const field = `heredity.strains[${i}]`;
    if (strains.findIndex((one) => one.id === id) < i)
      report(`${field}.id`, 'twice', `The strain “${id}” stands twice; take one of them out.`);
    for (const { field: at = field, code, message } of frequencyProblems(loci, founders, `${field}.founders`))
      report(at, code, message);
  });
  neverMix.forEach(({ strains: [a, b] }, i) => {
    const field = `heredity.neverMix[${i}].strains`;
    const strange = [a, b].find((one) => !strains.some(({ id }) => id === one));
    if (strange !== undefined) report(field, 'unknown-strain', `There is no strain “${strange}” in this section.`);
    else if (a === b) report(field, 'same-strain', 'A strain is not kept apart from itself; name two.');
  });
}

/** States of what is seen: values of a facet, or states of a character. */
const seenBy = (guide: WithHeredity, id: string): string[] | undefined =>
  (guide.facets[id as keyof Guide['facets']] ?? guide.characters.find((one) => one.id === id)?.states)?.map((one) => one.id);
