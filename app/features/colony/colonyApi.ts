import { createClient } from '@plesion/contract';
import { colonyEndpoints } from '@plesion/contract/endpoints/colony';

export const colonyApi = createClient('', undefined, colonyEndpoints);

/** Where the books lie in the cache: all of them, and one. */
export const COLONIES = ['colonies'] as const;
export const colonyKey = (guideId: string) => ['colony', guideId] as const;
