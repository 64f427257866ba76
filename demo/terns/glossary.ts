import type { Guide } from '@plesion/core/guide';

/** Words of the tern guide, each with a drawing where a state shows it. */
export const glossary: NonNullable<Guide['glossary']> = [
  {
    id: 'primaries',
    term: 'primaries',
    also: ['primary', 'hand feathers'],
    text: 'The ten long flight feathers of the hand. The outermost is the longest here; they are replaced from the inside outwards.',
    figure: { character: 'primary-tips', states: ['wedge'] },
  },
  {
    id: 'secondaries',
    term: 'secondaries',
    also: ['inner wing'],
    text: 'The flight feathers of the arm, between the wrist and the body.',
    figure: { character: 'secondaries', states: ['dark'] },
  },
  {
    id: 'wrist',
    term: 'wrist',
    also: ['bend of the wing', 'carpal'],
    text: 'Where arm and hand meet: the foremost point of a folded wing, near the breast.',
    figure: { character: 'carpal-bar', states: ['bold'] },
  },
  {
    id: 'wing-chord',
    term: 'wing chord',
    text: 'The length of the closed wing from the wrist to the tip of the longest primary, its natural curve left in it.',
    figure: { view: 'perched', part: 'primaries' },
  },
  {
    id: 'streamers',
    term: 'streamers',
    also: ['streamer'],
    text: 'The outermost tail feathers, drawn out to a point. They break, and grow back late in summer.',
    figure: { character: 'tail-reach', states: ['beyond'] },
  },
  {
    id: 'fork',
    term: 'fork',
    text: 'The notch between the outer and the middle tail feathers.',
    figure: { character: 'tail-reach', states: ['level'] },
  },
  {
    id: 'cap',
    term: 'cap',
    text: 'The black of forehead, crown and nape in breeding dress.',
    figure: { character: 'cap', states: ['full', 'receding'] },
  },
  {
    id: 'mane',
    term: 'mane',
    also: ['crest'],
    text: 'Loose long feathers behind the crown, raised in excitement.',
    figure: { character: 'nape', states: ['shaggy'] },
  },
  {
    id: 'saddle',
    term: 'saddle',
    also: ['mantle', 'back'],
    text: 'The feathers between the wings and those of the shoulder that lie over them.',
    figure: { character: 'saddle', states: ['scaly'] },
  },
  {
    id: 'moult',
    term: 'moult',
    also: ['in moult'],
    text: 'The change of feathers. In the hand it shows as a gap with a half-grown feather beside it, which moves outwards over the weeks.',
    figure: { character: 'moult', states: ['inner', 'outer'] },
  },
  {
    id: 'window',
    term: 'window',
    text: 'Feathers that let the light through when the bird is between you and the sky.',
    figure: { character: 'light-window', states: ['inner'] },
  },
  {
    id: 'wedge',
    term: 'wedge',
    text: 'A dark mark that widens towards the wing tip.',
    figure: { character: 'primary-tips', states: ['wedge'] },
  },
  {
    id: 'mask',
    term: 'mask',
    text: 'A dark patch through and behind the eye that does not meet over the crown.',
    figure: { character: 'cap', states: ['mask'] },
  },
  {
    id: 'brood-patch',
    term: 'brood patch',
    text: 'Bare skin on the belly of a bird that warms eggs. A bird that leaves its eggs to others never has it.',
    figure: { view: 'perched', part: 'underparts' },
  },
];
