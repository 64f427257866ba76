import { useEffect, useRef } from 'react';
import type { View } from 'react-native';
import { focusOn } from './PageHeading';

/**
 * Of what somebody came for: once it is put up it is brought into sight, and takes the focus.
 *
 * @param within what in it takes the focus, where not itself: a CSS selector.
 */
export function useSought(sought: boolean, within?: string) {
  const ref = useRef<View>(null);
  useEffect(() => {
    const element = ref.current as unknown;
    if (!sought || typeof HTMLElement === 'undefined' || !(element instanceof HTMLElement)) return;
    element.scrollIntoView({ block: 'center' });
    if (!within) focusOn(element, { preventScroll: true });
    else element.querySelector<HTMLElement>(within)?.focus({ preventScroll: true });
  }, [sought, within]);
  return ref;
}
