import type { Specimen, SpecimenWrite } from '@plesion/contract';
import { api, queryClient } from '../../lib/api';
import { createDrafts } from '../../lib/drafts';
import { specimenKind } from './draft';

/** The specimens worked on, on this device. */
export const specimenDrafts = createDrafts<SpecimenWrite, Specimen>({
  prefix: 'plesion.draft.',
  kind: specimenKind,
  send: (id, body) => api('writeSpecimen', { params: { id }, body }),
  onSaved(specimen) {
    queryClient.setQueryData(['specimen', specimen.id], specimen);
    void queryClient.invalidateQueries({ queryKey: ['specimens'] });
  },
});

export const { draftOf, keptContent, startDraft, unsentIds } = specimenDrafts;

/** Try to send everything that waits. */
export async function sendUnsent(station: string): Promise<void> {
  for (const id of unsentIds(station)) await draftOf(station, id)?.flush();
}
