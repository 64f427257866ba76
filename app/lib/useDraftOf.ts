import { useSyncExternalStore } from 'react';
import type { Draft, DraftState } from './draft';
import type { Drafts } from './drafts';
import { useQueryAtOnce } from './useQueryAtOnce';

const nothing = { subscribe: () => () => undefined, get: () => undefined };

interface Versioned {
  version: number;
}

export interface Drafted<C, S> {
  draft?: Draft<C, S>;
  state?: DraftState<C, S>;
  error: unknown;
  refetch: () => void;
}

/** Something to work on, from this device or the server, and how its saving stands. */
export function useDraftOf<C extends Versioned, S extends Versioned>(
  drafts: Drafts<C, S>,
  station: string,
  id: string,
  what: string,
  fetch: (signal: AbortSignal) => Promise<S>,
): Drafted<C, S> {
  const kept = id !== '' && drafts.keptContent(station, id) !== undefined;
  const stored = useQueryAtOnce({
    queryKey: [what, id],
    queryFn: ({ signal }) => fetch(signal),
    enabled: id !== '' && !kept,
  });
  const draft = id === '' ? undefined : drafts.draftOf(station, id, stored.data);
  const source = draft ?? nothing;
  const state = useSyncExternalStore<DraftState<C, S> | undefined>(source.subscribe, source.get);
  return { draft, state, error: draft ? undefined : stored.error, refetch: () => void stored.refetch() };
}
