import type { Standing } from '@plesion/core/evidence';
import { formsOf, type Guide, isUnder, taxonIndex } from '@plesion/core/guide';

/** The leading forms of the two sides, where both are forms of the guide. */
export function comparablePair(guide: Guide, answer: Standing): [string, string] | undefined {
  const [a, b] = (['left', 'right'] as const).map((side) => leadingForm(guide, answer, side));
  const known = new Set(formsOf(guide).map(({ id }) => id));
  return a && b && a !== b && known.has(a) && known.has(b) ? [a, b] : undefined;
}

/** The most probable form on one side of the beam; none for what is not in the guide. */
export function leadingForm(guide: Guide, answer: Standing, side: 'left' | 'right'): string | undefined {
  const { group } = answer.beam[side];
  const isTaxon = taxonIndex(guide).has(group);
  return answer.forms.find(({ taxon, facets }) =>
    isTaxon ? isUnder(guide, taxon, group) : Object.values(facets).includes(group),
  )?.form;
}
