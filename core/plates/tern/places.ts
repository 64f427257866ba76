import { placesOf } from '../places';

/** Where on a tern each trait shows. */
export const TERN_PLACES = placesOf({
  perched: {
    primaries: 'wing-chord',
    bill: 'bill-ratio bill-depth bill-shape bill-colour bill-tip',
    legs: 'leg-ratio leg-colour',
    crest: 'nape',
    'tail-tip': 'tail-reach',
    saddle: 'saddle saddle-tint',
    cap: 'cap',
    'carpal-bar': 'carpal-bar',
    mantle: 'mantle-tone',
    underparts: 'underparts',
  },
  below: {
    fork: 'fork-ratio',
    primaries: 'wing-ratio moult primary-tips',
    'light-window': 'light-window',
    secondaries: 'secondaries',
    tail: 'tail-edge',
  },
  'head-on': {
    wings: 'wing-posture',
  },
});
