import type { ImportMade, ImportTried } from '@plesion/contract';
import { addressOf, createClient } from '@plesion/contract';
import { importEndpoints } from '@plesion/contract/endpoints/import';
import { ImportMade as MadeShape, ImportTried as TriedShape } from '@plesion/contract/import';
import type { ImportHow } from '@plesion/core/import';
import { ImportHow as HowShape } from '@plesion/core/import/schema';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { z } from 'zod';
import { omit } from '../../lib/omit';
import { useJob } from '../../lib/useJob';
import { useSentJob } from '../../lib/useSentJob';
import { useKeptState } from '../../lib/useKeptState';

export const importApi = createClient('', undefined, importEndpoints);

/** What was tried last, and what was said since; kept over a reload. */
const Kept = z.object({ job: z.uuid().optional(), change: HowShape.optional() });

interface Asked {
  file?: File;
  from?: string;
  how: ImportHow;
}

const parseTried = (result: unknown): ImportTried => TriedShape.parse(result);
const parseMade = (result: unknown): ImportMade => MadeShape.parse(result);

/** Minutes from UTC as an offset is written. */
export const offsetNow = (minutes = -new Date().getTimezoneOffset()): string => {
  const two = (n: number) => String(Math.floor(n)).padStart(2, '0');
  return `${minutes < 0 ? '-' : '+'}${two(Math.abs(minutes) / 60)}:${two(Math.abs(minutes) % 60)}`;
};

/** A file of earlier years: tried, told otherwise and tried again, and read in. */
export function useImport() {
  const [kept, keep] = useKeptState('import', Kept, {});
  const tries = useSentJob(
    ({ file, from, how }: Asked) => ({
      url: addressOf(importEndpoints.tryImport),
      form: { how: JSON.stringify(how), ...(from ? { from } : {}), ...(file ? { file } : {}) },
    }),
    parseTried,
    { changes: 'import-tried', earlier: kept.job, onBegun: (job) => keep({ job, change: undefined }) },
  );
  const reading = useJob((tried: string) => importApi('importRecords', { body: { tried } }), parseMade);
  const tried = tries.result;
  const how = kept.change ?? tried?.how;
  return {
    tried,
    /** As it would be tried next. */
    how,
    changed: kept.change !== undefined,
    change: (part: Partial<ImportHow>) => how && keep({ change: { ...how, ...part } }),
    /** Send a file, or try the one that was sent with what was said since. */
    send: (file: File) =>
      tries.begin({ file, how: { offset: offsetNow(), ...(how ? omit(how, 'columns', 'words', 'leaveOut') : {}) } }),
    again: () => tried && how && tries.begin({ from: tried.id, how }),
    trying: tries,
    reading,
    /** Another file. */
    clear() {
      keep({ job: undefined, change: undefined });
      tries.again();
      reading.again();
    },
  };
}
export type Importing = ReturnType<typeof useImport>;

/** What was read in, and may be taken back. */
export function useImports() {
  const client = useQueryClient();
  const list = useQuery({ queryKey: ['imports'], queryFn: ({ signal }) => importApi('imports', {}, signal) });
  const back = useMutation({
    mutationFn: (id: string) => importApi('takeBackImport', { params: { id } }),
    onSuccess: () => client.invalidateQueries(),
  });
  return { list, back };
}
