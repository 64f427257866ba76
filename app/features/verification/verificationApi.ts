import { createClient } from '@plesion/contract';
import { verificationEndpoints } from '@plesion/contract/endpoints/verifications';

export const verificationApi = createClient('', undefined, verificationEndpoints);

/** Where those of a specimen lie in the cache. */
export const verificationsOf = (specimenId: string) => ['verifications', specimenId] as const;
