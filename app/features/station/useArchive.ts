import { schemas, urlOf } from '@plesion/contract';
import { api } from '../../lib/api';
import { useJob } from '../../lib/useJob';
import { useSentJob } from '../../lib/useSentJob';
import { STATION } from './useStation';

const make = () => api('exportStation', {});
const made = (result: unknown) => schemas.ArchiveMade.parse(result);

/** An archive as the person sees it: begun here or before, so far, lying ready. */
export const useMakeArchive = (earlier?: string) => useJob(make, made, STATION, earlier);

const read = (result: unknown) => schemas.ArchiveRead.parse(result);

/** Sent first, then read in by the server; all that is known of the station is fetched anew afterwards. */
export const useReadArchive = (earlier?: string) =>
  useSentJob((archive: File) => ({ url: urlOf('importStation'), form: { archive } }), read, { earlier });
