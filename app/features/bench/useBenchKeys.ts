import { useEffect } from 'react';
import { isTyping } from '../../lib/keyboard';

export interface BenchKeys {
  choose: (step: 1 | -1) => void;
  state: (number: number) => void;
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
  ['1 … 9', 'choose the state with that number'],
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
export function useBenchKeys(keys: BenchKeys, active: boolean): void {
  useEffect(() => {
    if (!active) return undefined;
    const press = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const act = actionOf(event, keys);
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [keys, active]);
}

function actionOf(event: KeyboardEvent, keys: BenchKeys): (() => void) | undefined {
  if (/^[1-9]$/.test(event.key)) return () => keys.state(Number(event.key));
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
    case 'backspace':
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
