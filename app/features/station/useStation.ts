import { useQuery } from '@tanstack/react-query';
import { api } from '../../lib/api';

export const STATION = 'station';

/** The station: how much it holds of what it may. */
export const useStation = () => useQuery({ queryKey: [STATION], queryFn: ({ signal }) => api('station', {}, signal) });
