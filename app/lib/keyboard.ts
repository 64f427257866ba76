/** Hear every key that is pressed; gives what ends it. */
export function listenToKeys(press: (event: KeyboardEvent) => void): () => void {
  // Where there is no browser there are no keys.
  if (typeof HTMLElement === 'undefined') return () => undefined;
  window.addEventListener('keydown', press);
  return () => window.removeEventListener('keydown', press);
}

/** A letter, digit or sign by itself; such keys can be switched off. */
export const isSingle = ({ key }: KeyboardEvent): boolean => key.length === 1 && key !== ' ';

/** Is the person writing in a field? Then its keys are its own. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

/** Which way an arrow key goes: x to the right, y down. */
export const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
