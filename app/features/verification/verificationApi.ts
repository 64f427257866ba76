import { createClient } from '@plesion/contract';
import { verificationEndpoints } from '@plesion/contract/endpoints/verifications';

export const verificationApi = createClient('', undefined, verificationEndpoints);

/** Of what it is said what it turned out to be: a specimen, the bearer of a ring, or an individual. */
export type Verified =
  | { specimenId: string; mark?: undefined; individualId?: undefined }
  | { mark: string; specimenId?: undefined; individualId?: undefined }
  | { individualId: string; specimenId?: undefined; mark?: undefined };

export const idOf = ({ specimenId, mark, individualId }: Verified): string => specimenId ?? mark ?? individualId!;

/** Where those of something lie in the cache. */
export const verificationsOf = (of: Verified) => ['verifications', idOf(of)] as const;
