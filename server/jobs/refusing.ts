import { failed, type Outcome } from '@plesion/core';
import { Refused } from '../archive/refused';
import type { JobTask } from './pool';

/** What a thread runs for a job: it tells how far it is, and what it refuses is its outcome, not a fault. */
export const refusing =
  <Request, Result>(work: (request: Request, onProgress: (share: number) => void) => Promise<Outcome<Result>>) =>
  async ({ request, port }: JobTask<Request>): Promise<Outcome<Result>> => {
    try {
      return await work(request, (share) => port.postMessage(share));
    } catch (error) {
      if (error instanceof Refused) return failed(error.problem);
      throw error;
    } finally {
      port.close();
    }
  };
