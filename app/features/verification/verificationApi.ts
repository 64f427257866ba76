import { createClient } from '@plesion/contract';
import { verificationEndpoints } from '@plesion/contract/endpoints/verifications';

export const verificationApi = createClient('', undefined, verificationEndpoints);

/** Of what it is said what it turned out to be: a specimen, or the bearer of a ring. */
export type Verified = { specimenId: string; mark?: undefined } | { mark: string; specimenId?: undefined };

/** Where those of something lie in the cache. */
export const verificationsOf = ({ specimenId, mark }: Verified) => ['verifications', specimenId ?? mark] as const;
