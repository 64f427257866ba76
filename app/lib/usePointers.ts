import type { PixelPoint } from '@plesion/core/measure';
import { type RefObject, useEffect, useRef } from 'react';

/** What fingers, mouse and wheel do, in pixels from the upper left of the surface. */
export interface Pointers {
  /** One finger, or the mouse, goes down; `aside` with another than the main button. */
  onBegin: (at: PixelPoint, aside: boolean) => void;
  onDrag: (at: PixelPoint, by: PixelPoint) => void;
  /** It goes up; `cancelled` where a second finger came or the browser took it away. */
  onEnd: (at: PixelPoint, cancelled: boolean) => void;
  /** Two fingers: how much farther apart, about which place, and how far they went together. */
  onPinch: (factor: number, about: PixelPoint, by: PixelPoint) => void;
  onWheel: (by: PixelPoint, at: PixelPoint, sideways: boolean) => void;
}

/** Listens to pointers on a surface; what hears them may change with every draw. */
export function usePointers(surface: RefObject<HTMLElement | null>, pointers: Pointers): void {
  const hearing = useRef(pointers);
  useEffect(() => {
    hearing.current = pointers;
  });
  useEffect(() => {
    const element = surface.current;
    return element ? listen(element, () => hearing.current) : undefined;
  }, [surface]);
}

const middle = (a: PixelPoint, b: PixelPoint): PixelPoint => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
const apart = (a: PixelPoint, b: PixelPoint): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

function listen(element: HTMLElement, heard: () => Pointers): () => void {
  const down = new Map<number, PixelPoint>();
  let single: number | undefined;
  const placeOf = ({ clientX, clientY }: MouseEvent): PixelPoint => {
    const { left, top } = element.getBoundingClientRect();
    return [clientX - left - element.clientLeft, clientY - top - element.clientTop];
  };
  const begin = (event: PointerEvent) => {
    element.focus({ preventScroll: true });
    element.setPointerCapture(event.pointerId);
    event.preventDefault();
    const at = placeOf(event);
    down.set(event.pointerId, at);
    if (down.size === 1) {
      single = event.pointerId;
      heard().onBegin(at, event.button !== 0);
    } else if (single !== undefined) {
      heard().onEnd(down.get(single) ?? at, true);
      single = undefined;
    }
  };
  const go = (event: PointerEvent) => {
    const before = down.get(event.pointerId);
    if (!before) return;
    const at = placeOf(event);
    const others = [...down].filter(([id]) => id !== event.pointerId);
    down.set(event.pointerId, at);
    if (event.pointerId === single) heard().onDrag(at, [at[0] - before[0], at[1] - before[1]]);
    else if (others.length === 1) {
      const [, other] = others[0];
      const [from, to] = [middle(before, other), middle(at, other)];
      heard().onPinch(apart(at, other) / Math.max(1, apart(before, other)), to, [to[0] - from[0], to[1] - from[1]]);
    }
  };
  const end = (event: PointerEvent) => {
    if (!down.delete(event.pointerId)) return;
    if (event.pointerId !== single) return;
    single = undefined;
    heard().onEnd(placeOf(event), event.type === 'pointercancel');
  };
  const wheel = (event: WheelEvent) => {
    event.preventDefault();
    heard().onWheel([event.deltaX, event.deltaY], placeOf(event), event.shiftKey);
  };
  const noMenu = (event: Event) => event.preventDefault();
  element.addEventListener('pointerdown', begin);
  element.addEventListener('pointermove', go);
  element.addEventListener('pointerup', end);
  element.addEventListener('pointercancel', end);
  element.addEventListener('wheel', wheel, { passive: false });
  element.addEventListener('contextmenu', noMenu);
  return () => {
    element.removeEventListener('pointerdown', begin);
    element.removeEventListener('pointermove', go);
    element.removeEventListener('pointerup', end);
    element.removeEventListener('pointercancel', end);
    element.removeEventListener('wheel', wheel);
    element.removeEventListener('contextmenu', noMenu);
  };
}
