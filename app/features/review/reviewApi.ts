import { createClient } from '@plesion/contract';
import { reviewEndpoints } from '@plesion/contract/endpoints/review';

export const reviewApi = createClient('', undefined, reviewEndpoints);

/** Where those of a specimen, what waits on the desk, and views wanted of oneself lie in the cache. */
export const reviewsOf = (specimenId: string) => ['reviews', 'of', specimenId] as const;
export const deskOf = (guideId: string | undefined) => ['reviews', 'desk', guideId ?? ''] as const;
export const WANTED = ['reviews', 'wanted'] as const;
