import type { PixelPoint } from '@plesion/core/measure';

/** How the photo lies on the table: a pixel at p is seen at p × scale + (x, y). */
export interface View {
  scale: number;
  x: number;
  y: number;
}

export interface Size {
  width: number;
  height: number;
}

/** A pixel of the photo may be as large as this on the screen. */
const LARGEST = 24;

export const toScreen = ({ scale, x, y }: View, [px, py]: PixelPoint): PixelPoint => [px * scale + x, py * scale + y];
export const toPhoto = ({ scale, x, y }: View, [sx, sy]: PixelPoint): PixelPoint => [(sx - x) / scale, (sy - y) / scale];

/** The whole photo in sight, in the middle. */
export function fit(photo: Size, table: Size): View {
  const scale = Math.min(table.width / photo.width, table.height / photo.height);
  return { scale, x: (table.width - photo.width * scale) / 2, y: (table.height - photo.height * scale) / 2 };
}

/** Nearer or farther by a factor; what lies under a place of the screen stays there. */
export function zoomAt(view: View, factor: number, [sx, sy]: PixelPoint, photo: Size, table: Size): View {
  const least = fit(photo, table).scale;
  const scale = Math.max(least, Math.min(LARGEST, view.scale * factor));
  const by = scale / view.scale;
  return within({ scale, x: sx - (sx - view.x) * by, y: sy - (sy - view.y) * by }, photo, table);
}

/** By two fingers: so much farther apart about a place, and so far together. */
export const pinched = (view: View, factor: number, about: PixelPoint, by: PixelPoint, photo: Size, table: Size): View =>
  zoomAt(moved(view, by, photo, table), factor, about, photo, table);

/** By the wheel: nearer or farther about a place, or to the side. */
export const wheeled = (view: View, [dx, dy]: PixelPoint, at: PixelPoint, sideways: boolean, photo: Size, table: Size): View =>
  sideways ? moved(view, [-dx - dy, 0], photo, table) : zoomAt(view, Math.exp(-dy / 300), at, photo, table);

/** Moved by so much, and no further than the photo goes. */
export const moved = (view: View, [dx, dy]: PixelPoint, photo: Size, table: Size): View =>
  within({ ...view, x: view.x + dx, y: view.y + dy }, photo, table);

/** Moved so that the photo does not leave the table: smaller than it, it lies in the middle. */
export function within(view: View, photo: Size, table: Size): View {
  const along = (at: number, long: number, room: number) =>
    long <= room ? (room - long) / 2 : Math.min(0, Math.max(room - long, at));
  return {
    scale: view.scale,
    x: along(view.x, photo.width * view.scale, table.width),
    y: along(view.y, photo.height * view.scale, table.height),
  };
}

/** Moved no further than it takes to have a point in sight, with some room about it. */
export function inSight(view: View, point: PixelPoint, photo: Size, table: Size): View {
  const [sx, sy] = toScreen(view, point);
  const room = Math.min(60, table.width / 4, table.height / 4);
  const by = (at: number, long: number) => (at < room ? room - at : at > long - room ? long - room - at : 0);
  return within({ ...view, x: view.x + by(sx, table.width), y: view.y + by(sy, table.height) }, photo, table);
}

/** A point of the photo, no further out than its edge. */
export const onPhoto = ([x, y]: PixelPoint, { width, height }: Size): PixelPoint => [
  Math.max(0, Math.min(width, x)),
  Math.max(0, Math.min(height, y)),
];
