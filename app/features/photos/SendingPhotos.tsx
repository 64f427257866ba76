import type { KeptPhoto } from '@plesion/core/specimen';
import { useSyncExternalStore } from 'react';
import { stopUpload, uploads } from '../../lib/uploads';
import { WorkProgress } from '../../ui/WorkProgress';

/** The photos that are on their way to the server, each with the way to stop it: it is taken off then. */
export function SendingPhotos({ photos, onStop }: { photos: readonly KeptPhoto[]; onStop: (hash: string) => void }) {
  const underWay = useSyncExternalStore(uploads.subscribe, uploads.get);
  return photos.map(({ hash }, n) => {
    const share = underWay[hash];
    if (share === undefined) return null;
    const stop = () => {
      onStop(hash);
      stopUpload(hash);
    };
    return <WorkProgress key={hash} what={`Sending photo ${n + 1}`} share={share} onCancel={stop} />;
  });
}
