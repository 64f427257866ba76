import { useMemo, useState } from 'react';
import { z } from 'zod';
import { keptForm } from './keptForm';

const Written = z.object({ text: z.string() });
/** What is longer than this was hardly typed here, and would take the room of what was. */
const MOST = 200_000;

/**
 * The text of one field that is not taken yet: as state, kept while the page is; emptied, nothing of it is.
 *
 * @param name of the field and what it is about, such as `taxon.<id>`.
 */
export function useKeptText(name: string): [string, (text: string) => void] {
  const kept = useMemo(() => keptForm(name, Written), [name]);
  const [text, setText] = useState(() => kept.read()?.text ?? '');
  const change = (next: string) => {
    setText(next);
    if (next && next.length <= MOST) kept.keep({ text: next });
    else kept.forget();
  };
  return [text, change];
}
