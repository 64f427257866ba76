import type { Qualifier } from '@plesion/core/specimen';

/** Open nomenclature in plain words. */
export const QUALIFIER_LABELS: Record<Qualifier, string> = {
  none: 'plainly',
  'cf.': 'cf. (compare)',
  'aff.': 'aff. (near, but not it)',
  'sp.': 'sp.',
  or: 'one of two',
  unknown: 'unknown',
  outside: 'not in this guide',
};

/** Does it say a name at all? */
export const needsTaxon = (qualifier: Qualifier): boolean => qualifier !== 'unknown' && qualifier !== 'outside';
