import type { PixelPoint } from '@plesion/core/measure';
import type { RefObject } from 'react';
import { tableKey } from '../measure/tableKeys';
import { useKeys } from '../measure/useKeys';
import { usePointers } from '../../lib/usePointers';
import { fit, moved, pinched, type Size, type View, wheeled, zoomAt } from '../measure/view';

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
  const move = (by: PixelPoint) => change((so, size) => moved(so, by, picture, size));
  usePointers(surface, {
    onBegin: () => undefined,
    onDrag: (_, by) => move(by),
    onEnd: () => undefined,
    onPinch: (factor, about, by) => change((so, size) => pinched(so, factor, about, by, picture, size)),
    onWheel: (by, at, sideways) => change((so, size) => wheeled(so, by, at, sideways, picture, size)),
  });
  const nearer = (factor: number) => change((so, size) => zoomAt(so, factor, [size.width / 2, size.height / 2], picture, size));
  const hear = (event: KeyboardEvent) => {
    const key = tableKey(event);
    if (key?.kind !== 'move' && key?.kind !== 'zoom' && key?.kind !== 'fit') return;
    event.preventDefault();
    event.stopPropagation();
    if (key.kind === 'zoom') nearer(key.by);
    else if (key.kind === 'fit') onView(undefined);
    else move([-key.by[0] * STEP, -key.by[1] * STEP]);
  };
  useKeys(surface, hear);
  return { view, nearer, all: () => onView(undefined) };
}
