import { RequestProblem } from '@plesion/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { refreshBook, type Sent } from '../records/bookDrafts';

export interface Refusal {
  field?: string;
  message: string;
}

/** Something written into a book: what of it was refused, and the book asked anew once it is taken. */
export function useColonyWrite<T>(guideId: string, write: (sent: T) => Promise<Sent>, onDone: (sent: T) => void) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<Refusal>();
  const saving = useMutation({
    mutationFn: write,
    async onSuccess(result, sent) {
      setProblem(undefined);
      // What waits on this device is no news of the server, which cannot be asked either.
      if (result !== 'kept-here') await refreshBook(guideId, client);
      onDone(sent);
    },
    async onError(error) {
      setProblem({
        message: error.message,
        ...(error instanceof RequestProblem && error.body.field ? { field: error.body.field } : {}),
      });
      if (error instanceof RequestProblem && error.status === 409) await refreshBook(guideId, client);
    },
  });
  return {
    write: saving.mutate,
    busy: saving.isPending,
    problem,
    setProblem,
    /** What is wrong with a field, or with a part of it. */
    at: (field: string) => (problem?.field?.startsWith(field) ? problem.message : undefined),
  };
}
