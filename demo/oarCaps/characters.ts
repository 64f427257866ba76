import type { Character, Tile } from '@plesion/core/guide';
import { character, inHand, measured } from '../scoring';

type States = NonNullable<Character['states']>;

/** States with their tiles: nobody has drawn a body plan for caps, so each says what it looks like. */
const states = (...all: [id: string, label: string, tile: Tile][]): States =>
  all.map(([id, label, tile]) => ({ id, label, tile }));

const PLAIN = '#d9c9a3';
const top = (tile: Partial<Extract<Tile, { draw: 'blade' }>>): Tile => ({
  draw: 'blade',
  outline: 'orbicular',
  colour: PLAIN,
  ...tile,
});
const cap = (tile: Partial<Extract<Tile, { draw: 'cap' }>>): Tile => ({ draw: 'cap', profile: 'convex', colour: PLAIN, ...tile });
const paint = (...colours: string[]): Tile => ({ draw: 'swatch', colours });
/** A colour of the whole cap. */
const whole = (colour: string): Tile => ({ draw: 'swatch', colours: [colour], paints: true });

export const characters: Character[] = [
  character({
    id: 'profile',
    label: 'Cap from the side',
    kind: 'nominal',
    group: 'shape',
    views: ['side'],
    help: 'Of a grown one: all are domed when young.',
    states: states(
      ['convex', 'domed', cap({})],
      ['umbonate', 'with a boss', cap({ profile: 'umbonate' })],
      ['flat', 'flat', cap({ profile: 'flat' })],
      ['funnel', 'a funnel', cap({ profile: 'funnel' })],
    ),
  }),
  character({
    id: 'stalk',
    label: 'Stalk',
    kind: 'nominal',
    group: 'shape',
    views: ['side'],
    help: 'Dig it out whole: what tells most lies under the leaves.',
    ...inHand,
    states: states(
      ['straight', 'straight', cap({ stalk: 'straight' })],
      ['ringed', 'with a ring', cap({ stalk: 'ringed' })],
      ['bulbous', 'swollen below', cap({ stalk: 'bulbous' })],
      ['tapering', 'tapering to a root', cap({ stalk: 'tapering' })],
    ),
  }),
  character({
    id: 'stalk-length',
    label: 'Stalk beside the width of the cap',
    kind: 'ordered',
    group: 'shape',
    views: ['side'],
    states: states(
      ['shorter', 'shorter', { draw: 'bars', lengths: [0.6, 1] }],
      ['alike', 'about as long', { draw: 'bars', lengths: [1, 1] }],
      ['longer', 'much longer', { draw: 'bars', lengths: [1.8, 1] }],
    ),
  }),
  character({
    id: 'under',
    label: 'Under the cap',
    kind: 'nominal',
    group: 'shape',
    views: ['below', 'side'],
    ...inHand,
    states: states(
      ['gills', 'gills', cap({ under: 'gills' })],
      ['pores', 'pores', cap({ under: 'pores' })],
      ['spines', 'spines', cap({ under: 'spines' })],
    ),
  }),
  character({
    id: 'skin',
    label: 'Skin of the cap',
    kind: 'nominal',
    group: 'pattern',
    views: ['above', 'side'],
    dependence: 'cap-skin',
    states: states(
      ['smooth', 'smooth', top({ surface: 'smooth' })],
      ['downy', 'downy', top({ surface: 'downy' })],
      ['scaly', 'scaly', top({ surface: 'scaly' })],
      ['warty', 'with warts', top({ surface: 'warty' })],
    ),
  }),
  character({
    id: 'marks',
    label: 'Marks on the cap',
    kind: 'nominal',
    group: 'pattern',
    views: ['above', 'side'],
    dependence: 'cap-skin',
    states: states(
      ['none', 'none', top({})],
      ['spots', 'pale spots', top({ colour: '#a9572f', pattern: 'spotted', second: '#f4ecd8' })],
      ['rim', 'a dark rim', top({ pattern: 'edged', second: '#7a5a3a' })],
      ['eye', 'a dark middle', top({ pattern: 'centred', second: '#7a5a3a' })],
    ),
  }),
  character({
    id: 'margin',
    label: 'Edge of the cap',
    kind: 'nominal',
    group: 'shape',
    views: ['above'],
    states: states(
      ['even', 'even', top({ margin: 'entire' })],
      ['wavy', 'wavy', top({ margin: 'undulate' })],
      ['scalloped', 'scalloped', top({ margin: 'crenate' })],
      ['fringed', 'fringed', top({ margin: 'ciliate' })],
    ),
  }),
  character({
    id: 'colour',
    label: 'Colour of the cap',
    kind: 'nominal',
    group: 'colour',
    views: ['above', 'side'],
    needsLight: true,
    states: states(
      ['tawny', 'tawny', whole('#c28a3f')],
      ['brick', 'brick red', whole('#a9472f')],
      ['lilac', 'lilac grey', whole('#a79ab3')],
      ['ivory', 'ivory', whole('#efe6cd')],
      ['umber', 'umber', whole('#6b4a33')],
    ),
  }),
  character({
    id: 'cut',
    label: 'Flesh when cut',
    kind: 'nominal',
    group: 'colour',
    views: ['cut'],
    ...inHand,
    needsLight: true,
    seconds: 60,
    help: 'Cut it through from above and wait a minute.',
    states: states(
      ['unchanged', 'stays as it is', paint('#f2ead6')],
      ['reddens', 'turns red', paint('#f2ead6', '#c86a55')],
      ['blues', 'turns blue', paint('#f2ead6', '#5d7fa3')],
    ),
  }),
  character({
    id: 'print',
    label: 'Spore print',
    kind: 'nominal',
    group: 'colour',
    views: ['below'],
    ...measured,
    needsLight: true,
    seconds: 7200,
    reliability: 0.98,
    help: 'A cap laid on paper and glass under a bowl for some hours.',
    states: states(
      ['white', 'white', paint('#f7f4ea')],
      ['pink', 'pink', paint('#d9a09a')],
      ['rust', 'rust', paint('#a0552f')],
      ['black', 'black', paint('#2b2725')],
    ),
  }),
  character({
    ...{
      id: 'width',
      label: 'Width of the cap',
      kind: 'measurement',
      group: 'shape',
      views: ['above'],
      unit: 'mm',
      error: 2,
      log: true,
    },
    ...measured,
  }),
];
