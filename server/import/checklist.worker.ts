import { failed, type Outcome } from '@plesion/core';
import type { Checklist } from '@plesion/core/import';
import { Refused } from '../archive/refused';
import type { JobTask } from '../jobs/pool';
import { openChecklist } from './open';

/** Reads a checklist in a worker thread. */
export default async function run({ request, port }: JobTask<{ path: string }>): Promise<Outcome<Checklist>> {
  try {
    return await openChecklist(request.path);
  } catch (error) {
    if (error instanceof Refused) return failed(error.problem);
    throw error;
  } finally {
    port.close();
  }
}
