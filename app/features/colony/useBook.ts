import { useQuery } from '@tanstack/react-query';
import { useGuide } from '../records/useGuide';
import { colonyApi, colonyKey } from './colonyApi';

/** A book with its guide, once both are here. */
export function useBook(guideId: string | undefined) {
  const stored = useGuide(guideId);
  const found = useQuery({
    queryKey: colonyKey(guideId ?? ''),
    enabled: guideId !== undefined,
    queryFn: ({ signal }) => colonyApi('colony', { params: { id: guideId! } }, signal),
  });
  const guide = stored.data?.guide;
  return {
    book: found.data && guide ? { colony: found.data, guide } : undefined,
    error: found.error ?? stored.error,
    retry: () => (void found.refetch(), void stored.refetch()),
  };
}
