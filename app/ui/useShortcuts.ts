import { useLayoutEffect, useRef } from 'react';
import { isSingle, isTyping, listenToKeys } from '../lib/keyboard';
import { useAppearance } from '../theme/appearance';

/**
 * The keys of a screen. They are not heard while somebody writes in a field, where a
 * part of the page has taken the key for itself, or, those of one letter, where they are switched off.
 *
 * @param actionOf what a key does; undefined where it does nothing here.
 */
export function useShortcuts(actionOf: (event: KeyboardEvent) => (() => void) | undefined): void {
  const { shortcuts } = useAppearance();
  const act = useRef(actionOf);
  // Before the new page is seen: who presses at the sight of it must not be heard by what stood there before.
  useLayoutEffect(() => {
    act.current = actionOf;
  }, [actionOf]);
  useLayoutEffect(
    () =>
      listenToKeys((event) => {
        if (event.defaultPrevented || isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
        if (shortcuts === 'off' && isSingle(event)) return;
        const action = act.current(event);
        if (!action) return;
        event.preventDefault();
        action();
      }),
    [shortcuts],
  );
}
