import type { Media } from '@plesion/core/specimen';

/** What is kept of a specimen; a photo that was sent before photos were kept in a list stands on top alone. */
export const withTopPhoto = (id: string, photo: string | null | undefined, media: readonly Media[]): Media[] =>
  photo && !media.some(({ hash }) => hash === photo) ? [{ id, kind: 'photo', hash: photo }, ...media] : [...media];
