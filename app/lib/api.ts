import { createClient, RequestProblem } from '@plesion/contract';
import { QueryClient } from '@tanstack/react-query';

/** Calls to the server that served this page. */
export const api = createClient('');

export const queryClient = new QueryClient({
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
