import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { fieldApi } from '../records/fieldDrafts';
import { useGuide, useGuides } from '../records/useGuide';
import { usualGuide } from '../records/usualGuide';

/** Captures looked through for what is caught most. */
const LATELY = 200;

/** The guide catches are recorded by, and its kinds in the order in which they were caught lately. */
export function useCatchGuide(wanted: string | undefined) {
  const guides = useGuides();
  const lately = useQuery({
    // Not among the captures that are asked for anew with each catch: what is caught most changes slowly.
    queryKey: ['caught lately', LATELY],
    queryFn: ({ signal }) => fieldApi('captures', { query: { limit: LATELY } }, signal),
    staleTime: 5 * 60_000,
  });
  const captures = lately.data?.captures;
  const rows = guides.data?.guides ?? [];
  const gone = guides.data && !rows.some(({ id }) => id === wanted);
  const id =
    (gone ? undefined : wanted) ??
    (lately.isPending ? undefined : (captures?.find(({ guideId }) => guideId)?.guideId ?? usualGuide(rows)));
  const guide = useGuide(id);
  const often = useMemo(() => {
    const counts = new Map<string, number>();
    for (const { guideId, taxon } of captures ?? []) if (taxon && guideId === id) counts.set(taxon, (counts.get(taxon) ?? 0) + 1);
    return counts;
  }, [captures, id]);
  return {
    rows,
    stored: guide.data,
    often,
    error: guide.error ?? guides.error,
    retry: () => void guide.refetch(),
  };
}
