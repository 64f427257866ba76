import type { z } from 'zod';
import { page } from './device';

const PREFIX = 'plesion.form.';

/** What was typed into a form and is not taken yet: it is there again when the page is reloaded. */
export interface KeptForm<T> {
  /** As it was left; undefined where nothing was, or what is there is of another version. */
  read: () => T | undefined;
  keep: (typed: T) => void;
  /** It was taken, or given up. */
  forget: () => void;
}

/** @param name of the form and what it is about, such as `name.<id>`. */
export function keptForm<T>(name: string, schema: z.ZodType<T>): KeptForm<T> {
  const key = PREFIX + name;
  return {
    read() {
      try {
        const { success, data } = schema.safeParse(JSON.parse(page.read(key) ?? 'null'));
        return success ? data : undefined;
      } catch {
        return undefined;
      }
    },
    keep: (typed) => void page.write(key, JSON.stringify(typed)),
    forget: () => page.remove(key),
  };
}

/** Nothing typed in one station is there in the next. */
export function forgetForms(): void {
  for (const key of page.keys()) if (key.startsWith(PREFIX)) page.remove(key);
}
