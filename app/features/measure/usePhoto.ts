import { useEffect, useState } from 'react';
import { holdPixels } from './pixelSource';

/** A photo as it is decoded by the browser, upright: undefined until it is there. */
export function usePhoto(uri: string | undefined): { image?: HTMLImageElement; failed: boolean } {
  const [found, setFound] = useState<{ uri: string; image?: HTMLImageElement; failed: boolean }>();
  useEffect(() => {
    if (!uri) return;
    const image = new Image();
    image.decoding = 'async';
    image.src = uri;
    let gone = false;
    let letGo = () => {};
    image
      .decode()
      .then(() => {
        if (gone) return;
        setFound({ uri, image, failed: false });
        letGo = holdPixels(image);
      })
      .catch(() => !gone && setFound({ uri, failed: true }));
    return () => {
      gone = true;
      letGo();
    };
  }, [uri]);
  return found?.uri === uri ? (found ?? { failed: false }) : { failed: false };
}
