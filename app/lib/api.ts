import { createClient, RequestProblem } from '@plesion/contract';
import { MutationCache, QueryCache, QueryClient } from '@tanstack/react-query';
import { toTheDoor } from './toTheDoor';

/** Calls to the server that served this page. */
export const api = createClient('');

const onError = (error: Error) => toTheDoor(queryClient, error);

export const queryClient: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError }),
  mutationCache: new MutationCache({ onError }),
  defaultOptions: {
    // Records wait in the outbox; anything else says at once that there is no connection, and does nothing later unseen.
    mutations: { networkMode: 'always' },
    queries: {
      staleTime: 20_000,
      // What was refused or not understood stays so; what could not be reached may be reached soon.
      retry: (failures, error) => error instanceof RequestProblem && (error.status === 0 || error.status >= 500) && failures < 2,
    },
  },
});
