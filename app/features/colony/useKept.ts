import type { ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import { individualDrafts, sendRecord } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { useColonyWrite } from './useColonyWrite';

/** Write what a book says of one, from now on; its name and its note stay. */
export const sendKept = (station: string, { id, version, label, note }: ColonyMember, guideId: string, kept: Kept) =>
  sendRecord(individualDrafts, station, id, { version, guideId, label, hidden: false, kept, ...(note ? { note } : {}) });

/** More that is written of one of the book; what is not changed stays as it is. */
export function useKept(guideId: string, member: ColonyMember, onDone: () => void) {
  const station = useSession().station.id;
  return useColonyWrite(
    guideId,
    (change: Partial<Kept>) => sendKept(station, member, guideId, { ...member.kept, ...change }),
    onDone,
  );
}
