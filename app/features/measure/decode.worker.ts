import type { DecodeRequest } from './pixelSource';

/** A photo and its copies, each half as wide as the one before; nothing where it cannot be decoded. */
async function decoded({ uri, copies }: DecodeRequest): Promise<ImageBitmap[] | undefined> {
  try {
    const levels = [await createImageBitmap(await (await fetch(uri)).blob())];
    for (let i = 0; i < copies; i++) {
      const { width, height } = levels[i];
      const size = { resizeWidth: Math.round(width / 2), resizeHeight: Math.round(height / 2) };
      levels.push(await createImageBitmap(levels[i], { ...size, resizeQuality: 'medium' }));
    }
    return levels;
  } catch {
    return undefined;
  }
}

self.addEventListener('message', ({ data }: MessageEvent<DecodeRequest>) => {
  void decoded(data).then((levels) => self.postMessage(levels, { transfer: levels ?? [] }));
});
