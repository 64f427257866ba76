import { useState } from 'react';

/** Stands in for the address of a page in tests of screens: what is set is there at once. */
export function useAddress(): [Record<string, string | undefined>, (change: Record<string, string | undefined>) => void] {
  const [values, setValues] = useState<Record<string, string | undefined>>({});
  return [values, (change) => setValues((before) => ({ ...before, ...change }))];
}
