import { Conversation, ConversationQuery, RemarkWrite, Resolved, Thread, WaitingThreads } from '../conversations';
import { byId, type Endpoint } from './endpoint';

/** What people of a station say to each other of a specimen. */
export const conversationEndpoints = {
  conversation: {
    method: 'GET',
    path: '/api/conversations',
    summary: 'What is said of a specimen, thread by thread, the oldest first.',
    query: ConversationQuery,
    response: Conversation,
  },
  conversationsWaiting: {
    method: 'GET',
    path: '/api/conversations/waiting',
    summary: 'Threads on one’s own records, or in which one spoke, that are not resolved and wait for one’s word.',
    response: WaitingThreads,
  },
  remark: {
    method: 'POST',
    path: '/api/conversations',
    summary: 'Say something of a specimen, of a place on a photo of it, or in reply. The same one twice is one.',
    least: 'learner',
    body: RemarkWrite,
    response: Thread,
    status: 201,
  },
  resolveThread: {
    method: 'PUT',
    path: '/api/conversations/:id/resolved',
    summary: 'Say that what a thread was about is resolved, or is not after all.',
    params: byId,
    body: Resolved,
    response: Thread,
  },
  withdrawRemark: {
    method: 'DELETE',
    path: '/api/conversations/:id',
    summary: 'Take back what one said: that it was said stays, and its words go.',
    least: 'learner',
    params: byId,
    response: Thread,
  },
} as const satisfies Record<string, Endpoint>;
