import { useSyncExternalStore } from 'react';
import { createStore } from '../../lib/store';
import { whenIdle } from '../../lib/whenIdle';

/** Larger photos, in pixels, are not held decoded: four bytes a pixel, and a third more for the copies. */
const MOST = 60_000_000;
/** From so many pixels there are copies, each of half the width, down to so wide. */
const LARGE = 8_000_000;
const LEAST_WIDTH = 1600;

/** A photo decoded for reading pixels, and smaller copies of it, each half as wide as the one before. */
export type Levels = readonly [ImageBitmap, ...ImageBitmap[]];

/** What is to be decoded, and how many copies are made. */
export interface DecodeRequest {
  uri: string;
  copies: number;
}

const held = new WeakMap<HTMLImageElement, Levels>();
/** How often one came to be held. */
const changes = createStore(0);

/** What single pixels of a photo are read from without waiting: the photo itself until it was decoded for that. */
export const pixelSource = (image: HTMLImageElement): ImageBitmap | HTMLImageElement => held.get(image)?.[0] ?? image;

/** The copies of a large photo, once they are there; undefined for one that needs none. */
export function useLevels(image: HTMLImageElement): Levels | undefined {
  const levels = useSyncExternalStore(changes.subscribe, () => held.get(image));
  return levels && levels.length > 1 ? levels : undefined;
}

/**
 * Decodes a photo for {@link pixelSource} and {@link useLevels}, in a thread of its own: from the photo on the page each
 * first look at a pixel would decode all of it while the finger waits, more than a second of a telephone for 40
 * megapixels, and each doubling of its size would draw all of it anew.
 *
 * @returns lets go of it.
 */
export function holdPixels(image: HTMLImageElement): () => void {
  const { naturalWidth: width, naturalHeight: height } = image;
  if (typeof createImageBitmap === 'undefined' || width * height > MOST) return () => undefined;
  let worker: Worker | undefined;
  const giveUp = whenIdle(() => {
    worker = new Worker(new URL('./decode.worker', window.location.href));
    worker.onmessage = ({ data: levels }: MessageEvent<Levels | undefined>) => {
      worker?.terminate();
      // Both are upright: they are as large as one another. Otherwise the photo itself is read from, and takes longer.
      if (levels?.[0].width !== width) return levels?.forEach((level) => level.close());
      held.set(image, levels);
      changes.set(changes.get() + 1);
    };
    worker.postMessage({ uri: image.src, copies: copiesOf(width, height) } satisfies DecodeRequest);
  });
  return () => {
    giveUp();
    worker?.terminate();
    held.get(image)?.forEach((level) => level.close());
    held.delete(image);
  };
}

/** How many copies a photo has, each half as wide as the one before. */
const copiesOf = (width: number, height: number): number =>
  width * height < LARGE ? 0 : Math.max(0, Math.floor(Math.log2(width / LEAST_WIDTH)));
