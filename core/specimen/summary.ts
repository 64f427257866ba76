import type { Summary, Determination } from './schema';
import type { Standing } from '../evidence';
import { type Guide, taxonIndex, nameText } from '../guide/working';
import { nameParts } from './naming';
import type { Qualifier } from './vocabulary';

const NO_GUIDE = 'No guide stands behind it: name it by a key, or by hand.';

/**
 * The last name given; without one, what the readings allow.
 *
 * @param guide the names in force: the guide's, or those of the treatment chosen; absent for a specimen without a guide.
 * @param standing how it stands; absent without a guide.
 */
export function summarise(
  guide: Pick<Guide, 'taxa'> | undefined,
  standing: Standing | undefined,
  determinations: readonly Determination[],
): Summary {
  const last = determinations.at(-1);
  const leadingForm = standing?.forms[0].form ?? '';
  if (last) {
    const { qualifier, taxon, other, facets, p } = last;
    return { name: nameText(nameParts(guide, last)), qualifier, taxon, other, facets, p, leadingForm, text: last.recommended };
  }
  if (!guide || !standing) return { name: 'Not yet named', qualifier: 'unknown', facets: {}, p: 0, leadingForm, text: NO_GUIDE };
  const { call, beam } = standing;
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
