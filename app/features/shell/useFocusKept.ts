import { useEffect } from 'react';
import { focusOn } from '../../ui/PageHeading';

const HEADINGS = 'h1, h2, h3, [role=heading]';

/** Milliseconds in which whoever has a place for the focus puts it there. */
const PAUSE = 60;

/**
 * Where what one was at is taken away or put out of use (a row that is removed, a button that has done its work, a look
 * that makes way for the next), the focus goes to the heading of what it stood in, and does not fall to nowhere.
 * Whoever has a place for it does so first. Nothing is scrolled, and no field is put in focus, which would bring up
 * a phone's letters.
 */
export function useFocusKept(): void {
  useEffect(() => {
    if (typeof document === 'undefined') return undefined;
    /** What has the focus, and what it stands in, from the inside out. */
    let stood: Element[] = [];
    let timer: ReturnType<typeof setTimeout> | undefined;
    const come = ({ target }: FocusEvent) => {
      stood = [];
      for (let at = target instanceof Element ? target : null; at && at !== document.body; at = at.parentElement) stood.push(at);
    };
    const keep = () => {
      if (!isLost(stood) || document.activeElement !== document.body) return;
      const heading = headingOf(stood.filter((one) => one.isConnected));
      stood = [];
      if (heading) focusOn(heading, { preventScroll: true });
    };
    const observer = new MutationObserver(() => {
      if (!isLost(stood)) return;
      clearTimeout(timer);
      timer = setTimeout(keep, PAUSE);
    });
    observer.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] });
    document.addEventListener('focusin', come, true);
    return () => {
      observer.disconnect();
      clearTimeout(timer);
      document.removeEventListener('focusin', come, true);
    };
  }, []);
}

/** Is what had the focus gone, or can it have it no more? */
const isLost = ([at]: readonly Element[]): boolean => at !== undefined && (!at.isConnected || at.matches(':disabled'));

/** The first heading in the nearest that has one. */
function headingOf(around: readonly Element[]): HTMLElement | null {
  for (const one of around) {
    const heading = one.querySelector<HTMLElement>(HEADINGS);
    if (heading) return heading;
  }
  return null;
}
