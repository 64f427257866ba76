import type { MessagePort } from 'node:worker_threads';
import { learn, type LearnRequest } from '@plesion/core/learn';

/** Learns in a worker thread and tells how far it is. */
export default function run({ request, port }: { request: LearnRequest; port: MessagePort }): ReturnType<typeof learn> {
  try {
    return learn(request, (share) => port.postMessage(share));
  } finally {
    port.close();
  }
}
