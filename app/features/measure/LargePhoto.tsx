import { createElement, useLayoutEffect, useRef } from 'react';
import type { Levels } from './pixelSource';
import type { Size, View as Placed } from './view';

interface LargePhotoProps {
  levels: Levels;
  view: Placed;
  room: Size;
}

/** From so large single pixels stay square. */
export const SQUARE = 3;

/** What is in sight of a large photo, from the copy that has just enough pixels for it. */
export function LargePhoto({ levels, view: { scale, x, y }, room }: LargePhotoProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const dots = globalThis.devicePixelRatio || 1;
  const [width, height] = [Math.round(room.width * dots), Math.round(room.height * dots)];
  useLayoutEffect(() => {
    const paper = canvas.current?.getContext?.('2d', { willReadFrequently: true });
    if (!paper) return;
    const level = levelFor(levels, scale * dots);
    const part = level.width / levels[0].width;
    const [left, top] = [Math.max(0, -x / scale), Math.max(0, -y / scale)];
    const right = Math.min(levels[0].width, (room.width - x) / scale);
    const foot = Math.min(levels[0].height, (room.height - y) / scale);
    paper.clearRect(0, 0, width, height);
    if (right <= left || foot <= top) return;
    paper.imageSmoothingEnabled = scale <= SQUARE;
    paper.drawImage(
      level,
      ...([left * part, top * part, (right - left) * part, (foot - top) * part] as const),
      ...([(left * scale + x) * dots, (top * scale + y) * dots] as const),
      ...([(right - left) * scale * dots, (foot - top) * scale * dots] as const),
    );
  }, [levels, scale, x, y, room, dots, width, height]);
  return createElement('canvas', {
    ref: canvas,
    width,
    height,
    style: { position: 'absolute', left: 0, top: 0, width: room.width, height: room.height, filter: 'var(--photo)' },
  });
}

/**
 * The smallest copy with a pixel for each of the screen.
 *
 * @param scale pixels of the screen to one of the photo.
 */
export function levelFor(levels: Levels, scale: number): ImageBitmap {
  const [whole] = levels;
  return levels.findLast((level) => level.width >= whole.width * scale) ?? whole;
}
