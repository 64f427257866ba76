import type { PracticeStanding } from '@plesion/contract';
import { type Memories, memoryKey } from '@plesion/core/practice';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { standingQuery } from '../records/practiceAnswers';

/** Milliseconds for which what was just seen of it still holds; an answer that was sent ends it. */
const FRESH = 30_000;

const NOTHING: PracticeStanding = { guides: [], memories: [] };

/**
 * How one's practice stood when the page was opened. Without a connection one practises all the same: from what was
 * seen last, or as one who begins.
 */
export function useStanding() {
  const found = useQuery({
    ...standingQuery,
    staleTime: FRESH,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  });
  const standing = found.isFetching ? undefined : (found.data ?? NOTHING);
  const memories: Memories = useMemo(
    () => new Map(standing?.memories.map((memory) => [memoryKey(memory.kind, memory.guideId, memory.of), memory])),
    [standing],
  );
  return { ...found, standing, memories };
}
