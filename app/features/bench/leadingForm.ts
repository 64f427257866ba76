import type { StandingAnswer } from '@plesion/contract';
import { type Guide, lineage, taxonIndex } from '@plesion/core/guide';

/** The most probable form on one side of the beam; none for what is not in the guide. */
export function leadingForm(guide: Guide, answer: StandingAnswer, side: 'left' | 'right'): string | undefined {
  const { group } = answer.beam[side];
  const isTaxon = taxonIndex(guide).has(group);
  return answer.forms.find(({ taxon, facets }) =>
    isTaxon ? lineage(guide, taxon).some(({ id }) => id === group) : Object.values(facets).includes(group),
  )?.form;
}
