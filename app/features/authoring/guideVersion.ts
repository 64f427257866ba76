import type { StoredGuide } from '@plesion/contract';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { api } from '../../lib/api';
import { authoringApi } from './authoringApi';

/** One version of a guide: it never changes. */
export const versionOf = (id: string | undefined, version: number | undefined) =>
  queryOptions({
    queryKey: ['guide', id, version],
    queryFn: ({ signal }): Promise<StoredGuide> => api('guide', { params: { id: id! }, query: { version } }, signal),
    enabled: id !== undefined && version !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  });

/** The guide that a draft is the next version of; undefined where it is of none, or is not here yet. */
export function useBase(draftId: string): StoredGuide | undefined {
  const drafts = useQuery({ queryKey: ['drafts'], queryFn: ({ signal }) => authoringApi('drafts', {}, signal) });
  const own = drafts.data?.drafts.find(({ id }) => id === draftId);
  return useQuery(versionOf(own?.guideId, own?.baseVersion)).data;
}
