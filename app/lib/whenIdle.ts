const LATEST = 4_000;

/**
 * What can wait until the browser has nothing else to do.
 *
 * @param latest milliseconds after which it is done in any case.
 * @returns gives it up, as long as it has not begun.
 */
export function whenIdle(act: () => void, latest = LATEST): () => void {
  if (typeof requestIdleCallback === 'function') {
    const asked = requestIdleCallback(act, { timeout: latest });
    return () => cancelIdleCallback(asked);
  }
  const timer = setTimeout(act, latest);
  return () => clearTimeout(timer);
}

/** The same, once what was asked for just now is painted. */
export function afterPaint(act: () => void, latest = LATEST): () => void {
  let forget = () => {};
  const frame = requestAnimationFrame(() => {
    forget = whenIdle(act, latest);
  });
  return () => {
    cancelAnimationFrame(frame);
    forget();
  };
}
