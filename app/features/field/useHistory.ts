import { type MarkHistory, RequestProblem } from '@plesion/contract';
import { useQuery } from '@tanstack/react-query';
import { fieldApi } from '../records/fieldDrafts';

/** Everything known of the bearer of a ring: null where none bears it, undefined where it is not known yet or cannot be asked. */
export function useHistory(mark: string | undefined) {
  return useQuery({
    queryKey: ['marks', mark],
    queryFn: async ({ signal }): Promise<MarkHistory | null> => {
      try {
        return await fieldApi('markHistory', { params: { mark: mark! } }, signal);
      } catch (error) {
        if (error instanceof RequestProblem && error.status === 404) return null;
        throw error;
      }
    },
    enabled: mark !== undefined,
  });
}
