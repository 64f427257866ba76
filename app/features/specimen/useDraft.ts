import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { api } from '../../lib/api';
import { useSession } from '../session/useSession';
import { type Draft, type DraftState } from './draft';
import { draftOf, keptContent } from './drafts';

const nothing = { subscribe: () => () => undefined, get: () => undefined };

/** A specimen to work on, from this device or the server, and how its saving stands. */
export function useDraft(id: string): { draft?: Draft; state?: DraftState; error: unknown; refetch: () => void } {
  const station = useSession().station.id;
  const kept = keptContent(station, id) !== undefined;
  const stored = useQuery({
    queryKey: ['specimen', id],
    queryFn: ({ signal }) => api('specimen', { params: { id } }, signal),
    enabled: !kept,
  });
  const draft = draftOf(station, id, stored.data);
  const source = draft ?? nothing;
  const state = useSyncExternalStore<DraftState | undefined>(source.subscribe, source.get);
  return { draft, state, error: draft ? undefined : stored.error, refetch: () => void stored.refetch() };
}
