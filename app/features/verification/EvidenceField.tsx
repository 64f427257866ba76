import { LARGEST_PHOTO } from '@plesion/contract';
import { LARGEST_ATTACHMENT, type AttachmentFile } from '@plesion/contract/verifications';
import { useMutation } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { api } from '../../lib/api';
import { pickFile } from '../../lib/files';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { EvidencePhoto } from './EvidencePhoto';
import { AttachmentButton } from './AttachmentButton';
import { verificationApi } from './verificationApi';

interface EvidenceFieldProps {
  photo?: string;
  file?: AttachmentFile;
  onPhoto: (hash: string | undefined) => void;
  onFile: (file: AttachmentFile | undefined) => void;
}

/** A picture that shows it, and a file of any kind, each sent as it is chosen. */
export function EvidenceField({ photo, file, onPhoto, onFile }: EvidenceFieldProps) {
  return (
    <Stack align="start">
      <Piece
        noun="picture"
        accept="image/*"
        take={async (chosen) => onPhoto((await api('addPhoto', { body: sent('photo', chosen, LARGEST_PHOTO) })).hash)}
        onRemove={photo ? () => onPhoto(undefined) : undefined}
      >
        {photo && <EvidencePhoto hash={photo} />}
      </Piece>
      <Piece
        noun="file"
        more=": a report, a table, a sound"
        accept="*/*"
        take={async (chosen) => {
          const { hash } = await verificationApi('addAttachment', { body: sent('file', chosen, LARGEST_ATTACHMENT) });
          onFile({ hash, name: shortened(chosen.name) });
        }}
        onRemove={file ? () => onFile(undefined) : undefined}
      >
        {file && <AttachmentButton file={file} />}
      </Piece>
    </Stack>
  );
}

interface PieceProps {
  noun: 'picture' | 'file';
  /** What it may be, for those who cannot see the label's company. */
  more?: string;
  accept: string;
  take: (chosen: File) => Promise<void>;
  /** Absent where none was chosen yet. */
  onRemove?: () => void;
  children: ReactNode;
}

/** One piece of evidence: what was chosen, another in its place, or none. */
function Piece({ noun, more = '', accept, take, onRemove, children }: PieceProps) {
  const send = useMutation({
    async mutationFn() {
      const chosen = await pickFile(accept);
      if (chosen) await take(chosen);
    },
  });
  const label = onRemove ? `Another ${noun}` : `A ${noun} that shows it`;
  return (
    <>
      {children}
      <Row>
        <Button small label={label} hint={label + more} busy={send.isPending} onPress={() => send.mutate()} />
        {onRemove && <Button small kind="quiet" label="Remove" hint={`Remove the ${noun}`} onPress={onRemove} />}
      </Row>
      {send.error && <Notice kind="problem">{send.error.message}</Notice>}
    </>
  );
}

function sent(field: string, file: File, most: number): FormData {
  if (file.size > most) throw new Error(`It is larger than ${most / 1024 / 1024} MB. Choose a smaller one.`);
  const body = new FormData();
  body.append(field, file);
  return body;
}

/** Letters of a name; its ending says what the file is, and stays. */
const LONGEST_NAME = 120;
const shortened = (name: string) => (name.length <= LONGEST_NAME ? name : `…${name.slice(1 - LONGEST_NAME)}`);
