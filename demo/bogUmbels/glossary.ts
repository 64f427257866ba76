import type { Guide } from '@plesion/core/guide';

/** Words of the umbel guide, each with a drawing where a state shows it. */
export const glossary: NonNullable<Guide['glossary']> = [
  {
    id: 'umbel',
    term: 'umbel',
    also: ['umbels'],
    text: 'A head of flowers whose stalks all begin at one point.',
    figure: { character: 'ray-spread', states: ['flat', 'ball'] },
  },
  {
    id: 'umbellet',
    term: 'umbellet',
    also: ['umbellets'],
    text: 'One of the small umbels that stand on the ends of the rays.',
    figure: { character: 'outer-petals', states: ['equal'] },
  },
  {
    id: 'ray',
    term: 'ray',
    also: ['rays'],
    text: 'A stalk of the umbel, from its foot to an umbellet.',
    figure: { character: 'ray-spread', states: ['domed'] },
  },
  {
    id: 'bract',
    term: 'bract',
    also: ['bracts'],
    text: 'A leaf-like point under the umbel, where the rays begin.',
    figure: { character: 'bracts', states: ['few', 'many'] },
  },
  {
    id: 'bracteole',
    term: 'bracteole',
    also: ['bracteoles'],
    text: 'The same under an umbellet.',
    figure: { character: 'bracteoles', states: ['one-sided', 'all-round'] },
  },
  {
    id: 'leaflet',
    term: 'leaflet',
    also: ['leaflets'],
    text: 'The last undivided piece of a divided leaf.',
    figure: { character: 'leaflet-shape', states: ['oval', 'lance'] },
  },
  {
    id: 'sheath',
    term: 'sheath',
    also: ['foot of the leaf stalk'],
    text: 'The widened foot of a leaf stalk, which clasps the stem.',
    figure: { character: 'leaf-sheath', states: ['inflated'] },
  },
  {
    id: 'rib',
    term: 'rib',
    also: ['ribs', 'ridges'],
    text: 'A line that stands out along the fruit; drawn out flat it is a wing.',
    figure: { character: 'fruit-ribs', states: ['ridged', 'winged'] },
  },
  {
    id: 'style',
    term: 'style',
    also: ['styles'],
    text: 'One of the two threads on top of the fruit.',
    figure: { character: 'fruit-styles', states: ['short', 'long'] },
  },
  {
    id: 'chambered',
    term: 'chambered',
    also: ['walls across'],
    text: 'Hollow, and parted by thin walls.',
    figure: { character: 'stem-section', states: ['chambered'] },
  },
  {
    id: 'blotched',
    term: 'blotched',
    also: ['blotches'],
    text: 'With sharply bounded purple spots, which water does not wash off.',
    figure: { character: 'stem-marks', states: ['blotched'] },
  },
];
