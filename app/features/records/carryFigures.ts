import { urlOf } from '@plesion/contract';
import { type Guide, photosOf } from '@plesion/core/guide';
import { whenIdle } from '../../lib/whenIdle';

/** So many photographs of a guide are carried along; what is kept offline has room for a few guides of them. */
const MOST = 120;

/** Fetch the photographs of a guide, small, so that they are there without a connection: one after the other, when nothing else is to be done. */
export function carryFigures(guide: Pick<Guide, 'figures'>): void {
  // Without what keeps them, fetching them would be for nothing.
  if (!guide.figures?.length || !globalThis.navigator?.serviceWorker?.controller) return;
  const hashes = photosOf(guide).slice(0, MOST);
  whenIdle(() => {
    void (async () => {
      for (const hash of hashes) {
        const answer = await fetch(urlOf('photo', { params: { hash }, query: { size: 'small' } })).catch(() => undefined);
        // Without a connection there is no use in asking for the rest.
        if (!answer) return;
      }
    })();
  });
}
