import { RequestProblem } from '@plesion/contract';
import { Edit } from '@plesion/core/authoring/schema';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { device } from '../../lib/device';
import { keptIn } from '../../lib/kept';
import { useSession } from '../session/useSession';
import { authoringApi } from './authoringApi';
import { createWriting, type Desk, type Writing } from './writing';

/** A change waits so long for those that follow it. */
const PAUSE = 700;
/** Others are looked for, and what could not be sent is sent again, so often. */
const OFTEN = 10_000;

const Batches = z.array(z.object({ batch: z.string(), edits: z.array(Edit) }));

function deskOf(station: string, id: string): Desk {
  const params = { id };
  return {
    fetch: () => authoringApi('draft', { params }),
    send: (body) => authoringApi('editDraft', { params, body }),
    since: (after) => authoringApi('draftEdits', { params, query: { after } }),
    mint: mintId,
    kept: keptIn(device, `plesion.writing.${station}.${id}`, Batches),
    // Out of reach, or a server that is not itself.
    passes: (error) => !(error instanceof RequestProblem) || error.status >= 500 || error.body.code === 'offline',
  };
}

/** Each draft once in the application: it goes on being sent when its page is left. */
const open = new Map<string, Writing>();

/** A guide that is being written; undefined until it is here. */
export function useWriting(id: string) {
  const station = useSession().station.id;
  const key = `${station} ${id}`;
  const stored = useQuery({
    queryKey: ['draft', id],
    queryFn: () => authoringApi('draft', { params: { id } }),
    enabled: !open.has(key),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const { data } = stored;
  const writing = useMemo(() => {
    const known = open.get(key);
    if (known || !data) return known;
    const made = createWriting(data, deskOf(station, id));
    open.set(key, made);
    return made;
  }, [key, station, id, data]);
  const state = useSyncExternalStore(writing?.subscribe ?? never, () => writing?.get());
  const waits = state?.saving === 'waiting' ? state.turn : undefined;
  useEffect(() => {
    if (waits === undefined) return;
    const timer = setTimeout(() => void writing?.flush(), PAUSE);
    return () => clearTimeout(timer);
  }, [writing, waits]);
  useEffect(() => {
    const timer = setInterval(() => void (writing?.flush(), writing?.catchUp().catch(() => undefined)), OFTEN);
    return () => clearInterval(timer);
  }, [writing]);
  return { writing, state, error: writing ? null : stored.error, retry: () => void stored.refetch() };
}

const never = () => () => undefined;
