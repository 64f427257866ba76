import type { Protocol } from '@plesion/core/guide';
import { lengthOf, ratioOf } from '../protocols';

/** How each measured character is taken on a photo. */
export const protocols: Record<string, Protocol> = {
  'wing-chord': lengthOf('hand', ['wrist of the closed wing', 'tip of the longest primary']),
  'bill-ratio': ratioOf(
    'perched',
    ['where the bill meets the feathers', 'tip of the bill'],
    ['where the bill meets the feathers', 'back of the head'],
  ),
  'bill-depth': ratioOf(
    'perched',
    ['upper edge of the bill at its base', 'lower edge at its base'],
    ['where the bill meets the feathers', 'tip of the bill'],
  ),
  'leg-ratio': ratioOf(
    'perched',
    ['bend of the leg', 'where the toes begin'],
    ['where the bill meets the feathers', 'tip of the bill'],
  ),
  'fork-ratio': ratioOf(
    'below',
    ['middle of the tail’s end', 'level of the outer tips, on the midline'],
    ['root of the tail', 'level of the outer tips, on the midline'],
  ),
  'wing-ratio': ratioOf(
    'below',
    ['wrist', 'tip of the wing'],
    ['front edge of the inner wing, half-way', 'hind edge of the inner wing there'],
  ),
  'primary-gap': lengthOf('hand', ['tip of the longest primary', 'tip of the next']),
  'tail-reach': {
    view: 'perched',
    landmarks: [
      { id: 'tail', label: 'tip of the tail', kind: 'point' },
      { id: 'wing', label: 'tip of the wing', kind: 'point' },
      { id: 'bill', label: 'where the bill meets the feathers', kind: 'point' },
      { id: 'bill-tip', label: 'tip of the bill', kind: 'point' },
    ],
    quantity: {
      id: 'value',
      kind: 'reach',
      tip: 'tail',
      past: 'wing',
      from: 'bill',
      to: 'wing',
      denominator: { points: ['bill', 'bill-tip'] },
    },
    states: [
      { state: 'short', to: -0.12 },
      { state: 'level', from: -0.2, to: 0.2 },
      { state: 'beyond', from: 0.12 },
    ],
  },
};
