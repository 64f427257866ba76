import { useShortcuts } from '../../ui/useShortcuts';

export interface BenchKeys {
  choose: (step: 1 | -1) => void;
  /** A digit: the state with that number, or the next figure of a count. */
  digit: (digit: number, at: number) => void;
  unseen: () => void;
  absent: () => void;
  certainty: () => void;
  clear: () => void;
  undo: () => void;
  redo: () => void;
  next: () => void;
  write: () => void;
  help: () => void;
}

/** What each key does, as the help shows it. */
export const KEY_HELP: [keys: string, what: string][] = [
  ['J  K', 'next and previous character'],
  ['1 … 9', 'choose the state with that number; digits of a count are the count'],
  ['N', 'not visible'],
  ['X', 'does not apply'],
  ['C', 'change how certain'],
  ['Delete', 'clear the reading'],
  ['Space', 'go to the look offered next'],
  ['U', 'undo; with Shift, redo'],
  ['W', 'write it down'],
  ['?', 'show or hide these keys'],
];

/** The bench by keyboard, forceps in the other hand. */
export const useBenchKeys = (keys: BenchKeys): void => useShortcuts((event) => actionOf(event, keys));

function actionOf(event: KeyboardEvent, keys: BenchKeys): (() => void) | undefined {
  if (/^[0-9]$/.test(event.key)) return () => keys.digit(Number(event.key), event.timeStamp);
  // A focused button keeps its own Space and Enter.
  if (event.key === ' ') return event.target instanceof HTMLElement && event.target !== document.body ? undefined : keys.next;
  switch (event.key.toLowerCase()) {
    case 'j':
    case 'arrowdown':
      return () => keys.choose(1);
    case 'k':
    case 'arrowup':
      return () => keys.choose(-1);
    case 'n':
      return keys.unseen;
    case 'x':
      return keys.absent;
    case 'c':
      return keys.certainty;
    case 'delete':
      return keys.clear;
    case 'u':
      return event.shiftKey ? keys.redo : keys.undo;
    case 'w':
      return keys.write;
    case '?':
      return keys.help;
    default:
      return undefined;
  }
}
