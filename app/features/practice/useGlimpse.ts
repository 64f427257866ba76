import { useCallback, useEffect, useState } from 'react';

/**
 * Something that is shown for a while and then gone, unless one looks again.
 *
 * @param seconds for which it is shown; always, where absent.
 * @returns how often it was looked at again.
 */
export function useGlimpse(seconds: number | undefined): { shown: boolean; again: number; look: () => void } {
  const [looks, setLooks] = useState(1);
  const [shown, setShown] = useState(true);
  useEffect(() => {
    if (seconds === undefined) return;
    const timer = setTimeout(() => setShown(false), seconds * 1000);
    return () => clearTimeout(timer);
  }, [seconds, looks]);
  const look = useCallback(() => {
    setShown(true);
    setLooks((before) => before + 1);
  }, []);
  return { shown, again: looks - 1, look };
}
