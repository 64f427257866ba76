import { edgesFrom, type EdgeWays, findSpots, greyOf } from '@plesion/core/measure';
import type { LookAnswer, LookRequest } from './looking';

/** The ways along the edges from where the person began. */
let ways: EdgeWays | undefined;

self.addEventListener('message', ({ data }: MessageEvent<LookRequest>) => {
  const { number, ask } = data;
  const say = (answer: LookAnswer['answer']) => self.postMessage({ number, answer } satisfies LookAnswer);
  switch (ask.kind) {
    case 'seed':
      ways = edgesFrom(greyOf(ask.pixels.data, ask.pixels.width, ask.pixels.height), ask.from, ask.reach);
      return say({ kind: 'seeded' });
    case 'edge':
      return say({ kind: 'edge', points: ways ? [...ways.to(ask.to)] : [] });
    case 'spots':
      return say({
        kind: 'spots',
        spots: findSpots(greyOf(ask.pixels.data, ask.pixels.width, ask.pixels.height), {
          radius: ask.radius,
          lighter: ask.lighter,
          onProgress: (share) => say({ kind: 'progress', share }),
        }),
      });
  }
});
