import { useEffect, useState } from 'react';

/** A photo as it is decoded by the browser, upright: undefined until it is there. */
export function usePhoto(uri: string | undefined): { image?: HTMLImageElement; failed: boolean } {
  const [found, setFound] = useState<{ uri: string; image?: HTMLImageElement; failed: boolean }>();
  useEffect(() => {
    if (!uri) return;
    const image = new Image();
    image.decoding = 'async';
    image.src = uri;
    let gone = false;
    image
      .decode()
      .then(() => !gone && setFound({ uri, image, failed: false }))
      .catch(() => !gone && setFound({ uri, failed: true }));
    return () => {
      gone = true;
    };
  }, [uri]);
  return found?.uri === uri ? (found ?? { failed: false }) : { failed: false };
}
