import type { ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import { api } from '../../lib/api';
import { useColonyWrite } from './useColonyWrite';

/** Write what a book says of one, from now on; its name and its note, which the book does not show, stay. */
export async function sendKept({ id, version, label }: ColonyMember, guideId: string, kept: Kept) {
  const { note } = await api('individual', { params: { id } });
  const body = { version, guideId, label, hidden: false, kept, ...(note ? { note } : {}) };
  return api('writeIndividual', { params: { id }, body });
}

/** More that is written of one of the book; what is not changed stays as it is. */
export const useKept = (guideId: string, member: ColonyMember, onDone: () => void) =>
  useColonyWrite(guideId, (change: Partial<Kept>) => sendKept(member, guideId, { ...member.kept, ...change }), onDone);
