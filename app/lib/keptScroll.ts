import { useEffect, useRef } from 'react';
import type { ScrollView } from 'react-native';

/** How long a page that one comes back to may take to be long enough again. */
const PATIENCE = 4_000;

/** How far each page was scrolled when it was left, by its address. */
const left = new Map<string, number>();

let cameBack = false;
if (typeof window !== 'undefined' && typeof window.addEventListener === 'function') {
  window.addEventListener('popstate', () => {
    cameBack = true;
    // A move by a link or a button is told by nothing but the absence of this.
    setTimeout(() => (cameBack = false), 1_000);
  });
}

/** A scrolled page that, when one comes back to it, stands where it was left. */
export function useKeptScroll() {
  const view = useRef<ScrollView>(null);
  useEffect(() => {
    const element = (view.current as unknown as { getScrollableNode?: () => HTMLElement } | null)?.getScrollableNode?.();
    if (typeof HTMLElement === 'undefined' || !(element instanceof HTMLElement)) return;
    const address = window.location.pathname;
    const goal = cameBack ? left.get(address) : undefined;
    const keep = () => left.set(address, element.scrollTop);
    let growth: ResizeObserver | undefined;
    if (goal) {
      const until = Date.now() + PATIENCE;
      const settle = () => {
        element.scrollTop = goal;
        if (Math.abs(element.scrollTop - goal) < 2 || Date.now() > until) growth?.disconnect();
      };
      growth = new ResizeObserver(settle);
      for (const child of element.children) growth.observe(child);
      settle();
    }
    element.addEventListener('scroll', keep, { passive: true });
    return () => {
      growth?.disconnect();
      element.removeEventListener('scroll', keep);
    };
  }, []);
  return view;
}
