import { urlOf } from '@plesion/contract';
import { Photo } from '../../ui/Photo';

/** A picture that shows how it turned out. */
export const EvidencePhoto = ({ hash }: { hash: string }) => (
  <Photo
    source={{ uri: urlOf('photo', { params: { hash }, query: { size: 'thumb' } }) }}
    wide={120}
    tall={90}
    round="s"
    tone="mist"
    accessibilityLabel="What shows it"
  />
);
