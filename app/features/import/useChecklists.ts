import { addressOf } from '@plesion/contract';
import { Checklist } from '@plesion/contract/checklists';
import { importEndpoints } from '@plesion/contract/endpoints/import';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useSentJob } from '../../lib/useSentJob';
import { importApi } from './useImport';

const parse = (result: unknown) => Checklist.parse(result);

/** Checklists that were read in; one more, or one less. */
export function useChecklists() {
  const client = useQueryClient();
  const list = useQuery({ queryKey: ['checklists'], queryFn: ({ signal }) => importApi('checklists', {}, signal) });
  const reading = useSentJob((file: File) => ({ url: addressOf(importEndpoints.readChecklist), form: { file } }), parse);
  const remove = useMutation({
    mutationFn: (id: string) => importApi('removeChecklist', { params: { id } }),
    onSuccess: () =>
      client.invalidateQueries({ predicate: ({ queryKey }) => ['checklists', 'lists', 'names'].includes(String(queryKey[0])) }),
  });
  return { list, reading, remove };
}
