/** Milliseconds after which it is done in any case. */
const LATEST = 4_000;

/**
 * What can wait until the browser has nothing else to do.
 *
 * @returns gives it up, as long as it has not begun.
 */
export function whenIdle(act: () => void): () => void {
  if (typeof requestIdleCallback === 'function') {
    const asked = requestIdleCallback(act, { timeout: LATEST });
    return () => cancelIdleCallback(asked);
  }
  const timer = setTimeout(act, LATEST);
  return () => clearTimeout(timer);
}
