import { useSyncExternalStore } from 'react';
import { outbox } from '../../lib/outbox/outbox';
import { useSession } from '../session/useSession';
import { waitingOf } from './sending';

/** What only this device has, of all kinds, as it comes and goes. */
export function useWaiting(): ReturnType<typeof waitingOf> {
  const station = useSession().station.id;
  useSyncExternalStore(outbox().subscribe, outbox().get);
  return waitingOf(station);
}
