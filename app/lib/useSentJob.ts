import { schemas } from '@plesion/contract';
import { useState } from 'react';
import { sendFile } from './sendFile';
import { useJob } from './useJob';

/** What is sent where to begin long work: files, and what is said of them. */
export interface Sent {
  url: string;
  form: Record<string, File | string>;
}

/** Long work that begins with a file on its way: sent first, then done by the server; both can be stopped. */
export function useSentJob<Body, Result>(
  sentOf: (body: Body) => Sent,
  parse: (result: unknown) => Result,
  { changes, earlier, onBegun }: { changes?: string; earlier?: string; onBegun?: (jobId: string) => void } = {},
) {
  const [sent, setSent] = useState<number>();
  const [sending, setSending] = useState<AbortController>();
  const job = useJob(
    async (body: Body) => {
      const { url, form } = sentOf(body);
      const stop = new AbortController();
      setSending(stop);
      if (Object.values(form).some((value) => typeof value !== 'string')) setSent(0);
      try {
        const begun = schemas.JobStarted.parse(await sendFile(url, form, setSent, stop.signal));
        onBegun?.(begun.jobId);
        return begun;
      } finally {
        setSent(undefined);
        setSending(undefined);
      }
    },
    parse,
    changes,
    earlier,
  );
  return {
    ...job,
    /** Share that is sent, while it is. */
    sent,
    stop: () => (sending ? sending.abort() : job.cancel()),
  };
}
