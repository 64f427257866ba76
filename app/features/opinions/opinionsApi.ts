import { createClient } from '@plesion/contract';
import { opinionEndpoints } from '@plesion/contract/endpoints/opinions';

export const opinionsApi = createClient('', undefined, opinionEndpoints);

/** Where those of a specimen, and what waits for one's own, lie in the cache. */
export const asksOf = (specimenId: string) => ['opinions', specimenId] as const;
export const WAITING = ['opinions', 'waiting'] as const;
