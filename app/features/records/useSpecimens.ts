import { useQueries } from '@tanstack/react-query';
import { useEffect, useReducer } from 'react';
import { api } from '../../lib/api';
import { useSession } from '../session/useSession';
import type { Draft, DraftState } from './draft';
import { draftOf, keptContent } from './drafts';

export interface OpenSpecimen {
  id: string;
  draft: Draft;
  state: DraftState;
}

/** Several specimens to work on at once, each with its own saving; undefined until all are here. */
export function useSpecimens(ids: readonly string[]): { specimens?: OpenSpecimen[]; error: unknown; refetch: () => void } {
  const station = useSession().station.id;
  const stored = useQueries({
    queries: ids.map((id) => ({
      queryKey: ['specimen', id],
      queryFn: ({ signal }: { signal: AbortSignal }) => api('specimen', { params: { id } }, signal),
      enabled: keptContent(station, id) === undefined,
    })),
  });
  const drafts = ids.map((id, i) => draftOf(station, id, stored[i]?.data));
  const [, changed] = useReducer((count: number) => count + 1, 0);
  const opened = drafts.map((draft) => draft?.id ?? '').join(' ');
  useEffect(() => {
    const leaves = drafts.flatMap((draft) => (draft ? [draft.subscribe(changed)] : []));
    return () => leaves.forEach((leave) => leave());
    // The drafts themselves are one object an id.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [opened]);
  const specimens = drafts.flatMap((draft) => (draft ? [{ id: draft.id, draft, state: draft.get() }] : []));
  return {
    specimens: specimens.length === ids.length ? specimens : undefined,
    error: specimens.length === ids.length ? undefined : stored.find(({ error }) => error)?.error,
    refetch: () => stored.forEach((one) => void one.refetch()),
  };
}
