import { type RefObject, useEffect, useRef } from 'react';

/** Listens to keys on a surface; what hears them may change with every draw. */
export function useKeys(surface: RefObject<HTMLElement | null>, hear: (event: KeyboardEvent) => void): void {
  const hearing = useRef(hear);
  useEffect(() => {
    hearing.current = hear;
  });
  useEffect(() => {
    const at = surface.current;
    const listen = (event: KeyboardEvent) => hearing.current(event);
    at?.addEventListener('keydown', listen);
    return () => at?.removeEventListener('keydown', listen);
  }, [surface]);
}
