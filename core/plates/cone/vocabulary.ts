import type { Vocabulary } from '../vocabulary';

/** What a shell is drawn from: each trait with its words, or the numbers it can be drawn with. */
export const CONE_TRAITS = {
  'shell-length': { from: 5, to: 400 },
  'outline-ratio': { from: 0.2, to: 1.2 },
  'spire-angle': { from: 40, to: 170 },
  'spire-outline': ['straight', 'hollow', 'domed'],
  shoulder: ['rounded', 'angled', 'knobbed'],
  sides: ['straight', 'swollen', 'waisted'],
  'aperture-ratio': { from: 0.04, to: 0.5 },
  'base-cords': { from: 0, to: 20 },
  'base-notch': ['deep', 'shallow'],
  pattern: ['plain', 'tents', 'dots', 'bands', 'flames'],
  'tent-size': ['fine', 'coarse'],
  'dark-bands': { from: 0, to: 12 },
  'spire-blotches': ['none', 'few', 'many'],
  'ground-colour': ['cream', 'white', 'rose', 'olive'],
  'pattern-colour': ['orange', 'chestnut', 'black'],
  'aperture-colour': ['white', 'orange', 'violet', 'rose'],
  'base-stain': ['none', 'rose', 'dark'],
  coat: ['bare', 'thin', 'thick'],
  'shell-wear': ['worn', 'fresh', 'crusted'],
  siphon: ['plain', 'banded', 'red-tipped'],
} as const satisfies Vocabulary;
