import { RequestProblem } from '@plesion/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { COLONIES, colonyKey } from './colonyApi';

export interface Refusal {
  field?: string;
  message: string;
}

/** Something written into a book: what of it was refused, and the book asked anew once it is taken. */
export function useColonyWrite<T>(guideId: string, write: (sent: T) => Promise<unknown>, onDone: (sent: T) => void) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<Refusal>();
  const saving = useMutation({
    mutationFn: write,
    async onSuccess(_, sent) {
      setProblem(undefined);
      await Promise.all([colonyKey(guideId), COLONIES, ['individual']].map((queryKey) => client.invalidateQueries({ queryKey })));
      onDone(sent);
    },
    onError: (error) =>
      setProblem({
        message: error.message,
        ...(error instanceof RequestProblem && error.body.field ? { field: error.body.field } : {}),
      }),
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
