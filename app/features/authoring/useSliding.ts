import { useRef } from 'react';

interface Wheel {
  deltaX: number;
  deltaY: number;
}
interface Touch {
  nativeEvent: { pageX: number; pageY: number };
}

/**
 * Sideways by wheel or by finger, in whole steps: what is left of one counts for the next. Up and down is left to whatever
 * scrolls so.
 *
 * @param step pixels of one.
 * @returns what the element is given.
 */
export function useSliding(step: number, onSlide: (steps: number) => void) {
  const left = useRef(0);
  const finger = useRef<{ x: number; y: number }>(undefined);
  const by = (dx: number, dy: number) => {
    if (Math.abs(dx) <= Math.abs(dy)) return;
    left.current += dx;
    const steps = Math.trunc(left.current / step);
    if (!steps) return;
    left.current -= steps * step;
    onSlide(steps);
  };
  return {
    onWheel: ({ deltaX, deltaY }: Wheel) => by(deltaX, deltaY),
    onTouchStart({ nativeEvent: { pageX, pageY } }: Touch) {
      left.current = 0;
      finger.current = { x: pageX, y: pageY };
    },
    onTouchMove({ nativeEvent: { pageX, pageY } }: Touch) {
      const before = finger.current ?? { x: pageX, y: pageY };
      finger.current = { x: pageX, y: pageY };
      by(before.x - pageX, before.y - pageY);
    },
  };
}
