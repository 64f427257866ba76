import { schemas, type Specimen, type SpecimenWrite } from '@plesion/contract';
import { api, queryClient } from '../../lib/api';
import { createDrafts } from '../../lib/drafts';
import { outbox } from '../../lib/outbox/outbox';
import { uploadPhoto } from '../../lib/uploads';
import { specimenKind } from './draft';

/** The specimens worked on, on this device. */
export const specimenDrafts = createDrafts<SpecimenWrite, Specimen>({
  name: 'specimen',
  kind: specimenKind,
  schema: schemas.SpecimenWrite,
  async send(id, body, station) {
    await sendFiles(station, body);
    return api('writeSpecimen', { params: { id }, body });
  },
  onSaved(specimen) {
    queryClient.setQueryData(['specimen', specimen.id], specimen);
    void queryClient.invalidateQueries({ queryKey: ['specimens'] });
  },
});

export const { draftOf, keptContent, startDraft } = specimenDrafts;

/** The files a specimen names go before it. */
async function sendFiles(station: string, { photo, media = [] }: SpecimenWrite): Promise<void> {
  const hashes = new Set([...(photo ? [photo] : []), ...media.map(({ hash }) => hash)]);
  for (const hash of hashes) {
    const file = outbox().file(station, hash);
    if (!file) continue;
    await uploadPhoto(station, hash, file);
    outbox().forgetFile(station, hash);
  }
}
