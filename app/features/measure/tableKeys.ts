import { ARROWS } from '../../lib/keyboard';

/** What a key does on the table. */
export type TableKey =
  | { kind: 'move'; by: [number, number] }
  | { kind: 'zoom'; by: number }
  | { kind: 'fit' }
  | { kind: 'set' }
  | { kind: 'free' }
  | { kind: 'next' | 'previous' }
  | { kind: 'take' }
  | { kind: 'undo' | 'redo' };

/** Arrows move by a pixel of the photo, with Shift by ten. Tab is left alone: it leaves the table. */
export function tableKey(
  event: Pick<KeyboardEvent, 'key' | 'shiftKey' | 'ctrlKey' | 'metaKey' | 'altKey'>,
): TableKey | undefined {
  const { key, shiftKey, ctrlKey, metaKey, altKey } = event;
  if (ctrlKey || metaKey) {
    if (key.toLowerCase() === 'z') return { kind: shiftKey ? 'redo' : 'undo' };
    return key.toLowerCase() === 'y' ? { kind: 'redo' } : undefined;
  }
  if (altKey) return undefined;
  const arrow = ARROWS[key];
  if (arrow) return { kind: 'move', by: [arrow[0] * (shiftKey ? 10 : 1), arrow[1] * (shiftKey ? 10 : 1)] };
  switch (key) {
    case 'Enter':
    case ' ':
      return { kind: 'set' };
    case '+':
    case '=':
      return { kind: 'zoom', by: 1.5 };
    case '-':
      return { kind: 'zoom', by: 1 / 1.5 };
    case '0':
      return { kind: 'fit' };
    case 'Escape':
      return { kind: 'free' };
    case 'PageDown':
      return { kind: 'next' };
    case 'PageUp':
      return { kind: 'previous' };
    case 'Delete':
    case 'Backspace':
      return { kind: 'take' };
    default:
      return undefined;
  }
}

/** The keys of the table, for the help. */
export const TABLE_KEYS: [keys: string, does: string][] = [
  ['arrows', 'move the cross-hair, or the point that is held, by one pixel; with Shift by ten'],
  ['Enter', 'set a point at the cross-hair'],
  ['Page Up, Page Down', 'hold the point before or after'],
  ['Esc', 'let go of the point'],
  ['Delete', 'take the point away'],
  ['+  −  0', 'nearer, farther, all of the photo'],
  ['Ctrl Z, Ctrl Y', 'undo, redo'],
];
