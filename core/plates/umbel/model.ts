import { traitReader, type Traits } from '../traits';

/** Everything an umbel's drawing depends on, from its traits. Lengths as their characters say. */
export interface UmbelModel {
  /** Centimetres. */
  height: number;
  /** Width ÷ length of the end leaflet. */
  leafletRatio: number;
  division: 'once' | 'twice' | 'thrice';
  leaflet: 'oval' | 'wedge' | 'lance';
  edge: 'entire' | 'toothed' | 'lobed';
  leafTint: keyof typeof GREENS;
  sheath: 'narrow' | 'inflated';
  section: 'hollow' | 'chambered' | 'solid';
  surface: 'smooth' | 'grooved' | 'bristly';
  marks: 'none' | 'flushed' | 'blotched';
  rays: number;
  spread: 'flat' | 'domed' | 'ball';
  bracts: 'none' | 'few' | 'many';
  bracteoles: 'none' | 'one-sided' | 'all-round';
  outerPetals: 'equal' | 'enlarged';
  petals: keyof typeof PETALS;
  petalTip: 'flat' | 'notched' | 'curled';
  /** Length ÷ width. */
  fruitRatio: number;
  ribs: 'faint' | 'ridged' | 'winged';
  coat: 'bare' | 'bristly' | 'hooked';
  styles: 'short' | 'long';
  fruitTint: keyof typeof FRUITS;
  bears: 'leaves' | 'flowers' | 'fruits';
}

/** Upper side and shade of a leaf. */
export const GREENS = {
  fresh: { leaf: '#B4C79A', stem: '#A9BD92' },
  dark: { leaf: '#7F9A78', stem: '#8DA584' },
  bluish: { leaf: '#AFC4BC', stem: '#B6CAC2' },
} as const;

export const PETALS = { white: '#FDFCF8', pink: '#F0C9CF', yellow: '#F0DC8A', greenish: '#DCE5BE' } as const;
export const FRUITS = { green: '#B9C48D', brown: '#C49A6C', purple: '#8E6F86' } as const;
export const FLUSH = '#8B3F55';

/** Characters of a guide with this body plan, by the id they must have to be drawn. */
export function umbelModel(traits: Traits): UmbelModel {
  const { word, number } = traitReader(traits);
  return {
    height: number('height', 80),
    leafletRatio: number('leaflet-ratio', 0.42),
    division: word('leaf-division', 'twice'),
    leaflet: word('leaflet-shape', 'oval'),
    edge: word('leaflet-edge', 'toothed'),
    leafTint: word('leaf-tint', 'fresh'),
    sheath: word('leaf-sheath', 'narrow'),
    section: word('stem-section', 'hollow'),
    surface: word('stem-surface', 'smooth'),
    marks: word('stem-marks', 'none'),
    rays: number('rays', 12),
    spread: word('ray-spread', 'domed'),
    bracts: word('bracts', 'none'),
    bracteoles: word('bracteoles', 'all-round'),
    outerPetals: word('outer-petals', 'equal'),
    petals: word('petal-colour', 'white'),
    petalTip: word('petal-tip', 'notched'),
    fruitRatio: number('fruit-ratio', 1.5),
    ribs: word('fruit-ribs', 'ridged'),
    coat: word('fruit-coat', 'bare'),
    styles: word('fruit-styles', 'short'),
    fruitTint: word('fruit-tint', 'green'),
    bears: word('bears', 'flowers'),
  };
}
