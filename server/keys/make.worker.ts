import { compileGuide } from '@plesion/core/guide';
import { makeKey } from '@plesion/core/keys';
import type { JobTask } from '../jobs/pool';
import type { KeyTask } from './pool';

/** Makes a key in a worker thread and tells how far it is. */
export default function run({ request, port }: JobTask<KeyTask>): ReturnType<typeof makeKey> {
  try {
    return makeKey(compileGuide(request.guide), request.asked, (share) => port.postMessage(share));
  } finally {
    port.close();
  }
}
