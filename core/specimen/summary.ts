import type { Summary, Determination } from './schema';
import type { Standing } from '../evidence';
import { type Guide, taxonIndex, nameText } from '../guide/working';
import { nameParts } from './naming';
import type { Qualifier } from './vocabulary';

/**
 * The last name given; without one, what the readings allow.
 *
 * @param guide the names in force: the guide's, or those of the treatment chosen.
 */
export function summarise(guide: Pick<Guide, 'taxa'>, assessment: Standing, determinations: readonly Determination[]): Summary {
  const last = determinations.at(-1);
  const leadingForm = assessment.forms[0].form;
  if (last) {
    const { qualifier, taxon, other, facets, p } = last;
    return { name: nameText(nameParts(guide, last)), qualifier, taxon, other, facets, p, leadingForm, text: last.recommended };
  }
  const { call, beam } = assessment;
  const facets = call.facets;
  const common = { facets, leadingForm, text: call.text };
  if (call.kind === 'undetermined') {
    const leader = taxonIndex(guide).has(beam.left.group) ? beam.left : undefined;
    return { ...common, name: 'Not yet named', qualifier: 'unknown', taxon: leader?.group, p: leader?.p ?? 0 };
  }
  const qualifier: Qualifier = call.kind === 'either' ? 'or' : call.kind === 'outside' ? 'outside' : 'none';
  const named = { qualifier, taxon: call.taxon, other: call.other };
  return { ...common, ...named, name: nameText(nameParts(guide, named)), p: call.p };
}
