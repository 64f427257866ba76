import { useShortcuts } from '../../ui/useShortcuts';

/** What each key does on the wide screen, as the help shows it. */
export const WALK_KEYS: [keys: string, what: string][] = [
  ['A  B  C', 'take that lead'],
  ['J  K', 'next and previous statement'],
  ['F', 'the statement fits'],
  ['D', 'it does not'],
  ['P', 'in part'],
  ['V', 'can’t see it'],
  ['S', 'how sure the decision is'],
  ['Q', 'can’t decide: both ways'],
  ['[  ]', 'back and forth along the way'],
  ['1 … 9', 'specimen of a lot'],
  ['U', 'undo; with Shift, redo'],
  ['W', 'write it down'],
  ['?', 'show or hide these keys'],
];

/** The walk by keyboard: what to do for a key, where there is anything. */
export const useWalkKeys = (act: (key: string, shift: boolean) => (() => void) | undefined): void =>
  useShortcuts((event) => act(event.key.length === 1 ? event.key.toLowerCase() : event.key, event.shiftKey));
