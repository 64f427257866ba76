import { useQuery } from '@tanstack/react-query';
import { useMemo, useSyncExternalStore } from 'react';
import { outbox } from '../../lib/outbox/outbox';
import { useGuide } from '../records/useGuide';
import { useSession } from '../session/useSession';
import { colonyApi, colonyKey } from './colonyApi';
import { withWaiting } from '../records/waitingBook';

/** A book with its guide, once both are here, and with what waits on this device. */
export function useBook(guideId: string | undefined) {
  const station = useSession().station.id;
  const stored = useGuide(guideId);
  const found = useQuery({
    queryKey: colonyKey(guideId ?? ''),
    enabled: guideId !== undefined,
    queryFn: ({ signal }) => colonyApi('colony', { params: { id: guideId! } }, signal),
  });
  const changes = useSyncExternalStore(outbox().subscribe, outbox().get);
  const colony = useMemo(
    () => found.data && guideId && withWaiting(found.data, guideId, outbox().waiting(station)),
    // The outbox tells by a number that something came or went.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
    [found.data, guideId, station, changes],
  );
  const known = stored.data;
  const book = colony && known ? { colony, known, guide: known.guide } : undefined;
  return {
    book,
    // Without a connection it is shown as it was last.
    error: book ? undefined : (found.error ?? stored.error),
    retry: () => (void found.refetch(), void stored.refetch()),
  };
}
