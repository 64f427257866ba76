import type { SpecimenQuery } from '@plesion/contract';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { api } from '../../lib/api';

const PAGE = 40;

export type Filters = Pick<SpecimenQuery, 'search' | 'named' | 'place' | 'from' | 'to' | 'hidden'>;

/** The daybook under some filters, page by page. */
export const useDaybook = (filters: Filters) =>
  useInfiniteQuery({
    queryKey: ['specimens', filters],
    initialPageParam: undefined as string | undefined,
    queryFn: ({ pageParam, signal }) => api('specimens', { query: { ...filters, limit: PAGE, after: pageParam } }, signal),
    getNextPageParam: ({ next }) => next,
    placeholderData: keepPreviousData,
  });
