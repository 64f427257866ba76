import { type KeyWrite, schemas, type StoredKey } from '@plesion/contract';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { api, queryClient } from '../../lib/api';
import type { Draft as AnyDraft, DraftState as AnyState, Kind } from '../../lib/draft';
import { createDrafts } from '../../lib/drafts';
import { type Drafted, useDraftOf } from '../../lib/useDraftOf';
import { useSession } from '../session/useSession';

const FRESH = 5 * 60_000;

/** The station's keys, or those of one guide. */
export const useKeys = (guideId?: string) =>
  useQuery({
    queryKey: ['keys', guideId ?? 'all'],
    queryFn: ({ signal }) => api('keys', { query: { guideId } }, signal),
    staleTime: FRESH,
  });

/** A key, at its newest version or the one a walk began with. */
export const keyQuery = (id: string | undefined, version?: number) =>
  queryOptions({
    queryKey: ['key', id, ...(version === undefined ? [] : [version])],
    queryFn: ({ signal }) => api('key', { params: { id: id! }, query: { version } }, signal),
    enabled: id !== undefined && id !== '',
    staleTime: FRESH,
    gcTime: Number.POSITIVE_INFINITY,
  });
export const useKey = (id: string | undefined, version?: number) => useQuery(keyQuery(id, version));

export type KeyDraft = AnyDraft<KeyWrite, StoredKey>;
export type KeyDraftState = AnyState<KeyWrite, StoredKey>;

const keyKind: Kind<KeyWrite, StoredKey> = {
  contentOf: ({ version, guideId, key, hidden }) => ({ version, guideId, key, hidden }),
  same: (stored, sent) => JSON.stringify(stored.key) === JSON.stringify(sent.key) && stored.hidden === sent.hidden,
  back: (target) => target,
  merge: (mine) => mine,
};

/** Keys being edited: kept on the device, and made a version when the person says so. */
export const keyDrafts = createDrafts<KeyWrite, StoredKey>({
  name: 'key',
  schema: schemas.KeyWrite,
  kind: keyKind,
  send: (id, body) => api('writeKey', { params: { id }, body }),
  delay: 'by hand',
  onSaved(stored) {
    queryClient.setQueryData(['key', stored.id], stored);
    void queryClient.invalidateQueries({ queryKey: ['keys'] });
  },
});

export const useKeyDraft = (id: string): Drafted<KeyWrite, StoredKey> =>
  useDraftOf(keyDrafts, useSession().station.id, id, 'key', (signal) => api('key', { params: { id } }, signal));
