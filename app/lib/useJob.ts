import { RequestProblem } from '@plesion/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api } from './api';

const POLL_MS = 400;

/** Long work as the person sees it: begun, so far, done or stopped. */
export function useJob<Body, Result>(
  start: (body: Body) => Promise<object>,
  parse: (result: unknown) => Result,
  /** What is fetched anew when it is done; all there is where absent. */
  changes?: string,
  /** One that was begun before this screen was opened. */
  earlier?: string,
) {
  const client = useQueryClient();
  const begin = useMutation({
    mutationFn: async (body: Body) => {
      const started = await start(body);
      if (!('jobId' in started)) throw new RequestProblem(500, { code: 'no-job', message: 'The server did not take it up.' });
      return started.jobId as string;
    },
  });
  const jobId = begin.data ?? earlier;
  const job = useQuery({
    queryKey: ['job', jobId],
    queryFn: ({ signal }) => api('job', { params: { id: jobId! } }, signal),
    enabled: jobId !== undefined,
    refetchInterval: ({ state }) => (state.data && state.data.state !== 'running' ? false : POLL_MS),
  });
  const cancel = useMutation({
    mutationFn: () => api('cancelJob', { params: { id: jobId! } }),
    onSuccess: (stopped) => client.setQueryData(['job', jobId], stopped),
  });
  const done = job.data?.state === 'done';
  useEffect(() => {
    if (done)
      void client.invalidateQueries(
        changes === undefined ? { predicate: ({ queryKey }) => queryKey[0] !== 'job' } : { queryKey: [changes] },
      );
  }, [client, done, changes]);
  return {
    begin: begin.mutate,
    cancel: cancel.mutate,
    again: begin.reset,
    running: begin.isPending || (jobId !== undefined && (!job.data || job.data.state === 'running') && !job.error),
    cancelled: job.data?.state === 'cancelled',
    progress: job.data?.progress ?? 0,
    problem: job.data?.problem,
    error: begin.error ?? job.error ?? cancel.error,
    result: done ? parse(job.data!.result) : undefined,
  };
}
