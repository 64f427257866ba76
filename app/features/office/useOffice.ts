import { createClient } from '@plesion/contract';
import { officeEndpoints } from '@plesion/contract/endpoints/office';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

const officeApi = createClient('', undefined, officeEndpoints);

/** Milliseconds between two looks while a file waits: the server tries it again by itself. */
const LOOK = 5_000;

/** What was reported, what the office said of it, and what one may do about it. */
export function useOffice() {
  const client = useQueryClient();
  const office = useQuery({
    queryKey: ['office'],
    queryFn: ({ signal }) => officeApi('office', {}, signal),
    refetchInterval: ({ state }) => (state.data?.files.some((file) => file.state === 'waiting') ? LOOK : false),
  });
  const changed = () => client.invalidateQueries({ queryKey: ['office'] });
  const report = useMutation({ mutationFn: (year: number) => officeApi('reportSeason', { body: { year } }), onSettled: changed });
  const again = useMutation({
    mutationFn: (id: string) => officeApi('reportAgain', { params: { id } }),
    onSettled: changed,
  });
  const recoveries = useMutation({
    mutationFn: () => officeApi('fetchRecoveries', {}),
    onSuccess: (view) => {
      client.setQueryData(['office'], view);
      void client.invalidateQueries({ queryKey: ['marks'] });
    },
  });
  return { office, report, again, recoveries };
}
