import type { z } from 'zod';
import type { KeyValueStore } from './device';

/** One value that lies on this device, and is looked at before it is taken for what it should be. */
export interface Kept<T> {
  /** As it was left; undefined where nothing was, or what is there is of another version. */
  read: () => T | undefined;
  /** False when there was no room. */
  keep: (value: T) => boolean;
  forget: () => void;
}

export function keptIn<T>(store: KeyValueStore, key: string, schema: z.ZodType<T>): Kept<T> {
  return {
    read() {
      try {
        const { success, data } = schema.safeParse(JSON.parse(store.read(key) ?? 'null'));
        return success ? data : undefined;
      } catch {
        return undefined;
      }
    },
    keep: (value) => store.write(key, JSON.stringify(value)),
    forget: () => store.remove(key),
  };
}
