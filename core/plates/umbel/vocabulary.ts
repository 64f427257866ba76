import type { Vocabulary } from '../vocabulary';

/** What a umbel plant is drawn from: each trait with its words, or the numbers it can be drawn with. */
export const UMBEL_TRAITS = {
  height: { from: 2, to: 1000 },
  'leaflet-ratio': { from: 0.1, to: 1.2 },
  'leaf-division': ['once', 'twice', 'thrice'],
  'leaflet-shape': ['wedge', 'oval', 'lance'],
  'leaflet-edge': ['toothed', 'lobed', 'entire'],
  'leaf-tint': ['dark', 'fresh', 'bluish'],
  'leaf-sheath': ['narrow', 'inflated'],
  'stem-section': ['hollow', 'chambered', 'solid'],
  'stem-surface': ['smooth', 'grooved', 'bristly'],
  'stem-marks': ['none', 'flushed', 'blotched'],
  rays: { from: 1, to: 60 },
  'ray-spread': ['domed', 'flat', 'ball'],
  bracts: ['none', 'few', 'many'],
  bracteoles: ['none', 'one-sided', 'all-round'],
  'outer-petals': ['equal', 'enlarged'],
  'petal-colour': ['white', 'yellow', 'pink', 'greenish'],
  'petal-tip': ['flat', 'notched', 'curled'],
  'fruit-ratio': { from: 0.5, to: 4 },
  'fruit-ribs': ['faint', 'ridged', 'winged'],
  'fruit-coat': ['bare', 'bristly', 'hooked'],
  'fruit-styles': ['short', 'long'],
  'fruit-tint': ['brown', 'green', 'purple'],
  bears: ['leaves', 'flowers', 'fruits'],
} as const satisfies Vocabulary;
