import { createClient } from '@plesion/contract';
import { answerEndpoints } from '@plesion/contract/endpoints/answers';

export const answersApi = createClient('', undefined, answerEndpoints);

/** Where those of a guide lie in the cache. */
export const answersOf = (guideId: string) => ['answers', guideId] as const;
