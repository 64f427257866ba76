import { placesOf } from '../places';

/** Where on a tent cone each trait shows. */
export const CONE_PLACES = placesOf({
  back: {
    shell: 'shell-length shell-wear outline-ratio sides dark-bands ground-colour coat',
    spire: 'spire-angle spire-outline spire-blotches',
    shoulder: 'shoulder',
    base: 'base-notch base-cords base-stain',
    body: 'pattern tent-size pattern-colour',
    siphon: 'siphon',
  },
  aperture: {
    aperture: 'aperture-ratio aperture-colour',
  },
});
