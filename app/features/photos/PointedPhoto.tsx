import type { Reading } from '@plesion/core/observation';
import type { Guide } from '@plesion/core/guide';
import { PointOn } from './PointOn';
import { usePhotoUri } from './usePhotoUri';

interface PointedPhotoProps {
  hash: string;
  /** Is it the one on top? What was pointed at without naming a photo is on that one. */
  top: boolean;
  guide?: Guide;
  readings: readonly Reading[];
  /** Where a reading shows; undefined takes it off the photo again. */
  onPoint: (reading: number, at: Reading['at']) => void;
}

/** The photo with the characters that were read pointed at: choose a character, then press where it shows. */
export function PointedPhoto({ hash, top, guide, readings, onPoint }: PointedPhotoProps) {
  const uri = usePhotoUri(hash);
  const seen = readings.flatMap((reading, i) => {
    const character = guide?.characters.find(({ id }) => id === reading.character);
    if (!character || (reading.status ?? 'seen') !== 'seen') return [];
    const { at } = reading;
    return [{ i, label: character.label, at: at && (at.photo === hash || (top && !at.photo)) ? at : undefined }];
  });
  return (
    <PointOn
      uri={uri}
      label="Photo of the specimen"
      aim={() => 'Press where the character shows; or move with the arrows, and press Enter'}
      choose="Point at a character on the photo; press a pointed one to take it off"
      items={seen.map(({ i, at, label }, n) => ({
        ...{ id: String(i), at, mark: n + 1 },
        ...{ choice: `${n + 1} ${label}${at ? ' ✓' : ''}`, pinned: `${n + 1}: ${label}, pointed at` },
      }))}
      onPoint={(id, at) => onPoint(Number(id), at && { ...at, ...(top ? {} : { photo: hash }) })}
    />
  );
}
