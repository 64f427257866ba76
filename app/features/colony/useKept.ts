import type { ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import { individualDrafts, type Sent, sendRecord } from '../records/bookDrafts';
import { useSession } from '../session/useSession';

/** Write what a book says of one, from now on; its name and its note stay. */
export const sendKept = (station: string, { id, version, label, note }: ColonyMember, guideId: string, kept: Kept) =>
  sendRecord(individualDrafts, station, id, { version, guideId, label, hidden: false, kept, ...(note ? { note } : {}) });

/** Writes more of one of the book; what is not changed stays as it is. */
export function useSendKept(guideId: string, member: ColonyMember): (change: Partial<Kept>) => Promise<Sent> {
  const station = useSession().station.id;
  return (change) => sendKept(station, member, guideId, { ...member.kept, ...change });
}
