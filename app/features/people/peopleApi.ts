import { createClient } from '@plesion/contract';
import { peopleEndpoints } from '@plesion/contract/endpoints/people';

export const peopleApi = createClient('', undefined, peopleEndpoints);

/** Where its lists lie in the cache. */
export const MEMBERS = ['people', 'members'] as const;
export const INVITATIONS = ['people', 'invitations'] as const;
