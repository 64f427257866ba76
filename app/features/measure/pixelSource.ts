import { whenIdle } from '../../lib/whenIdle';

/** Larger photos, in pixels, are not held decoded a second time: four bytes a pixel. */
const MOST = 60_000_000;

const held = new WeakMap<HTMLImageElement, ImageBitmap>();

/** What single pixels of a photo are read from without waiting: the photo itself until it was decoded for that. */
export const pixelSource = (image: HTMLImageElement): ImageBitmap | HTMLImageElement => held.get(image) ?? image;

/**
 * Decodes a photo for {@link pixelSource}, in a thread of the browser: from the photo on the page each first look at a
 * pixel would decode all of it while the finger waits, more than a second of a telephone for 40 megapixels.
 *
 * @returns lets go of it.
 */
export function holdPixels(image: HTMLImageElement): () => void {
  if (typeof createImageBitmap === 'undefined' || image.naturalWidth * image.naturalHeight > MOST) return () => undefined;
  let gone = false;
  const giveUp = whenIdle(() => void decode());
  async function decode() {
    try {
      const bitmap = await createImageBitmap(await (await fetch(image.src)).blob());
      // Both are upright: they are as large as one another.
      if (gone || bitmap.width !== image.naturalWidth) bitmap.close();
      else held.set(image, bitmap);
    } catch {
      // The photo itself is read from; it takes longer.
    }
  }
  return () => {
    gone = true;
    giveUp();
    held.get(image)?.close();
    held.delete(image);
  };
}
