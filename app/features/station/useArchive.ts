import { schemas, urlOf } from '@plesion/contract';
import { useState } from 'react';
import { api } from '../../lib/api';
import { sendFile } from '../../lib/sendFile';
import { useJob } from '../../lib/useJob';
import { STATION } from './useStation';

const make = () => api('exportStation', {});
const made = (result: unknown) => schemas.ArchiveMade.parse(result);

/** An archive as the person sees it: begun here or before, so far, lying ready. */
export const useMakeArchive = (earlier?: string) => useJob(make, made, STATION, earlier);

const read = (result: unknown) => schemas.ArchiveRead.parse(result);

/** Sent first, then read in by the server; all that is known of the station is fetched anew afterwards. */
export function useReadArchive(earlier?: string) {
  const [sent, setSent] = useState<number>();
  const [sending, setSending] = useState<AbortController>();
  const job = useJob(
    async (file: File) => {
      const stop = new AbortController();
      setSending(stop);
      setSent(0);
      try {
        return schemas.JobStarted.parse(await sendFile(urlOf('importStation'), { archive: file }, setSent, stop.signal));
      } finally {
        setSent(undefined);
        setSending(undefined);
      }
    },
    read,
    undefined,
    earlier,
  );
  return { ...job, sent, stop: () => (sending ? sending.abort() : job.cancel()) };
}
