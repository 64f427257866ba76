import { useMemo, useState } from 'react';
import type { z } from 'zod';
import { keptForm } from './keptForm';

/**
 * What is being put together on a page and is not taken yet: as `useState`, but there
 * again after a reload. What is there of another version is passed over.
 *
 * @param name of the page and what it is about.
 * @returns the value, sets parts of it, and forgets it once it is taken.
 */
export function useKeptState<T extends object>(
  name: string,
  schema: z.ZodType<T>,
  first: T,
): [T, (change: Partial<T> | ((before: T) => Partial<T>)) => void, () => void] {
  const kept = useMemo(() => keptForm(name, schema), [name, schema]);
  const [value, setValue] = useState(() => kept.read() ?? first);
  const change = (part: Partial<T> | ((before: T) => Partial<T>)) =>
    setValue((before) => {
      const next = { ...before, ...(typeof part === 'function' ? part(before) : part) };
      kept.keep(next);
      return next;
    });
  return [value, change, kept.forget];
}
