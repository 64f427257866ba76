import { addressOf, schemas } from '@plesion/contract';
import { Checklist } from '@plesion/contract/checklists';
import { importEndpoints } from '@plesion/contract/endpoints/import';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { sendFile } from '../../lib/sendFile';
import { useJob } from '../../lib/useJob';
import { importApi } from './useImport';

const parse = (result: unknown) => Checklist.parse(result);

/** Checklists that were read in; one more, or one less. */
export function useChecklists() {
  const client = useQueryClient();
  const [sent, setSent] = useState<number>();
  const list = useQuery({ queryKey: ['checklists'], queryFn: ({ signal }) => importApi('checklists', {}, signal) });
  const reading = useJob(async (file: File) => {
    setSent(0);
    try {
      const stop = new AbortController();
      return schemas.JobStarted.parse(await sendFile(addressOf(importEndpoints.readChecklist), { file }, setSent, stop.signal));
    } finally {
      setSent(undefined);
    }
  }, parse);
  const remove = useMutation({
    mutationFn: (id: string) => importApi('removeChecklist', { params: { id } }),
    onSuccess: () =>
      client.invalidateQueries({ predicate: ({ queryKey }) => ['checklists', 'lists', 'names'].includes(String(queryKey[0])) }),
  });
  return { list, reading, sent, remove };
}
