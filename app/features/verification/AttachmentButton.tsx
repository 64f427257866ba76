import { addressOf } from '@plesion/contract';
import { verificationEndpoints } from '@plesion/contract/endpoints/verifications';
import type { AttachmentFile } from '@plesion/contract/verifications';
import { DownloadButton } from '../../ui/DownloadButton';

/** A file that shows how something turned out, by its name: it is kept, and not opened here. */
export const AttachmentButton = ({ file: { hash, name } }: { file: AttachmentFile }) => (
  <DownloadButton
    quiet
    label={name}
    hint={`${name}: download it`}
    url={() => addressOf(verificationEndpoints.attachment, { params: { hash }, query: { name } })}
  />
);
