import type { SpecimenWrite, StoredGuide } from '@plesion/contract';
import type { Overturned } from '@plesion/core/verification';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { askWorker } from '../analysis/weigher';
import { verificationApi } from './verificationApi';

const FRESH = 5 * 60_000;

/** Overturned calls whose pattern returns in what has been read, the most like it first; looked for in the web worker. */
export function useWarnings(
  stored: StoredGuide,
  { situation, readings, judgement }: Pick<SpecimenWrite, 'situation' | 'readings' | 'judgement'>,
): readonly Overturned[] {
  const guideId = stored.id;
  const known = useQuery({
    queryKey: ['verifications', 'overturned', guideId],
    queryFn: ({ signal }) => verificationApi('overturned', { query: { guideId } }, signal),
    staleTime: FRESH,
  });
  const overturned = known.data?.overturned ?? [];
  const asked = overturned.length > 0 && readings.length > 0;
  const { data } = useQuery({
    queryKey: ['returning', stored.hash, situation, readings, judgement, known.dataUpdatedAt],
    queryFn: () => askWorker('returning', { situation, readings, judgement, overturned }, stored),
    enabled: asked,
    placeholderData: keepPreviousData,
    networkMode: 'always',
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
  return (asked && data) || [];
}
