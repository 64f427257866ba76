import { learn, type LearnRequest } from '@plesion/core/learn';
import type { JobTask } from '../jobs/pool';

/** Learns in a worker thread and tells how far it is. */
export default function run({ request, port }: JobTask<LearnRequest>): ReturnType<typeof learn> {
  try {
    return learn(request, (share) => port.postMessage(share));
  } finally {
    port.close();
  }
}
