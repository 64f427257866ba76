import type { Problem } from '../problem';
import { lowerSize } from '../linear';
import type { Guide } from './schema';

/** Cross-references of what a guide says of judgement: treatments, crosses, unions, costs, hazards, measured blocks. */
export function checkJudgement(guide: Guide): Problem[] {
  const problems: Problem[] = [];
  const report = (field: string, code: string, message: string) => problems.push({ code, message, field });
  const taxa = new Map(guide.taxa.map((taxon) => [taxon.id, taxon]));
  const taxon = (id: string, field: string) => {
    if (!taxa.has(id)) report(field, 'unknown-taxon', `There is no taxon “${id}” in this guide.`);
  };
  const facets = (given: Partial<Record<string, readonly string[]>> | undefined, field: string) => {
    for (const [facet, values] of Object.entries(given ?? {})) {
      const declared = guide.facets[facet as keyof typeof guide.facets] ?? [];
      for (const value of values ?? []) {
        if (!declared.some(({ id }) => id === value)) {
          report(`${field}.${facet}`, 'unknown-facet', `The guide has no ${facet} “${value}”.`);
        }
      }
    }
  };

  guide.taxa.forEach(({ cross, hazards, forms, name }, i) => {
    const field = `taxa[${i}]`;
    cross?.forEach((parent, k) => {
      taxon(parent, `${field}.cross[${k}]`);
      if (taxa.get(parent) && !taxa.get(parent)!.forms) {
        report(`${field}.cross[${k}]`, 'cross-of-no-forms', `“${taxa.get(parent)!.name}” has no forms of its own to be crossed.`);
      }
    });
    if (cross && forms) report(`${field}.forms`, 'cross-has-forms', `“${name}” is a cross; its forms follow from its parents.`);
    hazards?.forEach((hazard, h) => facets(hazard.facets, `${field}.hazards[${h}].facets`));
  });
  guide.treatments?.forEach((treatment, i) => {
    treatment.sinks.forEach((id, k) => {
      taxon(id, `treatments[${i}].sinks[${k}]`);
      if (taxa.has(id) && !taxa.get(id)!.parent) {
        report(`treatments[${i}].sinks[${k}]`, 'sinks-root', `“${taxa.get(id)!.name}” has nothing above it to be sunk into.`);
      }
    });
    Object.keys(treatment.renames ?? {}).forEach((id) => taxon(id, `treatments[${i}].renames.${id}`));
  });
  guide.unions?.forEach((union, i) => union.of.forEach((part, k) => facets(part, `unions[${i}].of[${k}]`)));
  guide.costs?.forEach((cost, i) => taxon(cost.taxon, `costs[${i}].taxon`));
  checkBlocks(guide, report, taxon);
  return problems;
}

function checkBlocks(
  guide: Guide,
  report: (field: string, code: string, message: string) => void,
  taxon: (id: string, field: string) => void,
): void {
  const characters = new Map(guide.characters.map((character) => [character.id, character]));
  const seen = new Set<string>();
  guide.blocks?.forEach((block, i) => {
    const field = `blocks[${i}]`;
    const order = block.characters.length;
    block.characters.forEach((id, k) => {
      if (!characters.has(id))
        report(`${field}.characters[${k}]`, 'unknown-character', `There is no character “${id}” in this guide.`);
      else if (characters.get(id)!.kind !== 'measurement') {
        report(`${field}.characters[${k}]`, 'block-kind', `“${id}” is not a measurement; only those stand in a measured block.`);
      }
      if (seen.has(id)) report(`${field}.characters[${k}]`, 'block-twice', `“${id}” stands in two measured blocks.`);
      seen.add(id);
    });
    const triangle = (given: readonly number[] | undefined, at: string) => {
      if (given && given.length !== lowerSize(order)) {
        report(at, 'block-size', `A covariance of ${order} characters has ${lowerSize(order)} numbers, not ${given.length}.`);
      }
    };
    triangle(block.covariance, `${field}.covariance`);
    block.forms.forEach((form, k) => {
      taxon(form.taxon, `${field}.forms[${k}].taxon`);
      triangle(form.covariance, `${field}.forms[${k}].covariance`);
      if (form.mean.length !== order) {
        report(`${field}.forms[${k}].mean`, 'block-size', `“${form.taxon}” needs ${order} means, not ${form.mean.length}.`);
      }
    });
  });
}
