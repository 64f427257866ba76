import { createClient, type BaseMap } from '@plesion/contract';
import { mapEndpoints } from '@plesion/contract/endpoints/map';
import { wound } from './ground';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

const mapApi = createClient('', undefined, mapEndpoints);

const drawable = ({ map, own }: { map: BaseMap; own: boolean }) => ({ map: wound(map), own });

export const usePlaces = () => useQuery({ queryKey: ['places'], queryFn: ({ signal }) => mapApi('places', {}, signal) });

export const useBaseMap = () =>
  useQuery({
    queryKey: ['base-map'],
    queryFn: ({ signal }) => mapApi('baseMap', {}, signal).then(drawable),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** Put another ground there, or the isles again. */
export function useWriteBaseMap() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (map: BaseMap | null) => mapApi('writeBaseMap', { body: { map } }),
    onSuccess: (view) => client.setQueryData(['base-map'], drawable(view)),
  });
}
