import type { Reading } from '@plesion/core/observation';
import type { Guide } from '@plesion/core/guide';
import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { AimedPhoto, PhotoPin } from './AimedPhoto';
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
  const [chosen, setChosen] = useState<number>();
  const uri = usePhotoUri(hash);
  const photo = useRef<View>(null);
  const seen = readings.flatMap((reading, i) => {
    const character = guide?.characters.find(({ id }) => id === reading.character);
    if (!character || (reading.status ?? 'seen') !== 'seen') return [];
    const { at } = reading;
    return [{ i, label: character.label, at: at && (at.photo === hash || (top && !at.photo)) ? at : undefined }];
  });
  const put = (x: number, y: number) => {
    if (chosen === undefined) return;
    onPoint(chosen, { x, y, ...(top ? {} : { photo: hash }) });
    setChosen(undefined);
  };
  return (
    <View style={styles.block}>
      <AimedPhoto
        ref={photo}
        uri={uri}
        label={
          chosen === undefined
            ? 'Photo of the specimen'
            : 'Press where the character shows; or move with the arrows, and press Enter'
        }
        aiming={chosen !== undefined}
        onPut={put}
        onCancel={() => setChosen(undefined)}
      >
        {seen.map(({ i, at, label }, n) =>
          at ? <PhotoPin key={i} x={at.x} y={at.y} mark={n + 1} label={`${n + 1}: ${label}, pointed at`} /> : null,
        )}
      </AimedPhoto>
      {seen.length > 0 && (
        <ChoiceGroup
          label="Point at a character on the photo; press a pointed one to take it off"
          clearable
          options={seen.map(({ i, at, label }, n) => ({
            id: String(i),
            label: `${n + 1} ${label}${at ? ' ✓' : ''}`,
          }))}
          chosen={chosen === undefined ? [] : [String(chosen)]}
          onChange={([id]) => {
            const index = id === undefined ? undefined : Number(id);
            if (index !== undefined && seen.find(({ i }) => i === index)?.at) onPoint(index, undefined);
            else {
              setChosen(index);
              // The keys aim on the photo itself.
              if (index !== undefined) photo.current?.focus();
            }
          }}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({ block: { gap: space.s } });
