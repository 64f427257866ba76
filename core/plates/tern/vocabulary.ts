import type { Vocabulary } from '../vocabulary';

/** What a tern is drawn from: each trait with its words, or the numbers it can be drawn with. */
export const TERN_TRAITS = {
  'wing-chord': { from: 90, to: 700 },
  'bill-ratio': { from: 0.3, to: 2 },
  'bill-depth': { from: 0.08, to: 0.7 },
  'leg-ratio': { from: 0.15, to: 1.5 },
  'fork-ratio': { from: 0, to: 0.9 },
  'wing-ratio': { from: 2, to: 6 },
  'bill-shape': ['straight', 'angled', 'drooped'],
  'bill-colour': ['orange', 'black', 'brown', 'yellow', 'red'],
  'bill-tip': ['pale', 'dark', 'same'],
  'leg-colour': ['orange', 'black', 'brown', 'yellow', 'red'],
  cap: ['full', 'white-forehead', 'receding', 'mask'],
  nape: ['smooth', 'shaggy'],
  'mantle-tone': ['pale', 'dark', 'mid'],
  saddle: ['plain', 'edged', 'scaly'],
  'saddle-tint': ['grey', 'buff', 'ginger'],
  'carpal-bar': ['faint', 'none', 'bold'],
  underparts: ['white', 'dark', 'grey', 'rosy'],
  'tail-reach': ['short', 'level', 'beyond'],
  'tail-edge': ['white', 'dark'],
  'primary-tips': ['none', 'line', 'wedge'],
  secondaries: ['pale', 'dark', 'grey'],
  'light-window': ['none', 'inner', 'all'],
  moult: ['middle', 'none', 'inner', 'outer'],
  'wing-posture': ['bowed', 'level', 'raised'],
} as const satisfies Vocabulary;
