import type { Reading } from '../observation';
import type { Media } from './schema';
import { MOST_MEDIA } from './vocabulary';

/** What a specimen holds of its photos: the one on top, and everything kept of it, in order. */
interface WithPhotos {
  photo?: string;
  media?: readonly Media[];
}

/** A photo of a specimen, with what is said of it. */
export type KeptPhoto = Pick<Media, 'hash' | 'view' | 'note' | 'credit'>;

/** The photos of a specimen: the one on top first, then the others in their order, each once. */
export function photosOf({ photo, media = [] }: WithPhotos): KeptPhoto[] {
  const seen = new Set<string>();
  const photos = media.filter(({ kind, hash }) => kind === 'photo' && !seen.has(hash) && seen.add(hash));
  if (photo === undefined) return photos;
  const top = photos.find(({ hash }) => hash === photo) ?? { hash: photo };
  return [top, ...photos.filter(({ hash }) => hash !== photo)];
}

type Content = WithPhotos & { media?: Media[]; readings?: Reading[] };

/** With one photo more, once for its content; the first one comes on top. @returns what came in where there is no room. */
export function withPhoto<C extends Content>(content: C, hash: string, id: string): C {
  const { photo, media = [] } = content;
  if (photosOf(content).some((one) => one.hash === hash) || media.length >= MOST_MEDIA) return content;
  return { ...content, photo: photo ?? hash, media: [...media, { id, kind: 'photo', hash }] };
}

/** Without a photo, and without what was pointed at on it; the next one comes on top. */
export function withoutPhoto<C extends Content>(content: C, hash: string): C {
  const left = photosOf(content).filter((one) => one.hash !== hash);
  const media = content.media?.filter((one) => one.hash !== hash);
  const readings = content.readings?.map((reading) => {
    const { at, ...rest } = reading;
    return at && (at.photo ?? content.photo) === hash ? (rest) : reading;
  });
  const top = content.photo === hash ? left[0]?.hash : content.photo;
  return onTop({ ...content, ...(media ? { media } : {}), ...(readings ? { readings } : {}) }, top, content.photo);
}

/** With another photo on top; the one before keeps its place among the others, and what was pointed at stays on its own. */
export function withTop<C extends Content>(content: C, hash: string, id: string): C {
  const { photo: before, media = [] } = content;
  const listed = before === undefined || media.some((one) => one.hash === before);
  return onTop(listed ? content : { ...content, media: [{ id, kind: 'photo', hash: before }, ...media] }, hash, before);
}

function onTop<C extends Content>(content: C, photo: string | undefined, before: string | undefined): C {
  if (photo === before) return content;
  const readings = content.readings?.map((reading) =>
    reading.at && before !== undefined && reading.at.photo === undefined
      ? { ...reading, at: { ...reading.at, photo: before } }
      : reading,
  );
  return { ...content, photo, ...(readings ? { readings } : {}) };
}

/** Say what a photo shows, and who made it; an empty word takes back what was said. */
export function describePhoto<C extends Content>(content: C, said: KeptPhoto, id: string): C {
  const { media = [] } = content;
  const known = media.find(({ kind, hash }) => kind === 'photo' && hash === said.hash);
  const { hash, view, note, credit } = said;
  const next: Media = {
    id: known?.id ?? id,
    kind: 'photo',
    hash,
    ...(view ? { view } : {}),
    ...(note ? { note } : {}),
    ...(credit ? { credit } : {}),
  };
  return { ...content, media: known ? media.map((one) => (one === known ? next : one)) : [...media, next] };
}
