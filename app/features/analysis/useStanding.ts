import type { SpecimenWrite, StoredGuide } from '@plesion/contract';
import type { Level } from '@plesion/core/evidence';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useKeyed } from './useKeyed';
import { askWorker } from './weigher';

/**
 * The standing of a specimen, weighed in the web worker whenever a reading, the
 * situation, the judgement or the level asked changes. The one before stays in sight meanwhile.
 */
export function useStanding(stored: StoredGuide | undefined, content: SpecimenWrite | undefined, level?: Level) {
  const keyed = useKeyed(stored, content);
  return useQuery({
    queryKey: ['standing', stored?.hash, content?.situation, content?.readings, content?.judgement, level, keyed],
    queryFn: () =>
      askWorker(
        'standing',
        {
          situation: content!.situation,
          readings: content!.readings,
          judgement: content!.judgement,
          level,
          keyed,
        },
        stored!,
      ),
    enabled: Boolean(stored && content),
    placeholderData: keepPreviousData,
    networkMode: 'always',
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
}
