import { useQuery } from '@tanstack/react-query';
import { api } from '../../lib/api';

/** Guides change rarely: what is here is used at once and checked now and then. */
const FRESH = 5 * 60_000;

export const useGuide = (id: string | undefined) =>
  useQuery({
    queryKey: ['guide', id],
    queryFn: ({ signal }) => api('guide', { params: { id: id! } }, signal),
    enabled: id !== undefined,
    staleTime: FRESH,
    gcTime: Number.POSITIVE_INFINITY,
  });

export const useGuides = () =>
  useQuery({ queryKey: ['guides'], queryFn: ({ signal }) => api('guides', {}, signal), staleTime: FRESH });
