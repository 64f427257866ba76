import { failed, type Outcome } from '@plesion/core';
import type { JobTask } from '../jobs/pool';
import { Refused } from '../archive/refused';
import { read, type ImportRead, type ReadRequest } from './read';

export type { ImportRead, ReadRequest } from './read';

/** Reads a file in a worker thread, tells how far it is, and leaves the records in a folder. */
export default async function run({ request, port }: JobTask<ReadRequest>): Promise<Outcome<ImportRead>> {
  try {
    return await read(request, (share) => port.postMessage(share));
  } catch (error) {
    if (error instanceof Refused) return failed(error.problem);
    throw error;
  } finally {
    port.close();
  }
}
