import type { Guide } from '@plesion/core/guide';
import { queryOptions, useQueries, useQuery } from '@tanstack/react-query';
import { api, queryClient } from '../../lib/api';
import { useQueryAtOnce } from '../../lib/useQueryAtOnce';
import { carryFigures } from './carryFigures';
import { loadDrawing } from './plans';

/** Guides change rarely: what is here is used at once and checked now and then. */
const FRESH = 5 * 60_000;

const wholeGuide = (id: string | undefined) =>
  queryOptions({
    queryKey: ['guide', id],
    queryFn: async ({ signal }) => {
      const stored = await api('guide', { params: { id: id! } }, signal);
      await loadDrawing(stored.guide);
      carryFigures(stored.guide);
      return stored;
    },
    enabled: id !== undefined,
    staleTime: FRESH,
    gcTime: Number.POSITIVE_INFINITY,
  });

/** A guide that will soon be asked for. */
export const fetchAhead = (id: string): Promise<void> => queryClient.prefetchQuery(wholeGuide(id));

export const useGuide = (id: string | undefined) => useQueryAtOnce(wholeGuide(id));

/** Those of several guides that are here by now, whole. */
export const useGuidesWhole = (ids: readonly string[]): { id: string; guide: Guide }[] =>
  useQueries({ queries: ids.map(wholeGuide) }).flatMap(({ data }) => (data ? [{ id: data.id, guide: data.guide }] : []));

export const useGuides = () =>
  useQuery({ queryKey: ['guides'], queryFn: ({ signal }) => api('guides', {}, signal), staleTime: FRESH });
