import type { Call } from '../evidence';
import type { GivenName } from './schema';

/** The name that a call recommends. */
export function recommendedName(call: Call): GivenName {
  switch (call.kind) {
    case 'taxon':
      return { qualifier: 'none', taxon: call.taxon, facets: call.facets, ...(call.union ? { union: call.union.id } : {}) };
    case 'either':
      return { qualifier: 'or', taxon: call.taxon, other: call.other, facets: call.facets };
    case 'outside':
      return { qualifier: 'outside', facets: {} };
    case 'undetermined':
      return { qualifier: 'unknown', facets: {} };
  }
}

/**
 * Does a name say anything else, or more, than was recommended? To leave out a
 * sex or stage is to say less, which needs no reason.
 */
export function overrules(recommended: GivenName, given: GivenName): boolean {
  const pair = ({ taxon, other }: GivenName) => [taxon, other].filter(Boolean).sort().join();
  if (recommended.qualifier !== given.qualifier || pair(recommended) !== pair(given)) return true;
  if (given.union && given.union !== recommended.union) return true;
  return Object.entries(given.facets).some(
    ([facet, value]) => recommended.facets[facet as keyof typeof recommended.facets] !== value,
  );
}
