import { createClient } from '@plesion/contract';
import { conversationEndpoints } from '@plesion/contract/endpoints/conversations';

export const conversationApi = createClient('', undefined, conversationEndpoints);

/** Where that of a specimen, and threads that wait for one's word, lie in the cache. */
export const conversationOf = (specimenId: string) => ['conversations', specimenId] as const;
export const WAITING = ['conversations', 'waiting'] as const;
