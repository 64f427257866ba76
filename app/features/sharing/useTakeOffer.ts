import { useMutation, useQueryClient } from '@tanstack/react-query';
import { loadDrawing } from '../records/plans';
import { sharingApi } from './sharingApi';

/** Import what another station offers: the guide, or its newest version. */
export function useTakeOffer() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, station }: { id: string; station: string }) =>
      sharingApi('takeOffer', { params: { id }, body: { station } }),
    async onSuccess(stored) {
      await loadDrawing(stored.guide);
      client.setQueryData(['guide', stored.id], stored);
      await Promise.all(['guides', 'keys', 'sharing', 'offers'].map((kind) => client.invalidateQueries({ queryKey: [kind] })));
    },
  });
}
