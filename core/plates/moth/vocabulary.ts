import type { Vocabulary } from '../vocabulary';

/** What a moth is drawn from: each trait with its words, or the numbers it can be drawn with. */
export const MOTH_TRAITS = {
  'wing-length': { from: 4, to: 120 },
  'wing-ratio': { from: 1, to: 3.2 },
  'antenna-ratio': { from: 0.1, to: 1 },
  'band-ratio': { from: 0.03, to: 0.6 },
  'wing-tip': ['rounded', 'pointed', 'hooked'],
  'wing-edge': ['notched', 'even', 'wavy'],
  'ground-colour': ['pale', 'ochre', 'umber', 'smoke'],
  midband: ['straight', 'none', 'angled'],
  lantern: ['none', 'round', 'comma', 'ring'],
  'lantern-colour': ['white', 'red', 'amber'],
  'outer-line': ['none', 'single', 'double'],
  'hind-colour': ['rose', 'grey', 'buff', 'amber'],
  'hind-border': ['none', 'narrow', 'broad'],
  antenna: ['thread', 'saw', 'feather'],
  collar: ['pale', 'plain', 'banded'],
  abdomen: ['plain', 'ringed'],
  'tail-tuft': ['short', 'long', 'none'],
  fringe: ['plain', 'chequered'],
  'rest-posture': ['flat', 'roof', 'rolled'],
} as const satisfies Vocabulary;
