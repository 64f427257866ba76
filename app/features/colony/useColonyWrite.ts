import { RequestProblem } from '@plesion/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { FieldValues } from 'react-hook-form';
import { type KeptFormOptions, useKeptForm } from '../../lib/useKeptForm';
import { refreshBook, type Sent } from '../records/bookDrafts';

/** @returns what writes into a book and, once it is taken or refused as old, asks the book anew. */
function useIntoBook<T>(guideId: string, write: (sent: T) => Promise<Sent>): (sent: T) => Promise<Sent> {
  const client = useQueryClient();
  return async (sent) => {
    try {
      const result = await write(sent);
      // What waits on this device is no news of the server, which cannot be asked either.
      if (result !== 'kept-here') await refreshBook(guideId, client);
      return result;
    } catch (error) {
      if (error instanceof RequestProblem && error.status === 409) await refreshBook(guideId, client);
      throw error;
    }
  };
}

/** A form of the book. */
export const useColonyForm = <T extends FieldValues>(guideId: string, { send, ...form }: Omit<KeptFormOptions<T>, 'send'> & { send: (typed: T) => Promise<Sent> }) =>
  useKeptForm({ ...form, send: useIntoBook(guideId, send) });

/** One press that writes into a book, and why it was refused. */
export function useColonyWrite<T>(guideId: string, write: (sent: T) => Promise<Sent>) {
  const saving = useMutation({ mutationFn: useIntoBook(guideId, write) });
  return { write: saving.mutate, busy: saving.isPending, problem: saving.error?.message };
}
