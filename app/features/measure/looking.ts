import type { PixelPoint, Spot } from '@plesion/core/measure';
import { pixelSource } from './pixelSource';

/** Pixels of a part of the photo, RGBA. */
export interface Pixels {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

type Ask =
  | { kind: 'seed'; pixels: Pixels; from: PixelPoint; reach: number }
  | { kind: 'edge'; to: PixelPoint }
  | { kind: 'spots'; pixels: Pixels; radius: [number, number]; lighter: boolean };

export interface LookRequest {
  number: number;
  ask: Ask;
}

export interface LookAnswer {
  number: number;
  answer:
    | { kind: 'seeded' }
    | { kind: 'edge'; points: PixelPoint[] }
    | { kind: 'spots'; spots: Spot[] }
    | { kind: 'progress'; share: number };
}

/** A part of the photo, in its pixels. */
export interface Part {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** The pixels of a part of the photo, as they were decoded. */
export function pixelsOf(image: HTMLImageElement, { left, top, width, height }: Part): Pixels {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const paper = canvas.getContext('2d', { willReadFrequently: true })!;
  paper.drawImage(pixelSource(image), left, top, width, height, 0, 0, width, height);
  return { width, height, data: paper.getImageData(0, 0, width, height).data };
}

/** A part about a place, no further than the photo. */
export function partAbout([x, y]: PixelPoint, reach: number, photo: { width: number; height: number }): Part {
  const left = Math.max(0, Math.floor(x - reach));
  const top = Math.max(0, Math.floor(y - reach));
  return {
    left,
    top,
    width: Math.min(photo.width, Math.ceil(x + reach)) - left,
    height: Math.min(photo.height, Math.ceil(y + reach)) - top,
  };
}

/** How far an edge is followed from its last point, in pixels of the photo. */
export const EDGE_REACH = 220;

/** Looks into the photo in a thread of its own: edges from a place, and spots. */
export function createLooker() {
  let worker: Worker | undefined;
  let count = 0;
  const waiting = new Map<number, { give: (answer: LookAnswer['answer']) => void; onProgress?: (share: number) => void }>();
  const ask = (what: Ask, onProgress?: (share: number) => void) => {
    if (!worker) {
      worker = new Worker(new URL('./look.worker', window.location.href));
      worker.addEventListener('message', ({ data: { number, answer } }: MessageEvent<LookAnswer>) => {
        const one = waiting.get(number);
        if (answer.kind === 'progress') return one?.onProgress?.(answer.share);
        waiting.delete(number);
        one?.give(answer);
      });
    }
    const number = ++count;
    return new Promise<LookAnswer['answer']>((give) => {
      waiting.set(number, { give, onProgress });
      worker!.postMessage({ number, ask: what } satisfies LookRequest);
    });
  };
  /** Where the seeded part lies on the photo. */
  let seeded: Part | undefined;
  return {
    /** Where an edge is to be followed from; the ways from there are worked out once. */
    async seed(image: HTMLImageElement, from: PixelPoint): Promise<void> {
      const part = partAbout(from, EDGE_REACH, { width: image.naturalWidth, height: image.naturalHeight });
      seeded = part;
      const inPart: PixelPoint = [from[0] - part.left, from[1] - part.top];
      await ask({ kind: 'seed', pixels: pixelsOf(image, part), from: inPart, reach: EDGE_REACH });
    },
    /** Points along the edge from where it was begun to a place; thinned, without the first. */
    async edge(to: PixelPoint): Promise<PixelPoint[]> {
      const part = seeded;
      if (!part) return [to];
      const answer = await ask({ kind: 'edge', to: [to[0] - part.left, to[1] - part.top] });
      if (answer.kind !== 'edge') return [to];
      return thinned(answer.points.map(([x, y]): PixelPoint => [x + part.left, y + part.top])).slice(1);
    },
    async spots(
      image: HTMLImageElement,
      part: Part,
      lighter: boolean,
      onProgress: (share: number) => void,
    ): Promise<PixelPoint[]> {
      const radius: [number, number] = [2.5, Math.max(5, Math.min(part.width, part.height) / 12)];
      const answer = await ask({ kind: 'spots', pixels: pixelsOf(image, part), radius, lighter }, onProgress);
      return answer.kind === 'spots' ? answer.spots.map(({ at: [x, y] }): PixelPoint => [x + part.left, y + part.top]) : [];
    },
    end: () => worker?.terminate(),
  };
}

export type Looker = ReturnType<typeof createLooker>;

/** Every third point, and both ends: what lies between is hardly bent. */
const thinned = (points: readonly PixelPoint[]): PixelPoint[] => points.filter((_, i) => i % 3 === 0 || i === points.length - 1);
