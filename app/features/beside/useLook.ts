import { type RefObject, useEffect, useRef } from 'react';
import { tableKey } from '../measure/tableKeys';
import { usePointers } from '../measure/usePointers';
import { fit, type Size, within, type View, zoomAt } from '../measure/view';

/** So far the arrows move what is seen, in pixels of the screen; ten of it with Shift. */
const STEP = 24;

export interface Look {
  view?: View;
  nearer: (factor: number) => void;
  all: () => void;
}

/** What is seen of a picture in a room: moved and enlarged by fingers, wheel and keys. */
export function useLook(
  surface: RefObject<HTMLElement | null>,
  picture: Size,
  room: Size | undefined,
  chosen: View | undefined,
  onView: (view: View | undefined) => void,
): Look {
  const view = room && (chosen ?? fit(picture, room));
  const change = (next: (view: View, room: Size) => View) => view && room && onView(next(view, room));
  const moved = ([dx, dy]: readonly [number, number]) =>
    change((so, size) => within({ ...so, x: so.x + dx, y: so.y + dy }, picture, size));
  usePointers(surface, {
    onBegin: () => undefined,
    onDrag: (_, by) => moved(by),
    onEnd: () => undefined,
    onPinch: (factor, about, [dx, dy]) =>
      change((so, size) => zoomAt(within({ ...so, x: so.x + dx, y: so.y + dy }, picture, size), factor, about, picture, size)),
    onWheel: ([dx, dy], at, sideways) =>
      sideways ? moved([-dx - dy, 0]) : change((so, size) => zoomAt(so, Math.exp(-dy / 300), at, picture, size)),
  });
  const nearer = (factor: number) =>
    change((so, size) => zoomAt(so, factor, [size.width / 2, size.height / 2], picture, size));
  const hear = (event: KeyboardEvent) => {
    const key = tableKey(event);
    if (key?.kind !== 'move' && key?.kind !== 'zoom' && key?.kind !== 'fit') return;
    event.preventDefault();
    event.stopPropagation();
    if (key.kind === 'zoom') nearer(key.by);
    else if (key.kind === 'fit') onView(undefined);
    else moved([-key.by[0] * STEP, -key.by[1] * STEP]);
  };
  const hearing = useRef(hear);
  useEffect(() => {
    hearing.current = hear;
  });
  useEffect(() => {
    const at = surface.current;
    const listen = (event: KeyboardEvent) => hearing.current(event);
    at?.addEventListener('keydown', listen);
    return () => at?.removeEventListener('keydown', listen);
  }, [surface]);
  return { view, nearer, all: () => onView(undefined) };
}
