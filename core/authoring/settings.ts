import type { Settings } from '../guide/working';

/** What a guide is weighed by that somebody has just written, or made of keys: the usual, and a name from two independent characters on. */
export const USUAL_SETTINGS: Settings = {
  ...{ reliability: 0.92, slip: 0.004, tail: 0.02, outside: 0.02, secondLook: 0.7, unrecorded: 0.02, danger: 0.005, fit: 0.02 },
  call: { posterior: 0.95, groups: 2, survives: 0.8, inFavour: 0.5, facetGroups: 1, school: 'weigh' },
};
