import type { z } from 'zod';
import { page } from './device';
import { type Kept, keptIn } from './kept';

const PREFIX = 'plesion.form.';

/**
 * What was typed into a form and is not taken yet: it is there again when the page is reloaded.
 *
 * @param name of the form and what it is about, such as `name.<id>`.
 */
export const keptForm = <T>(name: string, schema: z.ZodType<T>): Kept<T> => keptIn(page, PREFIX + name, schema);

/** Nothing typed in one station is there in the next. */
export function forgetForms(): void {
  for (const key of page.keys()) if (key.startsWith(PREFIX)) page.remove(key);
}
