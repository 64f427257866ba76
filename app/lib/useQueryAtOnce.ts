import { type DefaultError, type QueryKey, useQuery, useQueryClient, type UseQueryOptions } from '@tanstack/react-query';

/**
 * As `useQuery`, but asked already while a page is rendered: one that has just been loaded may be held back for a third
 * of a second before it stands, and need not be idle meanwhile.
 */
export function useQueryAtOnce<T, E = DefaultError, D = T, K extends QueryKey = QueryKey>(options: UseQueryOptions<T, E, D, K>) {
  const client = useQueryClient();
  if (options.enabled !== false && !client.getQueryState(options.queryKey)) void client.prefetchQuery(options);
  return useQuery(options);
}
