import { placesOf } from '../places';

/** Where on a moth each trait shows. */
export const MOTH_PLACES = placesOf({
  spread: {
    antenna: 'antenna antenna-ratio',
    'fore-wing': 'wing-length wing-ratio wing-tip wing-edge ground-colour',
    tuft: 'tail-tuft',
    lantern: 'lantern lantern-colour',
    midband: 'midband band-ratio',
    'outer-line': 'outer-line',
    'hind-wing': 'hind-border hind-colour',
    abdomen: 'abdomen',
    collar: 'collar',
    fringe: 'fringe',
  },
  rest: {
    rest: 'rest-posture',
  },
});
